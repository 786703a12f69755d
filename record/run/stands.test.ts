/** Where a run stands: its sentence, what two devices did, what becomes of a sign-off, what is told of each entry. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Bodies, Entry, EntryKind } from '../kinds.ts';
import { recordRows } from '../visit/record-rows.ts';
import type { VisitSheet } from '../visit/sheet.ts';
import { carriedBy, describer, happenings } from '../words.ts';
import { historyOf } from './history.ts';
import { runState } from './state.ts';
import { acceptedOf, CONTEXT, HOSES } from './testing.ts';
import { sentenceOf } from './told/sentence.ts';

const T0 = Date.UTC(2026, 2, 10, 9);

/** A run as several devices record it; `at` in minutes, by clocks that are right, recorded when it is sent. */
class Record {
  readonly entries: Entry[] = [];
  write<K extends EntryKind>(
    at: number,
    kind: K,
    body: Bodies[K],
    more: { device?: string; jointId?: string; checkPointId?: string; correctsId?: string } = {},
  ): string {
    const { device = 'phone', jointId = null, checkPointId = null, correctsId = null } = more;
    const seen = new Date(T0 + at * 60_000).toISOString();
    const id = `${device}-${String(this.entries.length).padStart(3, '0')}`;
    this.entries.push({
      id,
      visitId: 'visit',
      runId: 'run',
      jointId,
      checkPointId,
      correctsId,
      deviceId: device,
      seenAt: seen,
      sentAt: seen,
      recordedAt: seen,
      kind,
      body,
    } as Entry);
    return id;
  }
  /** By another device, sent when the sign-off was on record: its clock is right. */
  late<K extends EntryKind>(at: number, sentAt: number, kind: K, body: Bodies[K]): void {
    this.write(at, kind, body, { device: 'tablet' });
    const sent = new Date(T0 + sentAt * 60_000).toISOString();
    Object.assign(this.entries.at(-1)!, { sentAt: sent, recordedAt: sent });
  }
  look(at: number, minutes: number, finding: 'dry' | 'damp', device = 'phone', round: Bodies['look-begun']['round'] = 'standing'): string {
    const begun = this.write(at, 'look-begun', { round, method: 'tissue' }, { jointId: 'j1', device });
    return this.write(at + minutes, 'look-ended', { begunId: begun, finding, drops: null, elapsedS: minutes * 60 }, { jointId: 'j1', device });
  }
  get state() {
    return runState(CONTEXT, this.entries);
  }
  get sentence() {
    return sentenceOf(this.state);
  }
}

function made(): Record {
  const r = new Record();
  r.write(0, 'end-seen', { side: 'from', end: 'comp-3/8-m', how: 'seen' });
  r.write(0, 'end-seen', { side: 'to', end: 'bc-7/8-m', how: 'seen' });
  r.write(1, 'stop-tried', { kind: 'quarter-turn', condition: 'works' });
  r.write(2, 'chain-accepted', acceptedOf(HOSES[0]!, null));
  r.write(3, 'step-done', { stepId: 'shut-stop', done: true });
  r.write(4, 'gate-answered', { stepId: 'shut-dead', answer: 'yes', note: '' });
  r.write(5, 'step-done', { stepId: 'old-off', done: true });
  r.write(6, 'joint-made', { turns24: 12 }, { jointId: 'j1' });
  r.write(7, 'joint-made', { turns24: 0 }, { jointId: 'j2' });
  r.write(8, 'step-done', { stepId: 'only-flexible', done: true });
  return r;
}

const sign = (r: Record, at: number, device = 'phone') => {
  const exceptions = r.state.open.map((o) => ({
    ...('stage' in o ? { stage: o.stage } : { targetId: o.targetId }),
    reason: 'the owner wanted it so',
  }));
  return r.write(at, 'signed-off', { targetMlPerDay: 10, recheckHours: 24, exceptions } as never, { device });
};

