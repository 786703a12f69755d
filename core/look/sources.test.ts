import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { catalogue } from '../../catalog/index.ts';
import type { InputError } from '../errors.ts';
import { defaultRules } from '../house/rules.ts';
import { matchChains } from '../match/chains.ts';
import { compareSources, type SourceCandidate, type SourceQuestion } from './sources.ts';

const { parts, loose, look } = catalogue();
const ask = (candidates: SourceCandidate[], more: Partial<SourceQuestion> = {}) =>
  compareSources({ candidates, to: 'comp-1/4-m', parts, loose, work: look.sourceWork, need: { water: 'cold' }, ...more });

const stop: SourceCandidate = {
  id: 'stop',
  name: 'the stop under the sink',
  kind: 'stop',
  end: 'comp-3/8-m',
  rejoin: 'comp-3/8-f',
  lengthIn: 96,
  holes: [{ through: 'cabinet' }],
  shut: 'stop',
  dry: 'yes',
};
const pipe: SourceCandidate = {
  id: 'pipe',
  name: 'the pipe below',
  kind: 'pipe',
  end: 'cu-5/8od',
  rejoin: 'cu-5/8od',
  lengthIn: 60,
  holes: [{ through: 'floor' }],
  shut: 'branch',
  dry: 'no',
};
const idle: SourceCandidate = {
  id: 'idle',
  name: 'the capped line',
  kind: 'idle-line',
  end: 'comp-1/4-m',
  lengthIn: 60,
  holes: [],
  shut: 'nothing',
  dry: 'yes',
  holds: 'cold',
};

test('every way is ranked by expected money, and each that loses says by what', () => {
  const { ranked, refused } = ask([stop, pipe, idle]);
  assert.deepEqual(refused, []);
  assert.equal(ranked.length, 3);
  for (const [i, option] of ranked.entries()) {
    assert.ok(i === 0 || option.dollars >= ranked[i - 1]!.dollars);
    assert.match(option.because[0]!.text, i === 0 ? /all told/ : /^\$\d+ more: /);
  }
  // The pipe below costs a floor hole, cutting in and draining a branch.
  const below = ranked.find((o) => o.id === 'pipe')!;
  assert.ok(below.skills.includes('cutting in') && below.tools.includes('probe'));
  assert.equal(below.minutes - below.chain.minutes, 20 + 15 + 25);
});

test('a pipe that keeps weeping is not soldered, and one that may is planned without; a dry one may be', () => {
  const seals = (dry: SourceCandidate['dry']) =>
    ask([{ ...pipe, dry }], { rules: { ...defaultRules, push: 'never' } }).ranked[0]?.chain.joints.map((j) => j.mating.seal) ?? [];
  for (const dry of ['no', 'unknown'] as const) assert.ok(!seals(dry).includes('solder'), dry);
  assert.ok(seals('yes').includes('solder'));
  assert.match(ask([pipe]).ranked[0]!.cautions[0]!.text, /keeps weeping/);
});

test('never a saddle valve, never a line that is not this water; an idle line unproved is named as such', () => {
  const saddle = ask([{ ...idle, id: 'saddle', kind: 'saddle' }, idle]);
  assert.deepEqual([saddle.ranked.map((o) => o.id), saddle.refused[0]!.because[0]!.rule], [['idle'], 'no-saddle']);
  assert.equal(ask([{ ...idle, holds: 'hot' }]).refused[0]!.because[0]!.rule, 'other-water');
  assert.equal(ask([{ ...idle, holds: 'no water' }]).refused[0]!.because[0]!.rule, 'not-water');
  assert.equal(ask([{ ...idle, holds: 'unproved' }]).ranked[0]!.cautions[0]!.rule, 'idle-unproved');
});

