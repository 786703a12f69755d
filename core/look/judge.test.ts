import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { catalogue } from '../../catalog/index.ts';
import { InputError } from '../errors.ts';
import { defaultRules, type HouseRules } from '../house/rules.ts';
import { causesOf } from './causes.ts';
import { type Judgements, judgeSurvey } from './judge.ts';
import { mayReuse } from './reuse.ts';
import type { Survey } from './survey.ts';

const { look, appliances } = catalogue();
const on = (id: string) => appliances.find((a) => a.id === id)!;
const REUSE: HouseRules = { ...defaultRules, connector: 'reuse if sound' };
const toilet: Survey = { appliance: on('toilet'), water: 'cold' };
const judge = (more: Partial<Survey>, rules = REUSE) => judgeSurvey({ ...toilet, ...more }, look, rules);
const verdict = (of: string, j: Judgements) => j.judgements.find((x) => x.of === of)?.verdict;
const why = (of: string, j: Judgements) => j.judgements.find((x) => x.of === of)?.because.map((b) => b.rule) ?? [];

test('what is replaced at once is replaced whatever the age and the rule, with its reason first', () => {
  for (const id of ['bulge', 'braid-broken', 'kinked', 'nut-cracked', 'nut-fused', 'corroded']) {
    const j = judge({ line: { kind: 'braided', ageYears: 1, seen: [id] } });
    assert.deepEqual([verdict('line', j), why('line', j)[0], j.needs.line], ['replace', `seen-${id}`, true], id);
  }
  // Stains are watched, and one heavier finding beside them decides.
  assert.equal(verdict('line', judge({ line: { kind: 'braided', ageYears: 1, seen: ['stain'] } })), 'watch');
  assert.equal(verdict('line', judge({ line: { kind: 'braided', ageYears: 1, seen: ['stain', 'kinked'] } })), 'replace');
});

test('a hose is judged by its age as the catalogue has it, or as the house does', () => {
  const aged = (kind: 'braided' | 'rubber', ageYears: number, rules = REUSE) => verdict('line', judge({ line: { kind, ageYears, seen: [] } }, rules));
  assert.deepEqual(
    [4, 5, 6].map((y) => aged('rubber', y)),
    ['watch', 'watch', 'replace'],
  );
  assert.deepEqual(
    [7, 8, 10, 11].map((y) => aged('braided', y)),
    ['keep', 'watch', 'watch', 'replace'],
  );
  const strict = { ...REUSE, maxAgeYears: { braided: 5 } };
  assert.deepEqual(
    [4, 5, 6].map((y) => aged('braided', y, strict)),
    ['keep', 'watch', 'replace'],
  );
  assert.match(
    judge({ line: { kind: 'braided', ageYears: 6, seen: [] } }, strict).judgements[0]!.because[0]!.text,
    /6 years: the house renews it after 5/,
  );
});

test('a house that fits a new connector every time does so; one that reuses wants to know age and looks first', () => {
  const sound = { line: { kind: 'braided' as const, ageYears: 1, seen: [] } };
  assert.deepEqual(why('line', judge(sound, defaultRules)), ['house-new']);
  assert.equal(verdict('line', judge(sound)), 'keep');
  assert.deepEqual(why('line', judge({ line: { kind: 'braided', seen: [] } })), ['age-unknown']);
  assert.equal(verdict('line', judge({ line: { kind: 'braided', ageYears: 1 } })), 'unknown');
  // Tube is judged by its looks alone.
  assert.equal(verdict('line', judge({ line: { kind: 'copper', seen: [] } }, defaultRules)), 'keep');
  assert.equal(judge({ line: { kind: 'none' } }).judgements.length, 0);
});