describe('where a run stands, in a sentence', () => {
  it('goes from what is to look at, over the water, to the joints, and ends signed off', () => {
    const r = new Record();
    assert.deepEqual([r.sentence.text, r.sentence.next], ['To look at: the water side, the inlet and the stop.', 'look']);
    r.write(0, 'end-seen', { side: 'from', end: 'comp-3/8-m', how: 'seen' });
    assert.equal(r.sentence.text, 'To look at: the inlet and the stop.');
    const whole = made();
    assert.deepEqual([whole.sentence.text, whole.sentence.next], ['To prove: J1, J2, Stop stem.', 'prove']);
    const half = new Record();
    half.entries.push(...whole.entries.slice(0, 5));
    assert.deepEqual([half.sentence.text, half.sentence.nextStep], ['The water is not proved dead yet.', 'Next: shut-dead.']);
    half.entries.push(...whole.entries.slice(5, 8));
    assert.match(half.sentence.text, /^The water is dead\. 1 of 2 joints made\.$/);
    sign(whole, 20);
    assert.equal(whole.sentence.text, 'Signed off, with what was open named. The recheck is still to do.');
    whole.write(30, 'callback-reported', { finding: 'damp', text: '' }, { jointId: 'j1' });
    assert.match(whole.sentence.text, /A callback was reported\.$/);
  });
  it('says that the water was gone past, and why, for ever', () => {
    const r = new Record();
    r.entries.push(...made().entries.slice(0, 4));
    r.write(3, 'stage-skipped', { stage: 'shut', reason: 'the riser is off in the cellar' });
    assert.match(r.sentence.text, /^Proving the water dead was skipped \(the riser is off in the cellar\)\./);
    assert.deepEqual(r.state.stages.shut, { state: 'skipped', reason: 'the riser is off in the cellar', deviceId: 'phone', atMs: T0 + 180_000 });
  });
});

describe('a step before its gate', () => {
  it('is on record and not done: the joint is made, the stage is open', () => {
    const r = new Record();
    r.entries.push(...made().entries.filter((e) => e.kind !== 'gate-answered'));
    assert.ok(r.state.joints.every((j) => j.made));
    assert.deepEqual([r.state.stages.make.state, r.state.stages.shut.state, r.state.done['joint-screw:j1']], ['open', 'open', false]);
    r.write(9, 'gate-answered', { stepId: 'shut-dead', answer: 'yes', note: '' });
    assert.equal(r.state.stages.make.state, 'done');
  });
});

describe('a sign-off', () => {
  it('is undone by what another device did before it and sent after it, and says why', () => {
    const r = made();
    r.look(10, 10, 'dry');
    sign(r, 30);
    assert.ok(r.state.signedOff);
    // Named then: the rounds that were not done. A joint taken apart before it was not.
    r.late(25, 40, 'gate-answered', { stepId: 'shut-dead', answer: 'no', note: '' });
    assert.equal(r.state.signedOff, null);
    assert.match(r.state.signOffUndone!.why, /^Shut, Make was open, as came in later/);
    assert.match(r.sentence.text, /^Signed off before, and no more/);
  });
  it('stands as it was judged when it was taken, though what proves a joint is worked out otherwise since', () => {
    const r = made();
    // Eight minutes were enough once, before what hides in the nut was counted.
    r.look(10, 8, 'dry');
    r.write(30, 'signed-off', { targetMlPerDay: 10, recheckHours: 24, exceptions: [] });
    assert.ok(r.state.open.length > 0 && r.state.signedOff);
    // What came in later from another device, and happened before, was never judged.
    r.late(25, 40, 'gate-answered', { stepId: 'shut-dead', answer: 'no', note: '' });
    assert.match(r.state.signOffUndone!.why, /^Shut, Make was open, as came in later/);
  });
  it('is undone by a reopening, and by another chain', () => {
    for (const undo of [
      (r: Record) => r.write(40, 'reopened', { reason: 'the owner wants another hose' }),
      (r: Record) => r.write(40, 'chain-accepted', { ...acceptedOf(HOSES[1]!, r.state.accepted!.entryId), jointIds: ['k1', 'k2'] }),
    ]) {
      const r = made();
      sign(r, 30);
      const id = undo(r);
      assert.equal(r.state.signedOff, null);
      r.write(50, 'withdrawn', { reason: 'pressed by mistake' }, { correctsId: id });
      assert.ok(r.state.signedOff, 'taken back, it is signed off again');
    }
  });
  it('leaves a recheck that a glance does not close, a real look does, and a reason does', () => {
    const r = made();
    sign(r, 30);
    assert.equal(r.state.recheck, 'due');
    const all = (minutes: number, at: number) => {
      for (const t of [{ jointId: 'j1' }, { jointId: 'j2' }, { checkPointId: 'stem' }]) {
        const begun = r.write(at, 'look-begun', { round: 'next-day', method: 'tissue' }, t);
        r.write(at + minutes, 'look-ended', { begunId: begun, finding: 'dry', drops: null, elapsedS: minutes * 60 }, t);
      }
    };
    all(0, 100);
    assert.equal(r.state.recheck, 'due');
    const reason = r.write(110, 'recheck-closed', { reason: 'the room is locked' });
    assert.deepEqual([r.state.recheck, r.state.signedOff!.recheckClosed], ['closed', 'the room is locked']);
    r.write(111, 'withdrawn', { reason: 'it is open after all' }, { correctsId: reason });
    all(10, 120);
    assert.equal(r.state.recheck, 'due', 'ten minutes are no 10 mL a day');
    all(55, 140);
    assert.equal(r.state.recheck, 'dry');
  });
});

