import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { doorMlPerDay } from '../../../core/index.ts';
import { effective, resolved } from '../../effective.ts';
import { happenedAt } from '../../entry.ts';
import type { Entry } from '../../kinds.ts';
import { livesOf } from './joint-life.ts';
import type { JointPlace } from './joint-place.ts';
import { proofOf } from './proof.ts';
import { minutesWatched } from './watched.ts';

const T0 = Date.parse('2026-03-10T08:00:00Z');
let made = 0;

/** An entry `minutes` after the start, recorded at once by a device whose clock is right unless said otherwise. */
function entry(minutes: number, kind: string, body: object, more: Partial<Entry> = {}): Entry {
  const at = new Date(T0 + minutes * 60_000).toISOString();
  const id = `e${String(++made).padStart(4, '0')}`;
  const base = {
    id,
    visitId: 'v',
    runId: 'r',
    jointId: 'J',
    checkPointId: null,
    correctsId: null,
    deviceId: 'phone',
    seenAt: at,
    sentAt: at,
    recordedAt: at,
  };
  return { ...base, kind, body, ...more } as Entry;
}

function look(minutes: number, length: number, round: string, finding = 'dry', jointId = 'J'): Entry[] {
  const begun = entry(minutes, 'look-begun', { round, method: 'tissue' }, { jointId });
  return [begun, entry(minutes + length, 'look-ended', { begunId: begun.id, finding, drops: null, elapsedS: length * 60 }, { jointId })];
}

const at = (...ends: [string, string]): JointPlace => ({ ends, parts: [null, null], signature: ends.join() });
const PLACES = new Map([
  ['J', at('from', 'hose a')],
  ['K', at('hose b', 'to')],
]);
const STRICT = { rule: 'strict', doorMlPerDay: 10 } as const;
const lifeOf = (log: Entry[]) => livesOf(resolved(log), PLACES, [], 0).get('J')!;
const proof = (log: Entry[], rounds = ['before', 'standing'], hiddenMl = 0) => proofOf(lifeOf(log), rounds as never, STRICT, hiddenMl);
const byRule = (log: Entry[], proof: 'day' | 'strict' | 'next day', hiddenMl = 0.3) =>
  proofOf(lifeOf(log), ['before', 'standing', 'working'], { rule: proof, doorMlPerDay: doorMlPerDay({ proof, targetMlPerDay: 10 }) }, hiddenMl);

