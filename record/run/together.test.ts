import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import type { Entry } from '../kinds.ts';
import { historyOf, togetherOf } from './history.ts';
import { lineSeen } from './kinds/line-seen.ts';
import { placeSeen } from './kinds/place-seen.ts';
import { placeOf } from './seen/place.ts';

const at = (minute: number) => new Date(Date.UTC(2026, 4, 20, 9, minute)).toISOString();

/** An entry of a device, a minute after the one before it. */
function entry(n: number, deviceId: string, kind: string, body: object, correctsId: string | null = null): Entry {
  const seen = at(n);
  const base = {
    id: `e${n}`,
    visitId: 'visit',
    runId: 'run',
    jointId: null,
    checkPointId: null,
    deviceId,
    seenAt: seen,
    sentAt: seen,
    recordedAt: seen,
  };
  return { ...base, correctsId, kind, body } as unknown as Entry;
}

const said = fc.record(
  {
    arrestor: fc.boolean(),
    ownStop: fc.boolean(),
    afterOsmosis: fc.boolean(),
    pressurePsi: fc.option(fc.integer({ min: 20, max: 120 }), { nil: null }),
  },
  { requiredKeys: [] },
);

describe('what is seen by field', () => {
  it('is of each field what was said last of it, whoever said it and however much at once', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(said, fc.constantFrom('phone', 'tablet')), { maxLength: 12 }), (all) => {
        const entries = all.map(([body, device], n) => entry(n, device, 'place-seen', body));
        const expected: Record<string, unknown> = {};
        for (const [body] of all) {
          for (const [field, value] of Object.entries(body)) {
            if (value === null) delete expected[field];
            else expected[field] = value;
          }
        }
        const history = historyOf(entries, 'run');
        assert.deepEqual(togetherOf(history, placeSeen), all.length === 0 ? null : expected);
        assert.deepEqual(placeOf(history), { hidden: false, ownStop: false, arrestor: false, ...expected });
      }),
    );
  });

  it('is, with some of it taken back, as if that had never been said', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(said, fc.boolean()), { minLength: 1, maxLength: 10 }), (all) => {
        const entries = all.map(([body], n) => entry(n, 'phone', 'place-seen', body));
        const back = all.flatMap(([, isBack], n) => (isBack ? [entry(100 + n, 'phone', 'withdrawn', { reason: 'slipped' }, `e${n}`)] : []));
        const kept = entries.filter((_, n) => !all[n]![1]);
        const never = togetherOf(historyOf(kept, 'run'), placeSeen);
        assert.deepEqual(togetherOf(historyOf([...entries, ...back], 'run'), placeSeen), never);
      }),
    );
  });

  it('keeps a correction at the place of what it corrects: what was said later of a field stands', () => {
    const entries = [
      entry(0, 'phone', 'line-seen', { line: 'rubber', ageYears: 4 }),
      entry(1, 'tablet', 'line-seen', { ageYears: 12 }),
      entry(2, 'phone', 'line-seen', { line: 'braided', ageYears: 5 }, 'e0'),
    ];
    assert.deepEqual(togetherOf(historyOf(entries, 'run'), lineSeen), { line: 'braided', ageYears: 12 });
  });

  it('says of nothing that nobody looked, and of an emptied field that it is not known', () => {
    assert.equal(togetherOf(historyOf([], 'run'), lineSeen), null);
    const emptied = [entry(0, 'phone', 'line-seen', { ageYears: 4 }), entry(1, 'phone', 'line-seen', { ageYears: null })];
    assert.deepEqual(togetherOf(historyOf(emptied, 'run'), lineSeen), {});
  });
});
