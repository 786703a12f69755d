/** Limits of what is judged: just under, at and just over each. */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { catalogue } from '../../catalog/index.ts';
import { InputError } from '../errors.ts';
import { defaultRules, type HouseRules } from '../house/index.ts';
import { judgeSurvey } from './judge.ts';
import type { Survey } from './survey.ts';

const { look, appliances } = catalogue();
const on = (id: string) => appliances.find((a) => a.id === id)!;
const REUSE: HouseRules = { ...defaultRules, connector: 'reuse if sound' };
const judged = (of: string, survey: Survey, rules = REUSE) => {
  const found = judgeSurvey(survey, look, rules).judgements.find((j) => j.of === of);
  return found ? `${found.verdict} ${found.because[0]!.rule}` : 'nothing';
};

test('standing pressure: the code’s 80 psi, what the appliance bears, what it wants', () => {
  const asked = { ...on('toilet'), maxStaticPsi: 100, minFlowPsi: 20 };
  const at = (staticPsi: number) => judged('pressure', { appliance: asked, water: 'cold', staticPsi });
  assert.deepEqual([80, 80.1, 100, 100.1].map(at), ['keep pressure-good', 'act over-code', 'act over-code', 'act over-appliance']);
  assert.deepEqual([19.9, 20, 39.9, 40].map(at), ['act under-appliance', 'watch low-standing', 'watch low-standing', 'keep pressure-good']);
  assert.equal(judged('pressure', { appliance: asked, water: 'cold' }), 'nothing');
  for (const bad of [0, -1, 1000.1, Number.NaN]) assert.throws(() => at(bad), InputError, String(bad));
  assert.equal(at(1000), 'act over-appliance');
});

test('running pressure and a bucket: enough is what is asked, not more', () => {
  const asked = { ...on('toilet'), minFlowPsi: 20, designGpm: 3 };
  const running = (runningPsi: number) => judged('flow', { appliance: asked, water: 'cold', runningPsi });
  assert.deepEqual([19.9, 20, 20.1].map(running), ['act weak', 'keep running-good', 'keep running-good']);
  assert.equal(running(0), 'act weak');
  const bucket = (seconds: number) => judged('flow', { appliance: asked, water: 'cold', bucket: { gallons: 1, seconds } });
  assert.deepEqual([20, 20.1, 19.9].map(bucket), ['keep bucket-good', 'act bucket-weak', 'keep bucket-good']);
  // The worse of the two decides.
  assert.equal(judged('flow', { appliance: asked, water: 'cold', runningPsi: 60, bucket: { gallons: 1, seconds: 60 } }), 'act bucket-weak');
});

test('hot water: 120 F scalds when it is passed, a dishwasher wants 110 F', () => {
  const at = (id: string, hotF: number, water: 'hot' | 'cold' = 'hot') => judged('hot', { appliance: on(id), water, hotF });
  assert.deepEqual(
    [120, 120.1].map((f) => at('kitchen-faucet', f)),
    ['keep hot-good', 'tell scald'],
  );
  assert.deepEqual(
    [109.9, 110, 120].map((f) => at('dishwasher', f)),
    ['watch hot-low', 'keep hot-good', 'keep hot-good'],
  );
  assert.equal(at('kitchen-faucet', 100), 'keep hot-good');
  assert.equal(at('kitchen-faucet', 150, 'cold'), 'nothing');
  for (const bad of [31, 213]) assert.throws(() => at('kitchen-faucet', bad), InputError);
  assert.deepEqual(
    [32, 212].map((f) => at('kitchen-faucet', f)),
    ['keep hot-good', 'tell scald'],
  );
});

