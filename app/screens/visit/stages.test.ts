import '../../testing.ts';
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import { sealById, type WorkStep } from '../../../core/index.ts';
import { type RunState, rowOfStep, type SurveyFacts } from '../../../record/index.ts';
import { minutesWords } from './card/minutes-words.ts';
import { next } from './card/next-water.ts';
import { flowLink } from './flow-link.ts';
import { answerOf } from './gauge/meter-answer.ts';
import { stepOf } from './gauge/step-of.ts';
import { worked } from './gauge/worked.ts';
import { jointUnderWork } from './joint-under-work.ts';
import { stillPossible } from './log/still-possible.ts';
import { knownOf, pairOf } from './look/known.ts';
import { comparison } from './papers/comparison.ts';
import { targetsIn, targetsOf } from './prove/target.ts';
import { hiddenOf, neededS } from './prove/watched-for.ts';

const T0 = Date.UTC(2026, 4, 20, 9);

describe('Look', () => {
  const EMPTY = {
    from: null,
    to: null,
    stop: null,
    oldLine: null,
    distance: null,
    place: {},
    survey: {
      seen: { screen: null, washer: null, place: null },
      running: null,
      bucket: null,
      hot: null,
      surroundings: null,
      baseline: null,
      hammer: null,
      symptoms: [],
      sheet: {},
      reuse: {},
      sources: [],
    },
  };
  const known = (more: object = {}, survey: object = {}) => knownOf({ ...EMPTY, ...more, survey: { ...EMPTY.survey, ...survey } } as never, 'inch');
  it('has no word for what nobody looked at, and asks for the ends, the stop, the line and the distance', () => {
    const { ends, stop, oldLine, place, ...others } = known();
    assert.deepEqual([ends, stop, oldLine, place], [null, null, null, null]);
    assert.deepEqual(new Set(Object.values(others)), new Set(['']));
  });
  it('says in a word what is known of each part', () => {
    const end = (code: string) => ({ end: code });
    assert.equal(known({ from: end('comp-3/8-m') }).ends, null, 'one end is half of it');
    assert.match(known({ from: end('comp-3/8-m'), to: end('bc-7/8-m') }).ends!, /^3\/8 in OD compression, male to 7\/8 in ballcock, male$/);
    assert.deepEqual(
      ['none', 'keep', 'replace'].map((verdict) => known({ oldLine: { verdict } }).oldLine),
      ['there is none', 'it stays', 'it is replaced'],
    );
    assert.equal(known({ stop: { kind: 'none', condition: 'unknown' } }).stop, 'no stop here');
    assert.equal(known({ stop: { kind: 'gate', condition: 'passes' } }).stop, 'gate: does not shut fully');
    assert.equal(known({ distance: { text: '14 1/2', inches: 14.5 }, place: { hidden: true } }).place, '14 1/2 in, joints hidden');
    assert.equal(known({}, { seen: { screen: [], washer: null, place: [] } }).things, 'nothing found');
    assert.equal(known({}, { seen: { screen: ['debris'], washer: ['hard', 'cracked'], place: null } }).things, '3 found');
    assert.equal(known({}, { running: {}, hot: {} }).water, 'running, hot');
    assert.deepEqual(
      [known({}, { symptoms: ['a', 'b'] }).complaints, known({}, { sources: [{ name: 'riser' }, { name: 'tee' }] }).sources],
      ['2', 'riser, tee'],
    );
  });
  it('renews both lines of a pair where the other one goes', () => {
    const other = (more: object) => ({
      run: { applianceName: 'Sink', place: 'Kitchen', water: 'hot', name: 'Sink, hot', ...more },
      state: { oldLine: { verdict: 'replace' } },
    });
    const run = { applianceName: 'Sink', place: 'Kitchen', water: 'cold' } as never;
    assert.equal(pairOf(run, [other({})] as never), 'Sink, hot');
    for (const more of [{ water: 'cold' }, { place: 'Bath' }, { applianceName: 'Tub' }]) assert.equal(pairOf(run, [other(more)] as never), undefined);
    assert.equal(pairOf(run, [{ ...other({}), state: { oldLine: { verdict: 'keep' } } }] as never), undefined);
  });
  it('leads to the flow with what was read, and to the hammer with its cushion', () => {
    const appliance = catalogue().appliances.find((a) => a.id === 'dishwasher')!;
    const survey = { running: { psi: 48 }, bucket: { gallons: 1, seconds: 24 }, hammer: { there: 'air-chamber' } } as unknown as SurveyFacts;
    const of = {
      visitId: 'v',
      runId: 'r',
      appliance,
      water: 'hot' as const,
      staticPsi: 61,
      survey,
      path: [{ part: 'con-dish-c38-48', inEnd: 'a', outEnd: 'b' }],
    };
    const asked = (page: 'flow' | 'hammer', more: object = {}) => new URL(flowLink(page, { ...of, ...more }), 'http://x').searchParams;
    const flow = asked('flow');
    assert.deepEqual(
      ['visit', 'run', 'psi', 'running', 'runningGpm', 'rise'].map((f) => flow.get(f)),
      ['v', 'r', '61', '48', '2.50', '0'],
    );
    assert.equal(asked('hammer').get('cushion'), 'chamber');
    assert.equal(asked('flow', { survey: { ...survey, bucket: null } }).get('running'), null, 'one reading alone gives no flow');
  });
});