test('hot and cold are renewed together; a flat washer takes its connector with it; copper goes after reverse osmosis', () => {
  const sound = { kind: 'braided' as const, ageYears: 1, seen: [] };
  assert.deepEqual(why('line', judge({ line: sound, pairReplaced: 'Basin, hot' }))[0], 'pair');
  assert.equal(verdict('line', judge({ line: sound, seen: ['washer-flat'] })), 'replace');
  const osmosis = judge({ line: { kind: 'copper', seen: [] }, afterOsmosis: true });
  assert.deepEqual([verdict('line', osmosis), osmosis.needs.avoid], ['replace', ['copper', 'brass']]);
});

test('stops: what does not hold is renewed and asks the chain for one; what was not tried is not trusted', () => {
  const stop = (condition: NonNullable<Survey['stop']>['condition'], kind: NonNullable<Survey['stop']>['kind'] = 'multi-turn') =>
    judge({ stop: { kind, condition } });
  const expected = {
    works: 'keep',
    weeps: 'watch',
    passes: 'replace',
    'seized-open': 'replace',
    'seized-shut': 'replace',
    broken: 'replace',
    unknown: 'unknown',
  };
  for (const [condition, said] of Object.entries(expected)) {
    const j = stop(condition as 'works');
    assert.deepEqual([verdict('stop', j), j.needs.stop], [said, said === 'replace'], condition);
  }
  for (const kind of ['saddle', 'none'] as const)
    assert.deepEqual([verdict('stop', stop('works', kind)), stop('works', kind).needs.stop], ['replace', true], kind);
  const pressed = judge({ stop: { kind: 'quarter-turn', condition: 'works', seen: ['riser-pressed'] } });
  assert.deepEqual([verdict('stop', pressed), pressed.needs.stop], ['replace', true]);
});

test('pressure: over the code, over the appliance, under what it wants; a bucket and a running gauge say what reaches it', () => {
  assert.deepEqual(
    [60, 80, 81, 130].map((staticPsi) => why('pressure', judge({ staticPsi }))[0]),
    ['pressure-good', 'pressure-good', 'over-code', 'over-appliance'],
  );
  const fridge = { appliance: on('refrigerator') };
  assert.deepEqual(
    [80, 81, 121, 15].map((staticPsi) => why('pressure', judge({ ...fridge, staticPsi }))[0]),
    ['pressure-good', 'over-code', 'over-appliance', 'under-appliance'],
  );
  // 1 gallon in 20 s is 3 gpm: just what a toilet is sized for.
  assert.deepEqual(
    [why('flow', judge({ bucket: { gallons: 1, seconds: 20 } })), why('flow', judge({ bucket: { gallons: 1, seconds: 21 } }))],
    [['bucket-good'], ['bucket-weak']],
  );
  assert.equal(verdict('flow', judge({ runningPsi: 12, bucket: { gallons: 1, seconds: 10 } })), 'act');
  const dishwasher = { appliance: on('dishwasher'), water: 'hot' as const };
  assert.deepEqual(
    [105, 118, 121].map((hotF) => verdict('hot', judge({ ...dishwasher, hotF }))),
    ['watch', 'keep', 'tell'],
  );
  assert.equal(judge({ hotF: 150 }).judgements.length, 0, 'a cold run has no scald caution');
});

test('an arrestor is asked for where it bangs, and heard before it is decided', () => {
  const washer = { appliance: on('washing-machine') };
  assert.deepEqual(
    [
      verdict('arrestor', judge({ ...washer, arrestor: { kind: 'none' } })),
      judge({ ...washer, arrestor: { kind: 'none', bangs: true } }).needs.arrestor,
    ],
    ['unknown', true],
  );
  assert.deepEqual(why('arrestor', judge({ arrestor: { kind: 'air-chamber', bangs: true } })), ['bangs-chamber']);
  assert.equal(verdict('arrestor', judge({ arrestor: { kind: 'arrestor', bangs: false } })), 'keep');
});

