import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Bodies, Entry, EntryKind } from '../kinds.ts';
import { acceptances, historyOf } from './history.ts';
import { jointIdsFor } from './joints/joint-place.ts';
import type { AcceptedChain } from './kinds/chain-accepted.ts';
import { type RunContext, runState } from './state.ts';
import { acceptedOf, CONTEXT, HOSES } from './testing.ts';

/** A device that writes entries one after another, a minute apart. */
class Device {
  readonly entries: Entry[] = [];
  private clock = Date.UTC(2026, 2, 10, 9);
  constructor(private readonly id: string) {}
  write<K extends EntryKind>(
    kind: K,
    body: Bodies[K],
    target: { jointId?: string; checkPointId?: string; correctsId?: string } = {},
    minutes = 1,
  ): string {
    this.clock += minutes * 60_000;
    const at = new Date(this.clock).toISOString();
    const id = `${this.id}-${String(this.entries.length).padStart(3, '0')}`;
    const ids = { jointId: target.jointId ?? null, checkPointId: target.checkPointId ?? null, correctsId: target.correctsId ?? null };
    this.entries.push({ id, visitId: 'visit', runId: 'run', ...ids, deviceId: this.id, seenAt: at, sentAt: at, recordedAt: at, kind, body } as Entry);
    return id;
  }
  look(round: Bodies['look-begun']['round'], minutes: number, finding: 'dry' | 'damp' | 'normal' = 'dry', only?: string): void {
    const targets = [{ jointId: 'j1' }, { jointId: 'j2' }, { checkPointId: 'stem' }].filter(
      (t) => only === undefined || Object.values(t).includes(only),
    );
    const begun = targets.map((t) => this.write('look-begun', { round, method: 'tissue' }, t, 0));
    targets.forEach((t, i) => {
      this.write('look-ended', { begunId: begun[i]!, finding, drops: null, elapsedS: minutes * 60 }, t, i === 0 ? minutes : 0);
    });
  }
}

const accepted = (replacesId: string | null = null): AcceptedChain => acceptedOf(HOSES[0]!, replacesId);
/** The same ends by a longer hose. */
const acceptedOther = (): AcceptedChain => acceptedOf(HOSES[1]!, null);

function looked(): Device {
  const d = new Device('phone');
  d.write('end-seen', { side: 'from', end: 'comp-3/8-m', how: 'seen' });
  d.write('end-seen', { side: 'to', end: 'bc-7/8-m', how: 'seen' });
  d.write('stop-tried', { kind: 'quarter-turn', condition: 'works' });
  return d;
}

function made(): Device {
  const d = looked();
  d.write('chain-accepted', accepted());
  d.write('step-done', { stepId: 'shut-stop', done: true });
  d.write('gate-answered', { stepId: 'shut-dead', answer: 'yes', note: '' });
  d.write('step-done', { stepId: 'old-off', done: true });
  d.write('joint-made', { turns24: 12 }, { jointId: 'j1' });
  d.write('joint-made', { turns24: 0 }, { jointId: 'j2' });
  d.write('step-done', { stepId: 'only-flexible', done: true });
  return d;
}

const state = (d: Device, more: Partial<RunContext> = {}) => runState({ ...CONTEXT, ...more }, d.entries);

describe('the stage of a run', () => {
  it('begins at look, and wants both ends and the stop', () => {
    const d = new Device('phone');
    assert.equal(state(d).stage, 'look');
    d.write('end-seen', { side: 'from', end: 'comp-3/8-m', how: 'seen' });
    d.write('end-seen', { side: 'to', end: 'bc-7/8-m', how: 'seen' });
    assert.equal(state(d).stage, 'look');
    d.write('stop-tried', { kind: 'none', condition: 'unknown' });
    assert.equal(state(d).stage, 'match');
  });
  it('goes on to shut when a chain is accepted, to make when the gate is passed', () => {
    const d = looked();
    d.write('chain-accepted', accepted());
    assert.equal(state(d).stage, 'shut');
    d.write('step-done', { stepId: 'shut-stop', done: true });
    d.write('gate-answered', { stepId: 'shut-dead', answer: 'no', note: '' });
    assert.equal(state(d).stage, 'shut');
    d.write('gate-answered', { stepId: 'shut-dead', answer: 'yes', note: '' });
    assert.equal(state(d).stage, 'make');
  });
  it('goes on to prove when every joint is made, to log when all is proven, and ends signed off', () => {
    const d = made();
    assert.equal(state(d).stage, 'prove');
    d.look('before', 1);
    d.look('crack', 1);
    d.look('standing', 12);
    assert.equal(state(d).stage, 'prove');
    d.look('working', 5);
    assert.equal(state(d).stage, 'log');
    d.write('signed-off', { targetMlPerDay: 10, recheckHours: 24, exceptions: [] });
    assert.equal(state(d).stage, null);
    assert.equal(state(d).recheck, 'due');
    d.look('next-day', 20);
    assert.equal(state(d).recheck, 'due', 'the looks so far come to more than 10 mL a day');
    d.look('next-day', 60);
    assert.equal(state(d).recheck, 'dry');
  });
});

