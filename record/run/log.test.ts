/** What stands of a run once it is done: safety devices, noise, what comes due, its joints' histories, its tags, its sign-off sheet. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { TaskRow } from '../../core/log/tasks.ts';
import type { Bodies, Entry, EntryKind } from '../kinds.ts';
import { validate } from '../validate.ts';
import { toEntry } from './entry.testing.ts';
import { runNow } from './run-now.ts';
import { type RunState, runState } from './state.ts';
import { taskFactsOf } from './task-facts.ts';
import { acceptedOf, CONTEXT, HOSES } from './testing.ts';
import { storiesOf } from './told/joint-story.ts';
import { noiseCompared } from './told/noises.ts';
import { signSheetOf } from './told/sign-sheet.ts';
import { tagsOf } from './told/tags.ts';

const body = acceptedOf(HOSES[0]!, null);
const accepted = toEntry(
  'chain-accepted',
  { ...body, items: { hose: { ...body.items.hose!, tags: ['line:flexible', 'hose', 'brass', 'rubber'] } } },
  1,
);
const [first, second] = body.jointIds as [string, string];
const at = <K extends EntryKind>(kind: K, b: Bodies[K], minute: number, jointId: string | null = null) =>
  ({ ...toEntry(kind, b, minute), jointId }) as Entry;
const stop = at('stop-tried', { kind: 'multi-turn', condition: 'works' } as Bodies['stop-tried'], 0);
const signed = (minute: number) => at('signed-off', { targetMlPerDay: 10, recheckHours: 24, exceptions: [] }, minute);
const RULES: { rows: TaskRow[]; months: Record<string, number> } = {
  rows: (['connector', 'stop', 'insert', 'spares'] as const).map((id) => ({
    id,
    todo: 'See to',
    rule: 'It is seen to every',
    months: 12,
    appliances: '*',
    because: 'b',
    source: 's',
  })),
  months: { 'line:braided': 120, stop: 12, insert: 12, spares: 1 },
};
/** As it would be with a sign-off in force: the rule of what is open is another test's. */
const asSigned = (state: RunState): RunState => ({
  ...state,
  signedOff: { targetMlPerDay: 10, recheckHours: 24, exceptions: [{ targetId: first, reason: 'behind the tank' }], entryId: 'x', deviceId: 'phone', atMs: Date.UTC(2026, 2, 10, 12), recheckDueMs: Date.UTC(2026, 2, 11, 12), recheckClosed: null }, // biome-ignore format: one row
  recheck: 'due',
});
const made = [
  stop,
  accepted,
  at('joint-made', { turns24: 12 }, 2, first),
  at('joint-made', { turns24: 0 }, 3, second),
  at('look-begun', { round: 'standing', method: 'tissue' }, 4, first),
  { ...at('look-ended', { begunId: 'look-begun 4', finding: 'damp', drops: null, elapsedS: null }, 9, first) },
  at('remedied', { action: 'nudge', turns24: 3, movedJointIds: [] }, 10, first),
  at('look-begun', { round: 'standing', method: 'eye' }, 11, first),
  at('look-ended', { begunId: 'look-begun 11', finding: 'dry', drops: null, elapsedS: null }, 41, first),
];

describe('the history of a joint in a line', () => {
  it('tells making, looks, remedy and callback in order, and nothing that was taken back', () => {
    const entries = [...made, at('callback-reported', { finding: 'drip', text: '' }, 50, first)];
    const words = (list: Entry[]) =>
      storiesOf(list, 'run')
        .get(first)!
        .map((c) => c.text);
    assert.deepEqual(words(entries), [
      'made, 1/2 turn',
      'damp 5 min standing, dry tissue',
      'nudged 1/8 turn',
      'dry 30 min standing, by eye',
      'came back: drip',
    ]);
    assert.deepEqual(
      storiesOf(entries, 'run')
        .get(first)!
        .map((c) => c.isTrouble),
      [false, true, false, false, true],
    );
    const back = { ...toEntry('withdrawn', { reason: 'pressed by mistake' }, 51), correctsId: 'callback-reported 50' } as Entry;
    assert.equal(words([...entries, back]).at(-1), 'dry 30 min standing, by eye');
    assert.deepEqual(
      storiesOf(entries, 'run')
        .get(second)!
        .map((c) => c.text),
      ['made'],
    );
  });
  it('says when a joint was made again', () => {
    const story = storiesOf([...made, at('joint-made', { turns24: 12 }, 45, first)], 'run').get(first)!;
    assert.equal(story.at(-1)!.text, 'made again, 1/2 turn');
  });
});