test('what is not known is listed with what it decides, where it concerns the run; only what is unsafe waits', () => {
  const nothing = judge({});
  const facts = nothing.unknowns.map((u) => u.fact);
  assert.ok(['line-kind', 'line-seen', 'stop-condition', 'static', 'running', 'hidden', 'ends'].every((f) => facts.includes(f)));
  assert.ok(!['hot', 'osmosis', 'power', 'moves', 'way-out'].some((f) => facts.includes(f)), 'a toilet has none of these');
  assert.deepEqual(nothing.blocked, ['keep', 'match']);
  const fridge = judge({ appliance: on('refrigerator') });
  assert.ok(['osmosis', 'power', 'moves', 'way-out'].every((f) => fridge.unknowns.some((u) => u.fact === f)));
  assert.deepEqual(fridge.blocked, ['keep', 'match', 'make']);
  const all = judge({
    line: { kind: 'none' },
    stop: { kind: 'none', condition: 'unknown' },
    staticPsi: 60,
    runningPsi: 40,
    hidden: false,
    endsKnown: true,
  });
  assert.deepEqual([all.unknowns, all.blocked], [[], []]);
});

test('symptoms lead to causes, those first that the survey points to', () => {
  const survey = { ...toilet, symptoms: ['slow-fill'], runningPsi: 8, seen: ['debris'] };
  const causes = causesOf(survey, judgeSurvey(survey, look, REUSE), look);
  assert.deepEqual(
    causes.slice(0, 2).map((c) => c.pointedBy),
    [['screen:debris'], ['pressure:weak']],
  );
  assert.ok(!causes.some((c) => /osmosis|filter/.test(c.cause) && c.pointedBy.length > 0));
  const floor = { ...toilet, symptoms: ['buckled-floor'] };
  const names = causesOf(floor, judgeSurvey(floor, look, REUSE), look).map((c) => c.cause);
  assert.ok(names.some((n) => /wax/.test(n)) && !names.some((n) => /dishwasher/.test(n)));
  assert.throws(() => causesOf({ ...toilet, symptoms: ['itches'] }, judge({}), look), InputError);
});

test('reuse: every condition answered yes, in a house that reuses; what nobody looked at is no', () => {
  const yes = Object.fromEntries(look.reuse.find((r) => r.what === 'push')!.asks.map((a) => [a, true]));
  assert.equal(mayReuse('push', yes, look, REUSE).may, true);
  assert.equal(mayReuse('push', yes, look, defaultRules).may, false);
  assert.match(mayReuse('push', { ...yes, 'O-ring clean and whole': false }, look, REUSE).because[0]!.text, /^Not O-ring clean/);
  assert.match(mayReuse('barb', {}, look, REUSE).because[0]!.text, /^Nobody looked/);
  assert.throws(() => mayReuse('flange', {}, look, REUSE), InputError);
});

test('every verdict has a reason, more findings never make it lighter, and the catalogue’s rows point to what a survey can say', () => {
  const WEIGHT = ['keep', 'watch', 'unknown', 'clean', 'tell', 'act', 'replace'];
  const ids = look.findings.filter((f) => f.on === 'line').map((f) => f.id);
  fc.assert(
    fc.property(fc.subarray(ids), fc.constantFrom(...ids), fc.integer({ min: 0, max: 15 }), (seen, one, ageYears) => {
      const of = (list: string[]) => judge({ line: { kind: 'braided', ageYears, seen: list } });
      const [less, more] = [of(seen), of([...seen, one])];
      for (const { because } of more.judgements) assert.ok(because.length > 0 && because.every((b) => b.text.length > 5));
      assert.ok(WEIGHT.indexOf(verdict('line', more)!) >= WEIGHT.indexOf(verdict('line', less)!));
    }),
    { numRuns: 200, seed: 8, endOnFailure: true },
  );
  assert.throws(
    () => judge({ seen: ['nonsense'] }),
    (e: InputError) => e.field === 'seen',
  );
  const said = /^(appliance:[a-z-]+|(line|stop|arrestor|screen|pressure|flow):[a-z-]+|fast-closing|after-osmosis)$/;
  for (const row of look.symptoms) for (const p of row.points) assert.match(p, said);
});