describe('a chain that is changed', () => {
  const other = (d: Device, replacesId: string | null, like: AcceptedChain) =>
    d.write('chain-accepted', {
      ...like,
      replacesId,
      jointIds: jointIdsFor(
        like.chain,
        acceptances(historyOf(d.entries, 'run')).map((e) => e.body),
        () => `k${d.entries.length}-${Math.random()}`,
      ),
    });
  it('keeps the joints that stay, with their turns and looks', () => {
    const d = made();
    d.look('standing', 9);
    other(d, d.entries.find((e) => e.kind === 'chain-accepted')!.id, accepted());
    assert.deepEqual(
      state(d).joints.map((j) => [j.id, j.made, j.turns24]),
      [
        ['j1', true, 12],
        ['j2', true, 0],
      ],
    );
    assert.ok(state(d).joints.every((j) => j.byRound.standing?.state === 'dry'));
  });
  it('opens the joints whose ends go to others, and has them back when nothing was made meanwhile', () => {
    const d = made();
    const first = d.entries.find((e) => e.kind === 'chain-accepted')!.id;
    const second = other(d, first, acceptedOther());
    assert.ok(state(d).joints.every((j) => !j.made && j.id !== 'j1'));
    // The water is still proved dead; the rest of the card is another's.
    assert.deepEqual([state(d).stages.shut.state, state(d).stages.make.state], ['done', 'open']);
    const third = other(d, second, accepted());
    assert.deepEqual([state(d).joints.map((j) => j.id), state(d).stages.make.state], [['j1', 'j2'], 'done']);
    const fourth = other(d, third, acceptedOther());
    d.write('joint-made', { turns24: 10 }, { jointId: state(d).joints[0]!.id });
    other(d, fourth, accepted());
    // The stop's outlet had another joint meanwhile: J1 was taken apart for it; J2 was not.
    assert.deepEqual(
      state(d).joints.map((j) => j.made),
      [false, true],
    );
  });
  it('has a proven chain back as it was: its water, its work and its looks', () => {
    const d = made();
    d.look('standing', 52);
    const second = other(d, d.entries.find((e) => e.kind === 'chain-accepted')!.id, acceptedOther());
    const third = other(d, second, accepted());
    assert.deepEqual([state(d).stages.shut.state, state(d).stages.make.state], ['done', 'done']);
    assert.ok(state(d).joints.every((j) => j.byRound.standing?.state === 'dry'));
    // Taken apart for the other in between, there is something to open: the water is proved dead anew.
    const fourth = other(d, third, acceptedOther());
    d.write('joint-made', { turns24: 10 }, { jointId: state(d).joints[0]!.id });
    other(d, fourth, accepted());
    assert.equal(state(d).stages.shut.state, 'open');
  });
  it('wants the water proved dead anew once it stood under pressure', () => {
    const d = made();
    d.look('standing', 9);
    other(d, d.entries.find((e) => e.kind === 'chain-accepted')!.id, acceptedOther());
    assert.equal(state(d).stages.shut.state, 'open');
  });
  it('taken back, it leaves the one before it, and what was done for it counts no more', () => {
    const d = made();
    const second = other(d, d.entries.find((e) => e.kind === 'chain-accepted')!.id, acceptedOther());
    d.write('withdrawn', { reason: 'the wrong hose' }, { correctsId: second });
    assert.deepEqual(
      state(d).joints.map((j) => [j.id, j.made]),
      [
        ['j1', true],
        ['j2', true],
      ],
    );
    assert.deepEqual(state(d).conflicts, []);
  });
});

