import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Bodies, Entry, EntryKind } from '../../kinds.ts';
import { toEntry } from '../entry.testing.ts';
import { runNow } from '../run-now.ts';
import { type RunContext, runState } from '../state.ts';
import { acceptedOf, CONTEXT, HOSES } from '../testing.ts';
import { drainIdOf, drainOfId } from './drain-points.ts';

const RUN = '019aa2c4-7a10-7cc3-9c2e-5d0d1d2f4a1c';
const [slip, wax] = [
  { on: 'D1', what: 'trap to wall', seal: 'slip-nut', name: 'slip-joint nut', lookedAt: 'full bowl let go', remedies: ['nudge 1/8', 'new washer'] },
  { on: 'D2', what: 'toilet to flange', seal: 'wax', name: 'wax ring', lookedAt: 'five flushes', remedies: ['new wax'] },
];
const context: RunContext = {
  ...CONTEXT,
  runId: RUN,
  stepData: CONTEXT.stepData.map((t) => (t.id === 'old-off' ? { ...t, drains: [slip!, wax!] } : t)),
};
const entry = <K extends EntryKind>(kind: K, body: Bodies[K], at: number, checkPointId: string | null = null): Entry =>
  ({ ...toEntry(kind, body, at), runId: RUN, checkPointId }) as Entry;
const accepted = entry('chain-accepted', { ...acceptedOf(HOSES[0]!, null), cardVersion: 4 }, 1);
const dead = [
  entry('step-done', { stepId: 'shut-stop', done: true }, 2),
  entry('gate-answered', { stepId: 'shut-dead', answer: 'yes', note: '' }, 2),
];
const made = [...dead, entry('step-done', { stepId: 'old-off', done: true }, 3)];
const D2 = drainIdOf(RUN, 'D2');
const look = (at: number, finding: Bodies['look-ended']['finding'], id = D2): Entry[] => [
  { ...entry('look-begun', { round: 'working', method: 'eye' }, at, id), id: `look ${at}` } as Entry,
  entry('look-ended', { begunId: `look ${at}`, finding, drops: null, elapsedS: 60 }, at + 1, id),
];
const drainsOf = (entries: Entry[], of = context) => runState(of, entries).checkPoints.filter((c) => c.drain);

describe('the identity of a drain joint', () => {
  it('follows from the run and its number, for each its own, and back again', () => {
    const ids = ['D1', 'D2', 'D3', 'D9'].map((on) => drainIdOf(RUN, on));
    assert.equal(new Set([RUN, ...ids]).size, 5);
    assert.deepEqual(
      ids.map((id) => drainOfId(RUN, id)),
      ['D1', 'D2', 'D3', 'D9'],
    );
    for (const id of ids) assert.match(id, /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/);
  });

  it('is none of the run itself, its stem, or another run', () => {
    assert.deepEqual(
      [RUN, `${RUN.slice(0, -1)}d`, drainIdOf(`${RUN.slice(0, -4)}ffff`, 'D1')].map((id) => drainOfId(RUN, id)),
      [null, null, null],
    );
  });
});

describe('the joints of the drain', () => {
  it('are looked at by themselves on cards of now, and named in the working look alone on those before', () => {
    assert.deepEqual(
      drainsOf([accepted]).map((c) => c.label),
      ['D1', 'D2'],
    );
    assert.deepEqual(drainsOf([entry('chain-accepted', { ...acceptedOf(HOSES[0]!, null), cardVersion: 3 }, 1)]), []);
  });

  it('of an appliance with two runs are looked at with the cold one', () => {
    const both = { ...context, appliance: { ...context.appliance, water: ['cold', 'hot'] as ('cold' | 'hot')[] } };
    assert.equal(drainsOf([accepted], both).length, 2);
    assert.equal(drainsOf([accepted], { ...both, water: 'hot' }).length, 0);
    assert.equal(drainsOf([accepted], { ...context, water: 'hot', appliance: { ...context.appliance, water: ['hot'] } }).length, 2, 'hot alone');
  });

  it('are proven by staying dry while they work, once they are made, and by no bound', () => {
    const proven = (entries: Entry[]) => drainsOf([accepted, ...entries]).map((c) => c.proven);
    assert.deepEqual(proven(look(5, 'dry')), [false, false], 'not made yet');
    assert.deepEqual(proven([...made, ...look(5, 'dry')]), [false, true]);
    assert.equal(drainsOf([accepted, ...made, ...look(5, 'dry')])[1]!.mlPerDay, null);
    assert.deepEqual(proven([...made, ...look(5, 'normal')]), [false, false], 'a normal discharge says nothing');
  });

  it('that weep are put right by their own ladder, and looked at anew', () => {
    const wet = [...made, ...look(5, 'damp')];
    assert.equal(drainsOf([accepted, ...wet])[1]!.finding, 'damp');
    const nudged = [...wet, entry('remedied', { action: 'nudge', turns24: 3, movedJointIds: [] }, 8, D2)];
    const [, after] = drainsOf([accepted, ...nudged]);
    assert.deepEqual([after!.finding, after!.proven, after!.drain!.tried], [null, false, 1]);
    assert.equal(drainsOf([accepted, ...nudged, ...look(10, 'dry')])[1]!.proven, true);
  });

  it('keep a run open until they are looked at', () => {
    const labels = runState(context, [accepted, ...made]).open.flatMap((o) => ('targetId' in o ? [o.label] : []));
    assert.ok(labels.includes('D1') && labels.includes('D2'), labels.join());
  });

  it('are taken by their id where the card has them, whatever the server keeps of them, and refused where it has none', () => {
    const now = (checkPoints: RunContext['checkPoints'], of: RunContext = context) =>
      runNow({ id: RUN, work: 'toilet-line', checkPoints }, [accepted], () => ({ ...of, checkPoints }));
    const kept = { id: D2, kind: 'drain' as const, name: 'D2' };
    assert.deepEqual([now([]).hasCheckPoint(D2), now([kept]).hasCheckPoint(D2)], [true, true]);
    assert.equal(now([kept], { ...context, stepData: CONTEXT.stepData }).hasCheckPoint(D2), false, 'a card without a drain');
    assert.equal(now([]).hasCheckPoint(drainIdOf(RUN, 'D7')), false);
    const twice = runState({ ...context, checkPoints: [...context.checkPoints, kept] }, [accepted]).checkPoints;
    assert.equal(twice.filter((c) => c.id === D2).length, 1, 'what the server keeps is not shown twice');
  });
});
