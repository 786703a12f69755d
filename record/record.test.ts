import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { v7 as uuidv7 } from 'uuid';
import { defaultRules } from '../core/house/rules.ts';
import { BODIES } from './bodies.testing.ts';
import { effective } from './effective.ts';

import { type Entry, kindOf, kinds, upcast } from './kinds.ts';
import { upcastRules } from './rules/house-rules.ts';
import type { OpenItem, RunNow } from './run/now.ts';
import { readSent } from './shape.ts';
import { unstorable } from './storable.ts';
import { validate } from './validate.ts';
import { describeEntry, describer } from './words.ts';

const ids = { id: uuidv7(), visitId: uuidv7(), runId: uuidv7(), deviceId: uuidv7() };
const at = '2026-05-20T09:00:00.000Z';
const raw = (kind: string, body: unknown, more: object = {}) => ({
  ...ids,
  jointId: null,
  checkPointId: null,
  correctsId: null,
  seenAt: at,
  sentAt: at,
  recordedAt: null,
  kind,
  body,
  ...more,
});
const entry = (kind: string, body: unknown, more: object = {}) => raw(kind, body, more) as unknown as Entry;

describe('every kind of entry', () => {
  for (const kind of kinds.filter((k) => k.name !== 'chain-accepted')) {
    it(`${kind.name}: reads, is told in words, and is left alone by its own bringing up`, () => {
      const body = BODIES[kind.name as keyof typeof BODIES];
      const read = readSent(raw(kind.name, body));
      assert.ok(read.ok, JSON.stringify(read));
      const { what } = describeEntry(read.entry, describer(null, { all: [], log: [] }));
      assert.match(what, /\w{2}/);
      assert.doesNotMatch(what, /undefined|null|\[object|[0-9a-f]{8}-/);
      assert.deepEqual(upcast(read.entry), read.entry);
    });
  }
  it('says its figures in either system, what was typed as it was typed', () => {
    const told = (kind: string, body: object) => {
      const read = readSent(raw(kind, body));
      assert.ok(read.ok, JSON.stringify(read));
      return (['inch', 'metric'] as const).map((units) => describeEntry(read.entry, describer(null, { all: [], log: [] }, units)).what);
    };
    const place = { hidden: false, ownStop: false, arrestor: false };
    const cases: [kind: string, body: object, inch: string, metric: string][] = [
      ['distance-measured', { text: '14 1/2', inches: 14.5 }, 'Distance: 14 1/2 in', 'Distance: 368 mm'],
      ['distance-measured', { text: '6 ft', inches: 72 }, 'Distance: 6 ft', 'Distance: 6 ft (1829 mm)'],
      ['distance-measured', { text: '500 mm', inches: 500 / 25.4 }, 'Distance: 500 mm (19 11/16 in)', 'Distance: 500 mm'],
      ['stub-seen', { side: 'to', finish: 'bare', text: '30 mm', inches: 30 / 25.4 }, 'Tube of the inlet: bare, 30 mm (1 3/16 in) free', 'Tube of the inlet: bare, 30 mm free'],
      ['place-seen', { ...place, pressurePsi: 80 }, 'Place: 80 psi', 'Place: 5.5 bar'],
      ['place-seen', { ...place, pressureText: '5.5 bar', pressurePsi: 79.77 }, 'Place: 5.5 bar (79.8 psi)', 'Place: 5.5 bar'],
      ['place-seen', { arrestor: false }, 'Place: needs no hammer arrestor', 'Place: needs no hammer arrestor'],
      ['place-seen', { hidden: false, hiddenKnown: true }, 'Place: joints stay in sight', 'Place: joints stay in sight'],
      ['place-seen', { pressurePsi: null, pressureText: null }, 'Place: pressure not known', 'Place: pressure not known'],
      ['need-changed', { id: 'bore', to: 0.25, because: 'its sheet asks for it' }, 'Asked of this run: the bore is 0.25 in, because its sheet asks for it', 'Asked of this run: the bore is 6.35 mm, because its sheet asks for it'],
      ['need-changed', { id: 'pressure', to: 100, because: 'its sheet asks for it' }, 'Asked of this run: the pressure is 100 psi, because its sheet asks for it', 'Asked of this run: the pressure is 6.9 bar, because its sheet asks for it'],
    ]; // biome-ignore format: a table
    for (const [kind, body, inch, metric] of cases) assert.deepEqual(told(kind, body), [inch, metric]);
  });
  it('one that this program does not know is refused by its name, and told as such', () => {
    const read = readSent(raw('sung', { text: 'la' }));
    assert.ok(!read.ok && read.at === 'kind');
    assert.match(describeEntry(entry('sung', {}), describer(null, { all: [], log: [] })).what, /does not know \(sung\)/);
  });
});

describe('a correction', () => {
  it('keeps a body in step with itself: inches follow from the length as typed, an outlet goes with its end', () => {
    const agreed = (name: string, body: object, before: object = body) => kindOf(name)!.agreed!(body, before);
    assert.deepEqual(agreed('distance-measured', { text: '6 1/2', inches: 14.5 }), { text: '6 1/2', inches: 6.5 });
    assert.deepEqual(agreed('stub-seen', { side: 'to', finish: 'bare', text: '2', inches: 1 }), { side: 'to', finish: 'bare', text: '2', inches: 2 });
    assert.deepEqual(agreed('stub-seen', { side: 'to', finish: 'bare', text: 'much', inches: 1 }), { side: 'to', finish: 'bare' });
    assert.deepEqual(agreed('distance-measured', { text: 'long', inches: 14.5 }), { text: 'long', inches: null });
    const place = { hidden: false, ownStop: false, arrestor: false };
    assert.deepEqual(agreed('place-seen', { ...place, pressureText: '6 bar', pressurePsi: 80 }), {
      ...place,
      pressureText: '6 bar',
      pressurePsi: 87.02,
    });
    assert.deepEqual(agreed('place-seen', { ...place, pressureText: 'high', pressurePsi: 80 }), {
      ...place,
      pressureText: 'high',
      pressurePsi: null,
    });
    const end = { side: 'from', end: 'comp-3/8-m', how: 'seen', outlet: { runId: 'r', part: 'p', end: 'b' } };
    assert.deepEqual(agreed('end-seen', { ...end, how: 'told' }, end), { ...end, how: 'told' });
    assert.deepEqual(agreed('end-seen', { ...end, end: 'comp-1/4-m' }, end), { side: 'from', end: 'comp-1/4-m', how: 'seen' });
  });
});

describe('what cannot be kept', () => {
  const cases: [string, object, string][] = [
    ['a NUL in a text', { kind: 'noted', body: { text: 'a\0b' } }, 'body.text'],
    ['half of a pair', { kind: 'noted', body: { text: 'a\ud800' } }, 'body.text'],
    ['a name that is none', { kind: 'noted', body: JSON.parse('{"__proto__":1,"text":"x"}') }, 'body.__proto__'],
    ['a year before all clocks', { seenAt: '0000-01-01T00:00:00Z' }, 'seenAt'],
    ['a day that is none', { seenAt: '2026-02-30T00:00:00Z' }, 'seenAt'],
    ['a number past every counter', { seq: 2 ** 31 }, 'seq'],
    ['a number from nought', { seq: 0 }, 'seq'],
    ['turns without end', { kind: 'joint-made', body: { turns24: 1e308 } }, 'body.turns24'],
    ['an id that is none', { id: 'x' }, 'id'],
    ['an empty reason', { kind: 'listed', body: { on: false, reason: '  ' } }, 'body.reason'],
    ['a field too many', { extra: 1 }, 'extra'],
  ];
  for (const [what, change, field] of cases) {
    it(`${what} is refused, the field named`, () => {
      const read = readSent({ ...raw('noted', { text: 'x' }), ...change });
      assert.ok(!read.ok);
      assert.equal(read.at, field);
      assert.ok(read.why.length > 5);
    });
  }
  it('whatever is sent, it is read or refused in words, and what is read can be kept as text', () => {
    const anything = fc.oneof(
      fc.anything(),
      fc.record({ kind: fc.constantFrom(...kinds.map((k) => k.name)), body: fc.anything() }).map((r) => ({ ...raw('noted', {}), ...r })),
    );
    fc.assert(
      fc.property(anything, (value) => {
        const read = readSent(value);
        if (read.ok) assert.equal(unstorable(read.entry), null);
        else assert.ok(read.at.length > 0 || read.why.length > 0);
      }),
      { numRuns: 1500, seed: 5 },
    );
  });
  it('ids are kept as the database gives them back', () => {
    const read = readSent({ ...raw('noted', { text: 'x' }), id: ids.id.toUpperCase() });
    assert.ok(read.ok && read.entry.id === ids.id);
  });
});

describe('older entries and rules', () => {
  it('an acceptance with the rules of an older house has the others as usual', () => {
    const older = entry('chain-accepted', { rules: { push: 'never', ferrule: 'with luck' } });
    const { rules } = (upcast(older) as unknown as { body: { rules: typeof defaultRules } }).body;
    // It was begun when its proof was the figure alone, and goes on so.
    assert.deepEqual(rules, { ...defaultRules, push: 'never', proof: 'strict' });
  });
  it('rules that have everything stay as they are', () => {
    const own = { ...defaultRules, push: 'never' as const, recheckHours: 48, weights: { ...defaultRules.weights, tripDollars: 9 } };
    assert.deepEqual(upcastRules(own), own);
    assert.deepEqual(upcastRules(null), defaultRules);
  });
});

describe('the order of a device', () => {
  const made = (seq: number | undefined, minutes: number, recorded: number | null) => {
    const seen = new Date(Date.parse(at) + minutes * 60_000).toISOString();
    const rec = recorded === null ? null : new Date(Date.parse(at) + recorded * 60_000).toISOString();
    return {
      ...entry('noted', { text: String(seq) }),
      id: uuidv7(),
      deviceId: 'phone',
      seq,
      seenAt: seen,
      sentAt: rec === null ? null : seen,
      recordedAt: rec,
    };
  };
  it('is its count, though its clock was set back and its entries came in one go', () => {
    const entries = [made(1, 60, 5), made(2, 0, 5), made(3, 30, 5), made(4, -600, null)];
    assert.deepEqual(
      effective([entries[2]!, entries[3]!, entries[0]!, entries[1]!]).map((e) => e.seq),
      [1, 2, 3, 4],
    );
  });
  it('is the same in whatever order its entries come in', () => {
    const entries = Array.from({ length: 12 }, (_, i) => made(i + 1, (i * 37) % 50, i < 9 ? i : null));
    fc.assert(
      fc.property(fc.shuffledSubarray(entries, { minLength: 12 }), (mixed) => {
        assert.deepEqual(
          effective(mixed).map((e) => e.seq),
          entries.map((e) => e.seq),
        );
      }),
    );
  });
});

describe('what must hold before an entry is taken', () => {
  const [j1, j2, stem, look] = [uuidv7(), uuidv7(), uuidv7(), uuidv7()];
  const device = ids.deviceId;
  const unproven: OpenItem[] = [{ targetId: j2, label: 'J2' }];
  const sign = (...exceptions: object[]) => entry('signed-off', { ...(BODIES['signed-off'] as object), exceptions });
  const signed = { signedOff: { id: 'signed', deviceId: device } };
  const run = (more: Partial<RunNow> = {}): RunNow => ({
    joins: true,
    isProof: () => false,
    isOff: () => null,
    accepted: { id: 'chain', deviceId: device },
    hasAcceptance: () => true,
    jointIds: new Set([j1, j2]),
    hasCheckPoint: (id) => id === stem,
    signedOff: null,
    isAfterSignOff: () => false,
    open: () => [],
    running: () => [],
    unsettled: () => false,
    look: (id) => (id === look ? { targetId: j1, round: 'standing', endedBy: null } : null),
    ...more,
  });
  const refused = (body: object) => validate(entry('need-changed', { because: 'as its sheet says', ...body }), run(), [])?.rule ?? null;
  it('a change of what is asked takes a figure within what the search takes, a rule of the house, or nothing; and no rule left out', () => {
    assert.equal(refused({ id: 'bore', to: 0.2 }), null);
    assert.equal(refused({ id: 'bore', to: 13 }), 'no-such-need');
    assert.equal(refused({ id: 'arrestor', to: null }), null);
    assert.equal(refused({ id: 'arrestor', to: 2 }), 'no-such-need');
    assert.equal(refused({ id: 'push', to: 'never' }), null);
    assert.equal(refused({ id: 'push', to: null }), 'no-such-need');
    assert.equal(refused({ id: 'push', to: 'sometimes' }), 'no-such-need');
    assert.equal(refused({ id: 'bore', to: 0.2, because: 'xxxxxx' }), 'no-reason');
  });
  const cases: [string, Entry, RunNow, string | null][] = [
    ['an empty run is not signed off', sign(), run({ accepted: null }), 'no-chain'],
    ['nor one with a joint not made', sign(), run({ open: () => [{ stage: 'make', label: 'Make' }] }), 'not-made'],
    ['nor one that runs', sign({ stage: 'prove', reason: 'behind the wall' }), run({ running: () => ['J1'] }), 'still-running'],
    ['nor one that is not proven, without a reason', sign(), run({ open: () => unproven }), 'still-open'],
    ['nor with another’s reason', sign({ targetId: j1, reason: 'behind the wall' }), run({ open: () => unproven }), 'still-open'],
    ['with a reason it is', sign({ targetId: j2, reason: 'behind the wall' }), run({ open: () => unproven }), null],
    ['or with one for the stage', sign({ stage: 'prove', reason: 'behind the wall' }), run({ open: () => unproven }), null],
    ['but not with one that says nothing', sign({ targetId: j2, reason: 'x' }), run({ open: () => unproven }), 'no-reason'],
    ['nor while it is not settled what stands', sign(), run({ unsettled: () => true }), 'unsettled'],
    ['a proven one is', sign(), run(), null],
    ['but once', sign(), run(signed), 'already-signed-off'],
    ['twice by devices that knew nothing of each other', sign(), run({ signedOff: { id: 'signed', deviceId: stem } }), null],
    ['a signed-off run is only read', entry('end-seen', BODIES['end-seen']), run(signed), 'signed-off'],
    ['until it is reopened', entry('reopened', BODIES.reopened), run(signed), null],
    ['with a reason', entry('reopened', { reason: 'ok' }), run(signed), 'no-reason'],
    ['one that is open is not reopened', entry('reopened', BODIES.reopened), run(), 'not-signed-off'],
    ['a leak that comes after is reported all the same', entry('callback-reported', BODIES['callback-reported']), run(signed), null],
    ['and looked for again', entry('look-begun', { round: 'next-day', method: 'eye' }, { jointId: j1 }), run(signed), null],
    ['by no other round', entry('look-begun', { round: 'standing', method: 'eye' }, { jointId: j1 }), run(signed), 'signed-off'],
    ['a recheck is closed with a reason', entry('recheck-closed', BODIES['recheck-closed']), run(signed), null],
    ['where there is one', entry('recheck-closed', BODIES['recheck-closed']), run(), 'not-signed-off'],
    ['a stage is skipped with a reason', entry('stage-skipped', BODIES['stage-skipped']), run(), null],
    ['that says something', entry('stage-skipped', { stage: 'shut', reason: 'aaaaaaa' }), run(), 'no-reason'],
    ['a chain is never skipped', entry('stage-skipped', { stage: 'match', reason: 'no time today' }), run(), 'no-such-skip'],
    ['a withdrawal names what it takes back', entry('withdrawn', BODIES.withdrawn), run(), 'takes-back-nothing'],
    ['a joint is one of the run’s', entry('joint-made', { turns24: 3 }, { jointId: uuidv7() }), run(), 'unknown-joint'],
    ['a joint is made, not a run', entry('joint-made', { turns24: 3 }), run(), 'no-joint'],
    ['a joint of the run is made', entry('joint-made', { turns24: 3 }, { jointId: j1 }), run(), null],
    ['a look is at something', entry('look-begun', BODIES['look-begun']), run(), 'unknown-joint'],
    ['a check point is looked at', entry('look-begun', BODIES['look-begun'], { checkPointId: stem }), run(), null],
    ['no joint and check point at once', entry('look-begun', BODIES['look-begun'], { jointId: j1, checkPointId: stem }), run(), 'two-targets'],
    ['a look that was begun is ended', entry('look-ended', { ...(BODIES['look-ended'] as object), begunId: look }, { jointId: j1 }), run(), null],
    ['where it was begun', entry('look-ended', { ...(BODIES['look-ended'] as object), begunId: look }, { jointId: j2 }), run(), 'other-target'],
    ['once', entry('look-ended', { ...(BODIES['look-ended'] as object), begunId: look }, { jointId: j1 }), run({ look: () => ({ targetId: j1, round: 'standing', endedBy: device }) }), 'look-ended'],
    ['twice by devices that knew nothing of each other', entry('look-ended', { ...(BODIES['look-ended'] as object), begunId: look }, { jointId: j1 }), run({ look: () => ({ targetId: j1, round: 'standing', endedBy: stem }) }), null],
    ['a look that was never begun is not', entry('look-ended', BODIES['look-ended'], { jointId: j1 }), run(), 'unknown-entry'],
    ['a gate wants a chain', entry('gate-answered', BODIES['gate-answered']), run({ accepted: null }), 'no-chain'],
    ['an end is seen on any run', entry('end-seen', BODIES['end-seen']), run({ accepted: null }), null],
    ['of the run, not of a joint', entry('end-seen', BODIES['end-seen'], { jointId: j1 }), run(), 'other-target'],
  ]; // biome-ignore format: a table
  for (const [what, e, now, rule] of cases) it(what, () => assert.equal(validate(e, now, [])?.rule ?? null, rule));

  it('a correction names an entry of its kind on this run, once', () => {
    const wrong = entry('noted', { text: 'wrong' }, { id: uuidv7() });
    const right = (more: object = {}) => entry('noted', { text: 'right' }, { id: uuidv7(), correctsId: wrong.id, ...more });
    assert.equal(validate(right(), run(), [wrong]), null);
    assert.equal(validate(right(), run(), [])?.rule, 'unknown-entry');
    assert.equal(validate({ ...entry('end-seen', BODIES['end-seen']), correctsId: wrong.id } as Entry, run(), [wrong])?.rule, 'other-kind');
    assert.equal(validate(right(), run(), [wrong, right()])?.rule, 'corrected-already');
  });
  it('what any kind said is taken back, once; on a signed-off run only what came after', () => {
    const wrong = entry('joint-made', { turns24: 3 }, { id: uuidv7(), jointId: j1 });
    const back = entry('withdrawn', BODIES.withdrawn, { id: uuidv7(), correctsId: wrong.id });
    assert.equal(validate(back, run(), [wrong]), null);
    assert.equal(validate(back, run(), [wrong, { ...back, id: uuidv7() } as Entry])?.rule, 'corrected-already');
    assert.equal(validate(back, run(signed), [wrong])?.rule, 'signed-off');
    assert.equal(validate(back, run({ ...signed, isAfterSignOff: () => true }), [wrong]), null);
  });
  it('is asked of a kind by its name', () => assert.equal(kindOf('noted')?.name, 'noted'));
});