describe('what is known of a run', () => {
  it('takes a correction in place of what it corrects', () => {
    const d = looked();
    const wrong = d.entries[0]!;
    d.write('end-seen', { side: 'from', end: 'comp-1/4-m', how: 'measured' }, { correctsId: wrong.id });
    assert.equal(state(d).from?.end, 'comp-1/4-m');
    assert.equal(state(d).entryCount, d.entries.length - 1);
  });
  it('forgets an end that was taken back', () => {
    const d = looked();
    d.write('end-seen', { side: 'rejoin', end: 'comp-3/8-f', how: 'seen' });
    assert.equal(state(d).rejoin?.end, 'comp-3/8-f');
    d.write('end-seen', { side: 'rejoin', end: null, how: 'seen' });
    assert.equal(state(d).rejoin, null);
  });
  it('keeps what was seen of a tube to that tube, not to another read since', () => {
    const d = looked();
    d.write('end-seen', { side: 'from', end: 'cu-5/8od', how: 'seen' });
    d.write('stub-seen', { side: 'from', finish: 'chromed', text: '2', inches: 2 });
    const chromed = { from: { finish: 'chromed', lengthIn: 2 } };
    assert.deepEqual(state(d).stubs, chromed);
    d.write('end-seen', { side: 'to', end: 'comp-3/8-m', how: 'seen' });
    assert.deepEqual(state(d).stubs, chromed);
    d.write('end-seen', { side: 'from', end: 'pex-5/8od', how: 'seen' });
    assert.deepEqual(state(d).stubs, {});
    d.write('end-seen', { side: 'from', end: 'cu-5/8od', how: 'seen' });
    assert.deepEqual(state(d).stubs, chromed);
  });
  it('counts turns and nudges of a joint, from when it was made last', () => {
    const d = made();
    d.look('standing', 4, 'damp', 'j1');
    d.write('remedied', { action: 'nudge', turns24: 3, movedJointIds: [] }, { jointId: 'j1' });
    assert.deepEqual([state(d).joints[0]?.turns24, state(d).joints[0]?.nudges], [15, 1]);
    d.write('joint-made', { turns24: 10 }, { jointId: 'j1' });
    assert.deepEqual([state(d).joints[0]?.turns24, state(d).joints[0]?.nudges], [10, 0]);
  });
  it('keeps the steps of a part as it was accepted, when the catalogue knows it no more', () => {
    const d = looked();
    d.write('chain-accepted', accepted());
    assert.ok(state(d, { parts: [] }).card.some((s) => s.id === 'only-flexible'));
  });
  it('lists looks that are still running', () => {
    const d = made();
    d.write('look-begun', { round: 'before', method: 'eye' }, { jointId: 'j1' });
    assert.deepEqual(
      state(d).openLooks.map((l) => l.jointId),
      ['j1'],
    );
  });
});

describe('proof of a run', () => {
  it('a finding stands until a remedy, and voids what was dry before', () => {
    const d = made();
    d.look('standing', 9);
    d.look('working', 4, 'damp', 'j2');
    const j2 = () => state(d).joints[1]!;
    assert.deepEqual([j2().finding, j2().mlPerDay], ['damp', null]);
    assert.ok(state(d).joints[0]!.mlPerDay !== null);
    d.write('remedied', { action: 'nudge', turns24: 3, movedJointIds: ['j1'] }, { jointId: 'j2' });
    assert.equal(j2().finding, null);
    assert.deepEqual(state(d).joints[0]!.byRound, {});
  });
  it('a normal discharge is no finding', () => {
    const d = made();
    d.look('standing', 9, 'normal');
    assert.equal(state(d).joints[0]!.finding, null);
  });
  it('looks before pressure bound nothing', () => {
    const d = made();
    d.look('before', 60);
    d.look('crack', 60);
    assert.equal(state(d).joints[0]!.mlPerDay, null);
  });
  it('two minutes under pressure prove nothing yet, ten prove 59 mL a day with a tissue at a washer: its nut hides 0.3 mL', () => {
    const d = made();
    d.look('standing', 2);
    assert.equal(state(d).joints[0]!.mlPerDay, null);
    d.look('standing', 10);
    assert.ok(Math.abs(state(d).joints[0]!.mlPerDay! - ((0.3 - Math.log(0.05) * 0.01) * 1440) / 8) < 1e-9);
    // Nothing hides at the stem.
    assert.ok(Math.abs(state(d).checkPoints[0]!.mlPerDay! - (-Math.log(0.05) * 1440 * 0.01) / 8) < 1e-9);
  });
});