test('after reverse osmosis no copper and no brass; a manifold’s port asks for no stop of its own', () => {
  const tank: SourceCandidate = {
    id: 'tank',
    name: 'the tank',
    kind: 'tank',
    end: 'ptc-1/4od',
    lengthIn: 120,
    holes: [],
    shut: 'stop',
    dry: 'yes',
    afterOsmosis: true,
  };
  const { ranked } = ask([tank], { to: 'ptc-1/4od' });
  const tags = ranked[0]!.chain.parts.flatMap((id) => parts.find((p) => p.id === id)!.tags);
  assert.ok(!tags.includes('copper') && !tags.includes('brass'));
  const port: SourceCandidate = { ...idle, id: 'port', name: 'port 4', kind: 'manifold' };
  assert.ok(ask([port]).ranked[0]!.chain.parts.every((id) => !parts.find((p) => p.id === id)!.tags.includes('stop')));
});

test('each way’s chain is the best there is from it, and the whole is its money and its minutes', () => {
  const end = fc.constantFrom('comp-3/8-m', 'npt-1/2-m', 'cu-5/8od', 'pex-5/8od');
  const candidate = fc.record({
    end,
    lengthIn: fc.integer({ min: 6, max: 100 }),
    shut: fc.constantFrom('nothing', 'stop', 'branch', 'main'),
    through: fc.subarray(['cabinet', 'floor', 'wall'] as const),
  });
  fc.assert(
    fc.property(fc.array(candidate, { minLength: 1, maxLength: 3 }), (all) => {
      const candidates = all.map(
        ({ through, shut, ...c }, i): SourceCandidate => ({
          ...c,
          id: `c${i}`,
          name: `way ${i}`,
          kind: 'idle-line',
          holds: 'cold',
          shut: shut as 'stop',
          holes: through.map((t) => ({ through: t })),
          dry: 'yes',
        }),
      );
      const { ranked, refused } = ask(candidates);
      assert.equal(ranked.length + refused.length, candidates.length);
      for (const option of ranked) {
        const c = candidates.find((x) => x.id === option.id)!;
        // Through a floor or a wall goes tube, never a braided hose.
        const avoid = c.holes.some((h) => h.through !== 'cabinet') ? ['hose'] : [];
        const need = { water: 'cold' as const, stop: true, minLengthIn: c.lengthIn, avoid };
        const best = matchChains({ from: c.end, to: 'comp-1/4-m', parts, loose, k: 1, need }).chains[0]!;
        assert.deepEqual(option.chain.parts, best.parts);
        const minutes = (of: string, id: string) => look.sourceWork.find((w) => w.of === of && w.id === id)!.minutes;
        const extra = minutes('kind', 'idle-line') + minutes('shut', c.shut) + c.holes.reduce((sum, h) => sum + minutes('hole', h.through), 0);
        assert.ok(Math.abs(option.dollars - best.cost.total - extra * defaultRules.weights.minuteDollars) < 1e-9);
      }
    }),
    { numRuns: 30, seed: 12, endOnFailure: true },
  );
});

test('a length that cannot be is refused by the name of its way; a way that no parts reach is refused with what is missing', () => {
  assert.throws(
    () => ask([{ ...idle, lengthIn: -4 }]),
    (e: InputError) => /the capped line, length/.test(e.field),
  );
  const { refused } = ask([{ ...idle, end: 'aer-15/16-m' }]);
  assert.ok(refused[0]!.because.length > 0);
});

test('what lies on the van counts as it is cut: a coil with too little left wants the trip', () => {
  const { chain } = ask([idle]).ranked[0]!;
  const all = Object.fromEntries([...chain.parts, ...Object.keys(chain.loose)].map((id) => [id, 1]));
  const cut = parts.filter((p) => p.cutToLength).map((p) => p.id);
  const left = (inches: number) => ask([idle], { stock: { ...all, ...Object.fromEntries(cut.map((id) => [id, inches])) } }).ranked[0]!;
  for (const option of [left(600), left(20)]) assert.ok(option.chain.offVan.every((id) => !all[id]));
  const long = ask([{ ...idle, lengthIn: 150 }], { stock: Object.fromEntries(parts.map((p) => [p.id, p.cutToLength ? 20 : 1])) });
  assert.ok(long.ranked[0]!.chain.path.every((step) => step.cutLengthIn === undefined || long.ranked[0]!.chain.offVan.includes(step.part)));
});