describe('the card', () => {
  it('says the minutes of a step, the shop’s own where it has some, a glance where nothing is known', () => {
    const step = (minutes?: number) => ({ id: 'shut-stop', ...(minutes === undefined ? {} : { minutes }) }) as unknown as WorkStep;
    assert.equal(minutesWords(step(4), undefined), 'about 4 min, 8 where it goes slowly');
    assert.equal(minutesWords(step(), undefined), 'about 1/2 min, 1 where it goes slowly');
    // Fifty of the shop's own, all of eight minutes, leave little of a guess of four.
    const own = { [rowOfStep('shut-stop')]: { n: 50, sumLn: 50 * Math.log(8), sumLn2: 50 * Math.log(8) ** 2 } };
    assert.match(minutesWords(step(4), own), /^about 8 min, (9|10) where it goes slowly, by your own record$/);
  });
  it('says what comes next should a valve not hold, three of them at most', () => {
    const plan = (close: string[], fallback: object | null) => ({ possible: true, close, pumpsOff: [], reliesOn: [], fallback }) as never;
    const street = { possible: false, because: [] };
    const name = (id: string) => `the ${id}`;
    assert.equal(next(plan(['stop'], null), name), '');
    assert.equal(
      next(plan(['stop'], plan(['a', 'b'], street)), name),
      ' Should it not hold: close the a and the b; then nothing of the house is left to hold: the utility’s emergency line.',
    );
    const well = { possible: true, close: ['tank valve'], pumpsOff: ['pump'], reliesOn: [], fallback: null };
    assert.match(next(plan(['stop'], well), name), /: stop the pump at its breaker, close the tank valve\.$/);
    const five = ['d', 'c', 'b', 'a'].reduce<object | null>((after, id) => plan([id], after), null);
    assert.equal(next(plan(['stop'], five), name), ' Should it not hold: close the a; then close the b; then close the c.');
  });
  it('is at the joint that its present step makes, or the one that is not dry', () => {
    const card = [
      { id: 'one', stage: 'make', joint: 1 },
      { id: 'two', stage: 'make', atJoint: 2 },
      { id: 'three', stage: 'make' },
    ];
    const state = (done: string[], joints: object[] = []) =>
      ({ card, done: Object.fromEntries(done.map((id) => [id, true])), joints }) as unknown as RunState;
    assert.deepEqual(
      [[], ['one'], ['one', 'two'], ['one', 'two', 'three']].map((done) => jointUnderWork(state(done), 'make')),
      [1, 2, null, null],
    );
    const joints = [
      { n: 1, finding: null },
      { n: 2, finding: 'damp' },
    ];
    assert.deepEqual(
      [jointUnderWork(state([], joints), 'prove'), jointUnderWork(state([]), 'prove'), jointUnderWork(state([], joints), 'look')],
      [2, null, null],
    );
  });
});

