import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { stateOf } from '../book/fold.ts';
import type { Entry } from '../kinds.ts';
import { runState } from '../run/state.ts';
import { acceptedOf, CONTEXT, HOSES } from '../run/testing.ts';
import { UNTOUCHED } from '../run/told/summary.ts';
import type { Shop } from '../shop/state.ts';
import type { DayRun } from './day-run.ts';
import { cameTo, estimateOf } from './estimate.ts';
import type { ReadRun, VisitHead } from './sheet.ts';

const T0 = Date.parse('2026-03-10T08:00:00Z');
const SHOP: Shop = { ...stateOf('shop', 's', [])!, minuteCents: 150, calloutCents: 4500, taxPercent: 8.25 };
const visit = (more: Partial<VisitHead> = {}): VisitHead => ({
  id: 'v',
  title: 'Toilet',
  onDate: '2026-03-10',
  startsAt: '08:00',
  minutes: null,
  note: null,
  vanId: null,
  cancelled: null,
  arrivedMs: null,
  leftMs: null,
  premises: { id: 'p', name: 'P', timeZone: 'UTC', address: null },
  ...more,
});
const RUN = {
  id: 'run',
  name: 'Toilet',
  water: 'cold' as const,
  applianceKind: 'toilet',
  applianceName: 'Toilet',
  place: 'Bath',
  checkPoints: [],
  work: 'toilet-line' as const,
  told: [],
  recheckOf: null,
  removed: null,
};
const dayRun: DayRun = {
  id: 'run',
  name: 'Toilet',
  appliance: 'Toilet',
  place: 'Bath',
  work: 'toilet-line',
  water: 'cold',
  isBegun: false,
  summary: UNTOUCHED,
};

let n = 0;
function entry(kind: string, body: object, more: object = {}): Entry {
  n += 1;
  const at = new Date(T0 + n * 60_000).toISOString();
  return {
    id: `e${n}`,
    visitId: 'v',
    runId: 'run',
    jointId: null,
    checkPointId: null,
    correctsId: null,
    deviceId: 'phone',
    seq: n,
    seenAt: at,
    sentAt: at,
    recordedAt: at,
    kind,
    body,
    ...more,
  } as Entry;
}
const readOf = (entries: Entry[]): ReadRun => ({ run: RUN, state: runState(CONTEXT, entries), unreadable: null });
const accepted = () => entry('chain-accepted', acceptedOf(HOSES[0]!, null));
const skip = () => entry('stage-skipped', { stage: 'shut', reason: 'the water was off' });

describe('an estimate', () => {
  it('adds coming, the parts of the chain and the minutes, slow ones beside, and the tax on all of it', () => {
    const cost = estimateOf({ visit: visit(), runs: [dayRun] }, [readOf([accepted()])], SHOP);
    const [coming, parts, work, tax] = cost.rows;
    assert.deepEqual([coming!.cents, parts!.cents], [4500, 700]);
    assert.deepEqual([work!.cents, work!.slowCents], [40 * 150, 70 * 150]);
    assert.equal(tax!.cents, Math.round((4500 + 700 + 6000) * 0.0825));
    assert.equal(cost.cents, 11_200 + 924);
    assert.equal(cost.slowCents, 15_700 + 1295);
    assert.deepEqual([cost.unsaid, cost.withoutParts], [[], []]);
  });

  it('says what the shop never said, and for which runs no parts are counted', () => {
    const bare = stateOf('shop', 's', [])!;
    const cost = estimateOf({ visit: visit(), runs: [dayRun] }, [readOf([entry('noted', { text: 'looked' })])], bare);
    assert.deepEqual([cost.rows, cost.cents], [[], 0]);
    assert.deepEqual([cost.unsaid, cost.withoutParts], [['minutes', 'tax'], ['Toilet']]);
  });

  it('goes by the minutes that were planned, where somebody said them', () => {
    const cost = estimateOf({ visit: visit({ minutes: 120 }), runs: [dayRun] }, [], SHOP);
    assert.deepEqual(cost.rows.find((r) => r.what === 'Work')?.cents, 120 * 150);
  });
});

describe('what it came to', () => {
  const went = visit({ arrivedMs: T0, leftMs: T0 + 47 * 60_000 });
  it('is not known before one has left', () => {
    assert.equal(cameTo(visit({ arrivedMs: T0 }), [], SHOP), null);
    assert.equal(cameTo(visit({ arrivedMs: T0, leftMs: T0 - 1 }), [], SHOP), null);
  });

  it('counts the minutes that it took and the parts whose joints were made: all of them, the price of the chain', () => {
    const made = (jointId: string) => entry('joint-made', { turns24: 12 }, { jointId });
    const log = [accepted(), skip(), made('j1'), made('j2')];
    const whole = cameTo(went, [readOf(log)], SHOP)!;
    assert.equal(whole.minutes, 47);
    assert.equal(whole.rows.find((r) => r.what === 'Toilet: parts used')?.cents, 700);
    const none = cameTo(went, [readOf([accepted(), skip()])], SHOP)!;
    assert.equal(
      none.rows.some((r) => r.what.includes('parts')),
      false,
    );
    // Taken back, the joint gives its part back.
    const back = log
      .filter((e) => e.kind === 'joint-made')
      .map((e) => entry('withdrawn', { reason: 'pressed by mistake' }, { correctsId: e.id, jointId: e.jointId }));
    assert.equal(cameTo(went, [readOf([...log, ...back])], SHOP)!.cents, none.cents);
  });
});