describe('safety devices and noise', () => {
  it('stand as they did the last time, each by itself, and are told in words', () => {
    const float = at('safety-tried', { device: 'float', held: true, seconds: 41 }, 20);
    const dead = at('safety-tried', { device: 'stop-leak', held: false, seconds: null }, 21);
    const alive = at('safety-tried', { device: 'stop-leak', held: true, seconds: 8, newInsert: true, spares: 1 }, 22);
    const state = runState(CONTEXT, [accepted, float, dead, alive]);
    assert.deepEqual(
      state.safety.map((s) => [s.body.device, s.body.held]),
      [
        ['float', true],
        ['stop-leak', true],
      ],
    );
    const facts = taskFactsOf(asSigned(state), 'brewer')!;
    assert.equal(facts.insert!.spares, 1);
  });
  it('a noise is told beside the one before', () => {
    assert.equal(noiseCompared('bang', 'quiet')!.words, 'Before the work it banged; now it is quiet.');
    assert.equal(noiseCompared('bang', 'quiet')!.isWorse, false);
    assert.ok(noiseCompared('quiet', 'whistle')!.isWorse);
    assert.equal(noiseCompared('hum', 'hum')!.words, 'It hums as it did before.');
    assert.ok(noiseCompared(undefined, 'bang')!.isWorse);
    assert.equal(noiseCompared('bang', null), null);
  });
});

describe('what comes due', () => {
  const state = asSigned(runState(CONTEXT, made));
  it('follows from what was fitted and found, from the day of the sign-off', () => {
    const facts = taskFactsOf(state, 'toilet')!;
    assert.deepEqual(facts.lines, [{ kind: 'braided', name: 'braided connector, 16 in', sinceMs: state.signedOff!.atMs }]);
    assert.equal(facts.stop, 'multi-turn stop');
    assert.equal(taskFactsOf(runState(CONTEXT, made), 'toilet'), null, 'nothing is due before it is signed off');
  });
  it('of a line that stayed by the age it was told', () => {
    const kept = {
      ...state,
      accepted: null,
      oldLine: { verdict: 'keep' as const, findings: [] },
      survey: { ...state.survey, line: { line: 'rubber' as const, ageYears: 3 } },
    };
    const [line] = taskFactsOf(kept, 'toilet')!.lines;
    assert.equal(line!.kind, 'rubber');
    assert.ok(Math.abs(state.signedOff!.atMs - line!.sinceMs - 3 * 365.25 * 86_400_000) < 1);
  });
  it('is seen to only at what is signed off, and put off or dropped only with a reason', () => {
    const now = (entries: Entry[]) => runNow({ id: 'run', work: 'toilet-line', checkPoints: CONTEXT.checkPoints }, entries, () => CONTEXT);
    const refused = (b: Bodies['duty-seen'], entries: Entry[]) => validate(at('duty-seen', b, 59), now(entries), entries)?.rule ?? null;
    const done = { duty: 'stop', what: 'multi-turn stop', outcome: 'done' } as const;
    assert.equal(refused(done, made), 'not-signed-off');
    assert.equal(refused(done, [...made, signed(55)]), null);
    assert.equal(refused({ ...done, outcome: 'not-wanted', note: 'ok' }, [...made, signed(55)]), 'no-reason');
    assert.equal(refused({ ...done, outcome: 'put-off', until: '2027-01-01', note: 'House closed for the winter' }, [...made, signed(55)]), null);
  });
});

describe('the sheet a run is signed off with', () => {
  const sheet = signSheetOf(asSigned(runState(CONTEXT, made)), 'toilet', RULES, 'UTC');
  it('names joints with turns and evidence, by round and method', () => {
    const j1 = sheet.joints[0]!;
    assert.deepEqual([j1.label, j1.turns], ['J1', '5/8 turn']);
    assert.deepEqual(
      j1.evidence.map((e) => [e.round, e.methods, e.minutes]),
      [['standing', ['eye'], 30]],
    );
    assert.ok(j1.mlPerDay! > 0);
    assert.ok(sheet.joints.some((j) => j.label === 'Stop stem' && j.seal === ''));
  });
  it('names what departs with its reason, and what is next by its day, soonest first', () => {
    assert.deepEqual(sheet.departures, [{ what: 'J1 not proven at the sign-off', reason: 'behind the tank' }]);
    assert.deepEqual(
      sheet.next.map((n) => [n.on, n.duty]),
      [
        ['2026-03-11', 'recheck'],
        ['2027-03-10', 'stop'],
        ['2036-03-10', 'connector'],
      ],
    );
  });
  it('has a tag for the stop that was found and for the connector, with its joints and what is due at it', () => {
    const tags = tagsOf(asSigned(runState(CONTEXT, made)), sheet);
    assert.deepEqual(
      tags.map((t) => [t.kind, t.joints, t.next?.on]),
      [
        ['Stop', ['J1'], '2027-03-10'],
        ['Connector', ['J1', 'J2'], '2036-03-10'],
      ],
    );
    assert.deepEqual(tagsOf(runState(CONTEXT, [stop]), { next: [] }), [], 'no chain, no tag');
  });
});