describe('Prove', () => {
  const proof = { mlPerDay: null, proven: false, finding: null };
  const joints = [{ id: 'j1', label: 'J1', a: 'stop', b: 'hose', seal: 'ferrule', ...proof }];
  const checkPoints = [
    { id: 'stem', label: 'Stop stem', ...proof },
    { id: 'd1', label: 'D1', drain: { what: 'drain hose', name: 'to air gap', lookedAt: 'while it drains' }, ...proof },
  ];
  const targets = targetsIn({ joints, checkPoints } as never);
  it('looks at joints, stems and joints of the drain, each by what it is', () => {
    assert.deepEqual(
      targets.map((t) => [t.id, t.what, t.seal]),
      [
        ['j1', 'stop · hose', 'ferrule'],
        ['stem', 'of the stop', null],
        ['d1', 'drain hose, to air gap: while it drains', null],
      ],
    );
    assert.deepEqual(
      targets.map((t) => t.target),
      [{ jointId: 'j1' }, { checkPointId: 'stem' }, { checkPointId: 'd1' }],
    );
  });
  it('looks in each round at what that round tries: a drain only while it works or the day after, what was pushed home at its line', () => {
    const ids = (round: string) => targetsOf(targets, round as never).map((t) => t.id);
    assert.deepEqual(
      [ids('standing'), ids('working'), ids('next-day'), ids('put-back')],
      [['j1', 'stem'], ['j1', 'stem', 'd1'], ['j1', 'stem', 'd1'], ['j1']],
    );
  });
  it('waits longer the more a seal hides and the less may leak', () => {
    assert.equal(hiddenOf(targets, { jointId: 'j1', checkPointId: null }), sealById('ferrule').hiddenMl);
    assert.equal(hiddenOf(targets, { jointId: null, checkPointId: 'stem' }), 0);
    const asked = (doorMlPerDay: number | null) => ({ proof: { rule: 'strict' as const, doorMlPerDay }, targetMlPerDay: doorMlPerDay ?? 10 });
    const s = (door: number | null, seal: 'ferrule' | null) => neededS(asked(door), seal);
    assert.equal(s(null, 'ferrule'), 0, 'by the next day nothing is waited for');
    assert.ok(s(10, 'ferrule') > s(10, null) && s(10, null) > s(50, null) && s(50, null) > 0);
  });
});

describe('the instruments', () => {
  const read = (value: number, minute: number, unit = 'gal') => ({ body: { value, unit, step: 0.1 }, atMs: T0 + minute * 60_000 });
  const meter = (...meterReads: object[]) => answerOf({ meterReads } as never);
  it('say of the meter what the last two readings say, and what is wanted before', () => {
    assert.deepEqual([meter(), meter(read(10, 0))], ['Wait, then read it again.', 'Wait, then read it again.']);
    assert.equal(meter(read(10, 0), read(10, 30, 'L')), 'The reading before it was in another unit: read again.');
    const moved = meter(read(9, 0), read(10, 10), read(12, 40));
    assert.equal(moved, meter(read(10, 10), read(12, 40)), 'an older reading says nothing more');
    assert.match(meter(read(12, 0), read(10, 30)), /./);
  });
  it('of the gauge is at its step: shut, settled, let out twice, waited for, read', () => {
    const live = (more: object = {}) => ({ line: 'l', letOut: [], last: null, fault: null, ...more }) as never;
    const at = (more: object, verdict?: string) => stepOf(live(more), verdict ? ({ verdict } as never) : null);
    assert.deepEqual([at({ line: null }), at({ fault: 'gone' }), at({}), at({ last: { minutes: 0.49 } })], ['shut', 'shut', 'settle', 'settle']);
    assert.deepEqual([at({ last: { minutes: 0.5 } }), at({ letOut: [{}] }), at({ letOut: [{}, {}] })], ['let-out', 'let-out', 'wait']);
    assert.deepEqual([at({ letOut: [{}, {}] }, 'undecided'), at({ letOut: [{}, {}] }, 'tight')], ['wait', 'read']);
  });
  it('say why nothing can be worked out yet', () => {
    assert.deepEqual(worked({ letOut: [] } as never), [null, 'nothing was let out yet.']);
  });
});

describe('Log', () => {
  it('says of a joint what is still possible, never more than was proven', () => {
    const said = (more: object) => stillPossible({ finding: null, isDrain: false, proven: true, mlPerDay: null, ...more } as never);
    assert.equal(said({ finding: 'damp', mlPerDay: 4 }), 'damp');
    assert.deepEqual(
      [true, false].map((proven) => said({ isDrain: true, proven })),
      ['stayed dry while it worked', 'not seen at work yet'],
    );
    assert.equal(said({}), 'nothing proven yet');
    assert.match(said({ mlPerDay: 6.11 }), /^at 95 % under 6\.2 mL a day, /);
  });
  it('says how what it came to stands to the estimate, at its edges too', () => {
    const estimate = { cents: 10_000, slowCents: 14_000 } as never;
    assert.deepEqual(
      [9_999, 10_000, 14_000, 14_001].map((cents) => comparison(cents, estimate, 'USD')),
      ['$0.01 less than the estimate.', 'Within the estimate.', 'Within the estimate.', '$0.01 more than the estimate where it goes slowly.'],
    );
  });
});
