import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { effective, isNamed, resolved } from './effective.ts';
import type { EntryBase } from './entry.ts';

type Note = EntryBase & { kind: string; body: { text: string } };

const T0 = Date.parse('2026-03-10T08:00:00Z');

/** `id:text` is noted; `id>other:text` corrects another entry; `id-other` takes one back. A minute apart, by one device. */
function entries(...written: string[]): Note[] {
  return written.map((text, i) => {
    const [, id, how, of, said] = /^(\w+)(?:([>-])(\w+))?(?::(.*))?$/.exec(text)!;
    const at = new Date(T0 + i * 60_000).toISOString();
    return {
      id: id!,
      visitId: 'v',
      runId: 'r',
      jointId: null,
      checkPointId: null,
      correctsId: of ?? null,
      deviceId: 'phone',
      seq: i + 1,
      seenAt: at,
      sentAt: at,
      recordedAt: at,
      kind: how === '-' ? 'withdrawn' : 'noted',
      body: { text: said ?? '' },
    };
  });
}

const texts = (...written: string[]) => effective(entries(...written)).map((e) => e.body.text);

describe('what stands', () => {
  const cases: [string, string[], string[]][] = [
    ['what was entered', ['a:one', 'b:two'], ['one', 'two']],
    ['a correction, in the place of what it corrects', ['a:one', 'b:two', 'c>a:uno'], ['uno', 'two']],
    ['the correction of a correction', ['a:one', 'b:two', 'c>a:uno', 'd>c:ein'], ['ein', 'two']],
    ['not what was taken back', ['a:one', 'b:two', 'c-a'], ['two']],
    ['what was taken back and put back', ['a:one', 'c-a', 'd-c'], ['one']],
    ['not what was put back and taken back again', ['a:one', 'c-a', 'd-c', 'e-a'], []],
    ['nor where the putting back was taken back', ['a:one', 'c-a', 'd-c', 'e-d'], []],
    ['what was there before a correction that was taken back', ['a:one', 'c>a:uno', 'd-c'], ['one']],
    ['that correction, put back', ['a:one', 'c>a:uno', 'd-c', 'e-d'], ['uno']],
    ['another correction after one that was taken back', ['a:one', 'c>a:uno', 'd-c', 'e>a:ein'], ['ein']],
    ['what names something that is not here', ['a:one', 'c>nowhere:uno'], ['one', 'uno']],
  ];
  for (const [what, written, left] of cases) it(what, () => assert.deepEqual(texts(...written), left));

  it('names the first entry, and counts at its time', () => {
    const [stands] = effective(entries('a:one', 'b:two', 'c>a:uno'));
    assert.deepEqual([stands!.id, stands!.seenAt, stands!.seq], ['a', new Date(T0).toISOString(), 1]);
  });
  it('says by what an entry is corrected or taken back, and all that was said of it', () => {
    const [a] = resolved(entries('a:one', 'c>a:uno', 'd-c', 'e-d', 'f-c'));
    assert.equal(a!.by.id, 'a');
    assert.deepEqual(a!.later.map((e) => e.id).sort(), ['c', 'd', 'e', 'f']);
  });
  it('of two that name one entry, the first that stands counts', () => {
    assert.deepEqual(texts('a:one', 'b>a:uno', 'c>a:ein'), ['uno']);
    assert.deepEqual(texts('a:one', 'b>a:uno', 'c>a:ein', 'd-b'), ['ein']);
  });
  it('what is named by something that stands is not to be named again', () => {
    const all = entries('a:one', 'b>a:uno', 'c-b');
    assert.deepEqual([isNamed(all, 'a'), isNamed(all, 'b'), isNamed(all, 'c')], [false, true, false]);
    assert.equal(isNamed(all.slice(0, 2), 'a'), true);
  });
  it('does not lose itself in entries that name each other in a circle', () => {
    const [a, b] = entries('a:one', 'b:two');
    assert.equal(
      effective([
        { ...a!, correctsId: 'b' },
        { ...b!, correctsId: 'a' },
      ]).length,
      0,
    );
  });
  it('is the same in whatever order the entries come, from devices that count and that do not', () => {
    const device = fc.constantFrom('phone', 'tablet', 'script');
    const one = fc.record({ device, minute: fc.nat(30), off: fc.integer({ min: -90, max: 90 }), names: fc.option(fc.nat(20)), isBack: fc.boolean() });
    fc.assert(
      fc.property(fc.array(one, { maxLength: 20 }), fc.infiniteStream(fc.nat()), (list, order) => {
        const counts = new Map<string, number>();
        const all: Note[] = [];
        for (const [i, { device: deviceId, minute, off, names, isBack }] of list.entries()) {
          const n = (counts.get(deviceId) ?? 0) + 1;
          counts.set(deviceId, n);
          const seen = new Date(T0 + (minute + off) * 60_000).toISOString();
          const of = names === null ? null : (all[names % Math.max(1, all.length)]?.id ?? null);
          all.push({
            id: `e${String(i).padStart(2, '0')}`,
            visitId: 'v',
            runId: 'r',
            jointId: null,
            checkPointId: null,
            correctsId: of,
            deviceId,
            ...(deviceId === 'script' ? {} : { seq: n }),
            seenAt: seen,
            sentAt: seen,
            recordedAt: new Date(T0 + minute * 60_000).toISOString(),
            kind: of && isBack ? 'withdrawn' : 'noted',
            body: { text: `${i}` },
          });
        }
        const keys = new Map(all.map((e) => [e.id, order.next().value]));
        const mixed = [...all].sort((x, y) => keys.get(x.id)! - keys.get(y.id)!);
        assert.deepEqual(resolved(mixed), resolved(all));
      }),
      { numRuns: 500 },
    );
  });
});