describe('two devices', () => {
  it('that saw different things at the same time are asked; the worse stands', () => {
    const r = made();
    const damp = r.look(10, 8, 'damp', 'tablet');
    const dry = r.look(12, 8, 'dry');
    assert.deepEqual(r.state.conflicts, [{ what: 'finding', targetId: 'j1', entries: [damp, dry] }]);
    assert.equal(r.state.joints[0]!.finding, 'damp');
    r.write(30, 'withdrawn', { reason: 'a drop of the bucket' }, { correctsId: damp });
    assert.deepEqual([r.state.conflicts, r.state.joints[0]!.finding], [[], null]);
  });
  it('that looked one after the other are not: things change', () => {
    const r = made();
    r.look(10, 8, 'dry');
    r.look(20, 8, 'damp', 'tablet');
    assert.deepEqual(r.state.conflicts, []);
  });
  it('that watched the same minutes have watched them once', () => {
    const [alone, both] = [made(), made()];
    for (const r of [alone, both]) r.look(10, 10, 'dry');
    both.look(12, 8, 'dry', 'tablet');
    assert.equal(both.state.joints[0]!.mlPerDay, alone.state.joints[0]!.mlPerDay);
    both.look(12, 10, 'dry', 'third');
    assert.equal(both.state.joints[0]!.byRound.standing!.minutes, 12);
  });
  it('that each chose a chain are asked; the one that is taken back leaves the other', () => {
    const r = made();
    const first = r.state.accepted!.entryId;
    const second = r.write(9, 'chain-accepted', { ...acceptedOf(HOSES[1]!, null), jointIds: ['k1', 'k2'] }, { device: 'tablet' });
    assert.deepEqual(r.state.conflicts, [{ what: 'chain', targetId: null, entries: [first, second] }]);
    assert.equal(r.sentence.next, null);
    r.write(10, 'withdrawn', { reason: 'the other one stands' }, { correctsId: second });
    assert.deepEqual([r.state.conflicts, r.state.accepted!.entryId], [[], first]);
  });
});

describe('a look', () => {
  it('that was under way when its joint was touched counts no more', () => {
    const r = made();
    const begun = r.write(10, 'look-begun', { round: 'standing', method: 'tissue' }, { jointId: 'j1' });
    r.write(12, 'remedied', { action: 'nudge', turns24: 3, movedJointIds: ['j1'] }, { jointId: 'j2' });
    assert.deepEqual(r.state.openLooks, []);
    r.write(30, 'look-ended', { begunId: begun, finding: 'dry', drops: null, elapsedS: 1200 }, { jointId: 'j1' });
    assert.deepEqual(r.state.joints[0]!.byRound, {});
  });
  it('whose finding is put right keeps its own minutes', () => {
    const r = made();
    const begun = r.write(10, 'look-begun', { round: 'standing', method: 'tissue' }, { jointId: 'j1' });
    const ended = r.write(20, 'look-ended', { begunId: begun, finding: 'damp', drops: null, elapsedS: null }, { jointId: 'j1' });
    r.write(200, 'look-ended', { begunId: begun, finding: 'dry', drops: null, elapsedS: null }, { jointId: 'j1', correctsId: ended });
    assert.deepEqual([r.state.joints[0]!.finding, r.state.joints[0]!.byRound.standing!.minutes], [null, 10]);
  });
});