test('age: watched from the year named, renewed after the limit; the house’s own limit cuts both', () => {
  const { watchYears, replaceYears } = look.ages.find((a) => a.kind === 'braided')!;
  const at = (ageYears: number, rules = REUSE) =>
    judged('line', { appliance: on('toilet'), water: 'cold', line: { kind: 'braided', ageYears, seen: [] } }, rules);
  assert.deepEqual(
    [watchYears! - 1, watchYears!, replaceYears!, replaceYears! + 1].map((years) => at(years)),
    ['keep reuse', 'watch near-age', 'watch near-age', 'replace over-age'],
  );
  const strict = { ...REUSE, maxAgeYears: { braided: 3 } };
  assert.deepEqual(
    [2, 3, 4].map((years) => at(years, strict)),
    ['keep reuse', 'watch near-age', 'replace over-age'],
  );
  assert.equal(at(0), 'keep reuse');
  for (const bad of [-1, 151]) assert.throws(() => at(bad), InputError);
});

test('a washer that is done condemns the hose it belongs to, and no pipe', () => {
  const { id } = look.findings.find((f) => f.on === 'washer' && f.verdict === 'replace')!;
  const of = (kind: 'braided' | 'rubber' | 'copper', seen = [id]) =>
    judged('line', { appliance: on('toilet'), water: 'cold', line: { kind, ageYears: 1, seen: [] }, seen });
  assert.deepEqual(
    [of('braided'), of('rubber'), of('copper'), of('braided', [])],
    ['replace washer-of-line', 'replace washer-of-line', 'keep sound', 'keep reuse'],
  );
});

test('how soon: what lets go next now, what a rule of the house renews with this visit and as its rule', () => {
  const line = (seen: string[], rules: HouseRules = REUSE, more: Partial<Survey['line']> = {}) =>
    judgeSurvey({ appliance: on('toilet'), water: 'cold', line: { kind: 'braided', ageYears: 1, seen, ...more } }, look, rules).judgements.find(
      (j) => j.of === 'line',
    )!;
  assert.deepEqual([line(['bulge']).urgency, line(['kinked']).urgency, line([]).urgency], ['now', 'visit', undefined]);
  assert.deepEqual([line([], defaultRules).urgency, line(['kinked', 'bulge'], defaultRules).urgency], ['house', 'now']);
  assert.equal(line([], REUSE, { ageYears: 30 }).urgency, 'house');
});

test('polyethylene is kept off hot water over 100 F, and where nobody measured it', () => {
  const pe = (water: 'hot' | 'cold', hotF?: number) =>
    judged('line', { appliance: on('kitchen-faucet'), water, line: { kind: 'pe', seen: [] }, ...(hotF === undefined ? {} : { hotF }) });
  assert.deepEqual([pe('cold'), pe('hot'), pe('hot', 100), pe('hot', 100.1)], ['keep sound', 'replace pe-hot', 'keep sound', 'replace pe-hot']);
});

test('a gate by a fixture is watched, an arrestor of the codes is never called unwanted, a mixing device is for people', () => {
  const stop = (kind: 'gate' | 'multi-turn', condition: 'works' | 'passes') =>
    judged('stop', { appliance: on('toilet'), water: 'cold', stop: { kind, condition } });
  assert.deepEqual(
    [stop('gate', 'works'), stop('gate', 'passes'), stop('multi-turn', 'works')],
    ['watch gate-stop', 'replace stop-passes', 'keep stop-works'],
  );
  const arrestor = (id: string) => judged('arrestor', { appliance: on(id), water: 'cold', arrestor: { kind: 'none', bangs: false } });
  assert.deepEqual([arrestor('washing-machine'), arrestor('toilet')], ['watch arrestor-by-code', 'keep quiet']);
  const told = (id: string) => judgeSurvey({ appliance: on(id), water: 'hot', hotF: 140 }, look, REUSE).judgements[0]!.because[0]!.text;
  assert.match(told('kitchen-faucet'), /a listed device limits an outlet that people use/);
  assert.match(told('dishwasher'), /wants it hot; no device limits it here/);
});

test('a swollen floor, a black stain, a smell are told to the owner, with mould and the leak behind them', () => {
  for (const seen of ['swollen-floor', 'black-stain', 'musty']) {
    const [place] = judgeSurvey({ appliance: on('toilet'), water: 'cold', seen: [seen] }, look, REUSE).judgements;
    assert.equal(place!.verdict, 'tell', seen);
    assert.match(place!.because[0]!.text, /owner is told/);
  }
});