describe('proof of a joint', () => {
  const joint = entry(0, 'joint-made', { turns24: 12 });

  it('is proven when every round is dry and the bound is within the target', () => {
    const p = proof([joint, ...look(1, 1, 'before'), ...look(3, 8, 'standing')]);
    assert.equal(p.proven, true);
    assert.ok(p.mlPerDay !== null && p.mlPerDay < 10);
  });
  it('is not proven by a short look: two minutes prove nothing yet', () => {
    const p = proof([joint, ...look(1, 1, 'before'), ...look(3, 2, 'standing')]);
    assert.deepEqual([p.proven, p.mlPerDay], [false, null]);
  });
  it('pools dry looks of one round', () => {
    const p = proof([joint, ...look(1, 1, 'before'), ...look(3, 5, 'standing'), ...look(9, 5, 'standing')]);
    assert.equal(p.proven, true);
  });
  it('gains nothing from a round without pressure', () => assert.equal(proof([joint, ...look(1, 60, 'before')]).mlPerDay, null));
  it('loses all earlier looks to a finding, which stands until a remedy', () => {
    const damp = [joint, ...look(1, 1, 'before'), ...look(3, 8, 'standing', 'damp')];
    assert.deepEqual([proof(damp).finding, proof(damp).proven, proof(damp).byRound.before], ['damp', false, undefined]);
    const nudged = [...damp, entry(20, 'remedied', { action: 'nudge', turns24: 3, movedJointIds: [] })];
    assert.equal(proof(nudged).finding, null);
    assert.equal(proof(nudged).proven, false);
  });
  it('goes back through the rounds when a remedy elsewhere moved it', () => {
    const dry = [joint, ...look(1, 1, 'before'), ...look(3, 8, 'standing')];
    const elsewhere = (movedJointIds: string[]) => entry(30, 'remedied', { action: 'nudge', turns24: 3, movedJointIds }, { jointId: 'K' });
    assert.equal(proof([...dry, elsewhere([])]).proven, true);
    assert.equal(proof([...dry, elsewhere(['J'])]).proven, false);
  });
  it('hears nothing of the joint from a normal discharge: it neither proves nor voids', () => {
    const dry = [joint, ...look(1, 1, 'before'), ...look(3, 8, 'standing')];
    assert.equal(proof([joint, ...look(1, 1, 'before'), ...look(3, 8, 'standing', 'normal')]).proven, false);
    assert.deepEqual(proof([...dry, ...look(20, 5, 'standing', 'normal')]), proof(dry));
  });
  it('counts what can hide in the nut before a drop shows: eight minutes prove little, fifty are enough', () => {
    const after = (minutes: number) => proof([joint, ...look(1, 1, 'before'), ...look(3, minutes, 'standing')], undefined, 0.3);
    assert.equal(after(8).proven, false);
    assert.ok(Math.abs(after(8).mlPerDay! - ((0.3 - Math.log(0.05) * 0.01) * 1440) / 6) < 1e-9);
    assert.equal(after(50).proven, true);
  });
  it('for the day is 50 mL at the door, the looks of the standing and the working round taken together', () => {
    const at = (standing: number, working: number) =>
      byRule([joint, ...look(1, 1, 'before'), ...look(3, standing, 'standing'), ...look(60, working, 'working')], 'day');
    // (0.3 + 3.0 x 0.01) mL at 50 mL a day: 9.5 min past the delay, in one look.
    assert.deepEqual([at(11.4, 1).proven, at(11.6, 1).proven], [false, true]);
    // Two looks each fill the nut anew: q (t1 + t2) = 0.6 + 0.03 mL.
    const [short, enough] = [at(11, 10.9), at(11, 11.4)];
    assert.equal(short.proven, false);
    assert.equal(enough.proven, true);
    assert.ok(enough.mlPerDay! < 50 && enough.mlPerDay! < Math.min(enough.byRound.standing!.mlPerDay!, enough.byRound.working!.mlPerDay!));
    const half = byRule([joint, ...look(1, 1, 'before'), ...look(3, 30, 'standing')], 'day');
    assert.equal(half.proven, false, 'the working round is not seen');
  });
  it('strictly is the house’s own figure in one round; by the next day it is seen dry through every round, however shortly', () => {
    const log = (minutes: number) => [joint, ...look(1, 1, 'before'), ...look(3, minutes, 'standing'), ...look(70, 1, 'working')];
    assert.deepEqual([byRule(log(15), 'strict').proven, byRule(log(50), 'strict').proven], [false, true]);
    assert.deepEqual([byRule(log(1), 'next day').proven, byRule(log(1), 'next day').mlPerDay], [true, null]);
    assert.equal(byRule(log(1).slice(0, -2), 'next day').proven, false, 'a round is not seen');
    const damp = [...log(1).slice(0, -1), { ...log(1).at(-1)!, body: { ...(log(1).at(-1)!.body as object), finding: 'damp' } } as Entry];
    assert.equal(byRule(damp, 'next day').proven, false);
  });
  it('goes on by a tissue left in place while other looks are made, until the joint is touched or the appliance pushed home', () => {
    const tissue = entry(3, 'look-begun', { round: 'standing', method: 'tissue', left: true });
    const read = (minutes: number) => entry(3 + minutes, 'look-ended', { begunId: tissue.id, finding: 'dry', drops: null, elapsedS: minutes * 60 });
    const before = [joint, ...look(1, 1, 'before'), tissue, ...look(10, 1, 'working')];
    assert.equal(proof([...before, read(60)], ['before', 'standing', 'working'], 0.3).proven, true);
    const home = look(30, 1, 'put-back', 'dry', 'K');
    const other = entry(0, 'joint-made', { turns24: 3 }, { jointId: 'K' });
    assert.equal(lifeOf([other, ...before]).open.length, 1);
    assert.equal(lifeOf([other, ...before, ...home]).open.length, 0);
    assert.equal(proof([other, ...before, ...home, read(60)], ['before', 'standing'], 0.3).byRound.standing, undefined);
    // Laid after the push they all stay, however many, and through another look of that round.
    const after = ['J', 'K'].map((jointId, i) => entry(31 + i, 'look-begun', { round: 'put-back', method: 'tissue', left: true }, { jointId }));
    assert.equal(lifeOf([other, ...before, ...home, ...after, ...look(40, 1, 'put-back', 'dry', 'K')]).open.length, 1);
  });
});

describe('time', () => {
  it('takes the smaller of clock and stopwatch, and never less than none', () => {
    const [begun, ended] = look(0, 10, 'standing') as [never, never];
    assert.equal(minutesWatched(begun, ended), 10);
    const set = (body: object, seenAt: number) => ({ ...(ended as object), body, seenAt: new Date(T0 + seenAt * 60_000).toISOString() }) as never;
    assert.equal(minutesWatched(begun, set({ elapsedS: 120 }, 600)), 2);
    assert.equal(minutesWatched(begun, set({ elapsedS: null }, -5)), 0);
  });
  it('puts right what a device with a wrong clock saw', () => {
    const fast = entry(300, 'noted', { text: 'x' }, { recordedAt: new Date(T0).toISOString() });
    assert.equal(happenedAt(fast), T0);
  });
  it("keeps one device's order though its clock jumped, merges devices by the time put right, puts a correction where what it corrects stood", () => {
    const a = entry(0, 'noted', { text: 'a' });
    const jumped = entry(
      1,
      'noted',
      { text: 'b' },
      { sentAt: new Date(T0 + 30 * 60_000).toISOString(), recordedAt: new Date(T0 + 60_000).toISOString() },
    );
    const other = entry(0.5, 'noted', { text: 'c' }, { deviceId: 'tablet' });
    const fixed = entry(2, 'noted', { text: 'd' }, { correctsId: a.id });
    const unsent = entry(-60, 'noted', { text: 'e' }, { sentAt: null, recordedAt: null });
    const texts = effective([unsent, fixed, other, jumped, a]).map((e) => (e.body as { text: string }).text);
    assert.deepEqual(texts, ['d', 'b', 'c', 'e']);
  });
});