describe('what happened here', () => {
  const told = (r: Record) => {
    const history = historyOf(r.entries, 'run');
    return { history, rows: happenings(history, describer(r.state, history)) };
  };
  it('tells everything in order, old values and reasons among it, and nothing by its id or code alone', () => {
    const r = made();
    const joint = r.entries.find((e) => e.kind === 'joint-made')!.id;
    r.write(20, 'joint-made', { turns24: 15 }, { jointId: 'j1', correctsId: joint });
    const stop = r.entries.find((e) => e.kind === 'stop-tried')!.id;
    r.write(21, 'withdrawn', { reason: 'it was the other stop' }, { correctsId: stop, device: 'tablet' });
    const { rows } = told(r);
    assert.equal(rows.length, 10);
    const row = rows.find((h) => h.id === joint)!;
    assert.deepEqual([row.who, row.what, row.before], ['J1', 'made, 5/8 turn', ['made, 1/2 turn']]);
    const gone = rows.find((h) => h.id === stop)!;
    assert.deepEqual([gone.withdrawn!.reason, gone.withdrawn!.deviceId], ['it was the other stop', 'tablet']);
    // A code stands beside the name of its end, never alone.
    for (const h of rows)
      assert.doesNotMatch(`${h.who} ${h.what}`.replaceAll(/ \[[a-z]+-[^\]]+\]/g, ''), /undefined|null|comp-|phone-|\bhose\b(?! )/);
  });
  it('says before what goes with what is taken back', () => {
    const r = made();
    r.look(10, 8, 'dry');
    r.write(30, 'remedied', { action: 'nudge', turns24: 3, movedJointIds: [] }, { jointId: 'j1' });
    const { history } = told(r);
    assert.deepEqual(carriedBy(history, r.entries.find((e) => e.kind === 'joint-made')!.id), ['1 look', '1 remedy']);
    assert.deepEqual(carriedBy(history, r.state.accepted!.entryId), ['2 joints made', '1 look', '1 remedy']);
    assert.deepEqual(carriedBy(history, r.entries[0]!.id), []);
  });
  it('takes back a corrected entry whole, its correction first', () => {
    const r = made();
    const joint = r.entries.find((e) => e.kind === 'joint-made')!.id;
    const fixed = r.write(20, 'joint-made', { turns24: 15 }, { jointId: 'j1', correctsId: joint });
    const ids = told(r).rows.find((h) => h.id === joint)!.wholeIds;
    assert.deepEqual(ids, [fixed, joint]);
    for (const id of ids) r.write(21, 'withdrawn', { reason: 'pressed at the wrong joint' }, { correctsId: id });
    assert.equal(r.state.joints[0]!.made, false);
    const back = told(r).rows.find((h) => h.id === joint)!.withdrawn!.ids;
    for (const id of back) r.write(22, 'withdrawn', { reason: 'it was right after all' }, { correctsId: id });
    assert.deepEqual([r.state.joints[0]!.made, r.state.joints[0]!.turns24], [true, 15]);
  });
  it('leaves as rows that a spreadsheet reads', () => {
    const r = made();
    const run = {
      id: 'run',
      name: 'Flat toilet',
      water: 'cold',
      applianceKind: 'toilet',
      applianceName: 'Toilet',
      place: 'Flat',
      checkPoints: CONTEXT.checkPoints,
    };
    const sheet = { visit: { id: 'visit' }, runs: [run], entries: r.entries } as unknown as VisitSheet;
    const rows = recordRows(sheet, { appliances: [CONTEXT.appliance], steps: CONTEXT.stepData, parts: CONTEXT.parts, look: CONTEXT.look });
    assert.equal(rows.length, r.entries.length);
    assert.deepEqual(rows[7], {
      run: 'Flat toilet',
      place: 'Flat',
      at: '2026-03-10T09:06:00.000Z',
      device: 'device 1',
      who: 'J1',
      what: 'made, 1/2 turn',
      before: '',
      takenBack: '',
    });
  });
});
