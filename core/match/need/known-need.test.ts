import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import type { EndCode } from '../../ends/code.ts';
import { isOpenPipe } from '../../ends/hose-or-pipe.ts';
import { defaultRules } from '../../house/rules.ts';
import type { Part } from '../part.ts';
import { chainWithLength, lengthMaking, matchPreferring } from '../preferring.ts';
import { part } from '../testing.ts';
import { asideFor, askedNeeds, type KnownFacts, knownNeed, needOfAll, rulesOfAll } from './known-need.ts';
import { inletsFound, usualBoreIn } from './usual-bore.ts';

const appliance = (id: string, more: Partial<KnownFacts['appliance']> = {}): KnownFacts['appliance'] => ({
  id,
  name: id,
  minBoreIn: 0.15,
  usualNeeds: [],
  avoid: [],
  maxStaticPsi: 80,
  ...more,
});
const facts = (more: Partial<KnownFacts> = {}): KnownFacts => ({
  appliance: appliance('toilet'),
  from: 'cu-5/8od',
  to: 'bc-7/8-m',
  distanceIn: null,
  hasNoStop: false,
  place: { hidden: false, ownStop: false, arrestor: false },
  stubs: {},
  rules: defaultRules,
  ...more,
});
const need = (f: KnownFacts, ...changes: Parameters<typeof askedNeeds>[1]) => needOfAll('cold', askedNeeds(knownNeed(f), changes));

describe('what is known of a run', () => {
  it('asks what the appliance usually wants, once: a washing machine for an arrestor and its bore', () => {
    const washer = facts({ appliance: appliance('washing-machine', { usualNeeds: ['arrestor'], minBoreIn: 0.3 }), to: 'ght-3/4-m' });
    assert.deepEqual(need(washer).need, { water: 'cold', arrestor: true, minBoreIn: 0.3 });
    const told = { ...washer, place: { ...washer.place, arrestor: true } };
    assert.deepEqual(
      knownNeed(told).flatMap((k) => (k.id === 'arrestor' ? [k.from] : [])),
      ['look'],
    );
  });

  it('takes what was seen: a chromed stub out of the wall, walled in, at 95 psi', () => {
    const seen = facts({
      distanceIn: 12,
      place: { hidden: true, ownStop: true, arrestor: false, outOf: 'wall', pressurePsi: 95 },
      stubs: { from: { finish: 'chromed', lengthIn: 1.5 } },
    });
    assert.deepEqual(need(seen).need, {
      water: 'cold',
      minLengthIn: 12,
      stop: true,
      reachable: false,
      pressurePsi: 95,
      outOf: 'wall',
      stub: { side: 'from', finish: 'chromed', lengthIn: 1.5 },
      minBoreIn: 0.15,
    });
  });

  it('asks for a stop of its own where Look says that there is none, and says why', () => {
    const none = facts({ hasNoStop: true });
    assert.equal(need(none).need.stop, true);
    assert.match(knownNeed(none).find((k) => k.id === 'own-stop')!.because, /No stop is there, and code and practice want one for a toilet/);
    assert.equal(need(none, { id: 'own-stop', to: null, because: 'the branch has one' }).need.stop, undefined);
    assert.equal(need(facts()).need.stop, undefined);
    const told = facts({ hasNoStop: true, place: { hidden: false, ownStop: true, arrestor: false } });
    assert.equal(knownNeed(told).filter((k) => k.id === 'own-stop').length, 1);
  });

  it('knows an open pipe from a valve\u2019s outlet', () => {
    const open = ['cu-5/8od', 'pex-5/8od', 'npt-1/2-m', 'npt-1/2-f', 'steel-1/2ips'];
    const shut = ['comp-3/8-m', 'ght-3/4-m', 'bc-7/8-f', 'npsm-1/2-m', 'ptc-1/4od'];
    assert.deepEqual([...open, ...shut].map(isOpenPipe), [...open.map(() => true), ...shut.map(() => false)]);
  });

  it('asks nothing of a tube that is none, and of the other side where that is one', () => {
    const stubs = { from: { finish: 'pitted' as const }, to: { finish: 'bare' as const } };
    assert.equal(need(facts({ from: 'comp-3/8-m', stubs })).need.stub, undefined);
    assert.equal(need(facts({ from: 'comp-3/8-m', to: 'pe-1/4od', stubs })).need.stub?.side, 'to');
  });

  it('avoids together what the appliance and the place avoid, each said once', () => {
    const ro = appliance('ro-dispenser', { avoid: ['copper', 'brass'] });
    const after = { hidden: false, ownStop: false, arrestor: false, afterOsmosis: true };
    assert.deepEqual(need(facts({ appliance: ro, place: after })).need.avoid, ['copper', 'brass']);
    assert.equal(knownNeed(facts({ appliance: ro, place: after })).filter((k) => k.need.avoid).length, 1);
    const hydrant = appliance('hydrant', { avoid: ['hose'] });
    assert.deepEqual(need(facts({ appliance: hydrant, place: after })).need.avoid, ['copper', 'brass', 'hose']);
  });

  it('is changed for one run: another figure, left out, another house rule', () => {
    const run = facts({ appliance: appliance('dishwasher', { minBoreIn: 0.24, usualNeeds: ['arrestor'] }) });
    const because = 'the sheet says so';
    const changes = [
      { id: 'bore', to: 0.2, because },
      { id: 'arrestor', to: null, because },
      { id: 'push', to: 'never', because },
    ] as const;
    assert.deepEqual(need(run, ...changes).need, { water: 'cold', minBoreIn: 0.2 });
    const asked = askedNeeds(knownNeed(run), changes);
    assert.equal(rulesOfAll(defaultRules, asked).push, 'never');
    assert.equal(asked.find((a) => a.id === 'bore')?.text, '0.2 in of bore');
    assert.deepEqual(
      asked.filter((a) => a.change !== null).map((a) => a.id),
      ['arrestor', 'bore', 'push'],
    );
  });
});

describe('what is put aside before an appliance', () => {
  const between = (id: string, a: string, b: string, more: Partial<Part> = {}): Part => part(id, [a, b], { lengthIn: 2, ...more });
  const hose = { flexible: true, lengthIn: 20 };
  const extension = between('extension', 'comp-3/8-f', 'comp-3/8-m', { ...hose, priceCents: 900, tags: ['hose', 'extension'] });
  const connector = between('connector', 'comp-3/8-f', 'comp-3/8-m', { ...hose, priceCents: 100, tags: ['hose', 'connector'] });
  const coil = between('coil', 'cu-3/8od', 'cu-3/8od', { flexible: true, cutToLength: true, maxLengthIn: 300, priceCents: 3000, tags: ['copper'] });
  const union = between('union', 'comp-3/8-m', 'comp-3/8-m', { tags: ['union'] });
  const of = (to: EndCode, more: Partial<KnownFacts> = {}) => need(facts({ to, distanceIn: 12, ...more }));
  const best = (parts: Part[]) =>
    matchPreferring({ from: 'comp-3/8-m', to: 'comp-3/8-f', parts, need: of('comp-3/8-f').need }, of('comp-3/8-f').soft).chains[0];

  it('is a connector onto its own hose, where an extension made for it or tube reaches; with its caution where nothing else does', () => {
    assert.equal(of('comp-3/8-f').soft[0], 'connector');
    assert.ok(!of('comp-1/4-m').soft.includes('connector'));
    assert.deepEqual(best([connector, extension])?.parts, ['extension']);
    assert.deepEqual(best([connector, coil, union])?.parts, ['coil', 'union']);
    const alone = best([connector, union]);
    assert.deepEqual(alone?.parts, ['connector']);
    assert.ok(alone?.cautions.some((c) => c.rule === 'hose-on-hose'));
  });
  it('is a line of which only a rule for other appliances speaks: the riser that is asked for wins before a toilet', () => {
    assert.ok(of('bc-7/8-m', { appliance: appliance('toilet') }).soft.includes('line:braided'));
    const riser = between('riser', 'comp-3/8-f', 'bc-7/8-f', { cutToLength: true, maxLengthIn: 20, priceCents: 3000, tags: ['line:riser'] });
    const braided = between('braided', 'comp-3/8-f', 'bc-7/8-f', { ...hose, priceCents: 100, tags: ['hose', 'line:braided'] });
    const rules = { ...defaultRules, toiletLine: 'riser' as const };
    const asked = { from: 'comp-3/8-m', to: 'bc-7/8-m', parts: [riser, braided], rules, need: { water: 'cold' as const, minLengthIn: 12 } };
    assert.deepEqual(matchPreferring(asked, asideFor('bc-7/8-m', true)).chains[0]?.parts, ['riser']);
  });
  it('is a hose where the line goes through a floor', () => {
    assert.deepEqual(need(facts({ passes: 'floor' })).need.avoid, ['hose', 'tub-connector']);
    assert.equal(need(facts({ passes: 'floor' }), { id: 'passes', to: null, because: 'a sleeve is there' }).need.avoid, undefined);
    assert.equal(need(facts()).need.avoid, undefined);
  });
  it('is no hose of a tub filler\u2019s own, inside its body', () => {
    const q = {
      from: 'npsm-1/2-m',
      to: 'npsm-1/2-m',
      parts: catalogue().parts,
      need: { water: 'cold' as const, minLengthIn: 20, avoid: ['hose'], ownConnectors: true },
    };
    assert.deepEqual(matchPreferring(q, []).chains[0]?.parts, ['con-tub-f12-24']);
    const through = matchPreferring({ ...q, need: { ...q.need, avoid: ['hose', 'tub-connector'] } }, []);
    // Said by whoever asks, no hose is none.
    const said = matchPreferring({ ...q, need: { ...q.need, ownConnectors: false } }, []);
    assert.ok(!said.chains.some((c) => c.parts.some((id) => id.startsWith('con-'))));
    assert.ok(!through.chains.some((c) => c.parts.some((id) => id.startsWith('con-'))));
  });
  it('is a short stub in place of a line, before an appliance only', () => {
    assert.ok(asideFor('comp-1/4-m', true).includes('stub'));
    assert.deepEqual([asideFor('cu-5/8od', false), asideFor('comp-3/8-f', false)], [[], ['connector']]);
  });
  it('is no reason to take a joint that only may hold', () => {
    const good = between('good', 'comp-3/8-f', 'comp-1/4-m', { tags: ['stub'] });
    const q = { from: 'comp-3/8-m', to: 'comp-1/4-f', need: { water: 'cold' as const } };
    const parts = [good, ...catalogue().parts.filter((p) => p.tags.includes('saddle'))];
    const { chains } = matchPreferring({ ...q, parts }, ['stub']);
    assert.ok(chains[0]!.joints.every((j) => j.mating.verdict === 'seals'));
  });
  it('is given up one by one, the last first, where nothing else reaches', () => {
    const stub = between('stub', 'cu-3/8od', 'cu-3/8od', { tags: ['stub'] });
    const q = { from: 'comp-3/8-m', to: 'comp-3/8-m', need: { water: 'cold' as const } };
    const found = matchPreferring({ ...q, parts: [stub] }, ['connector', 'stub']);
    assert.deepEqual([found.chains[0]?.parts, found.lengths], [['stub'], [[]]]);
    assert.deepEqual(matchPreferring({ ...q, parts: [] }, ['stub']).lengths, []);
  });
});

describe('another length of a chain', () => {
  it('is the same chain with that piece; none for what is no length of it', () => {
    const { parts, loose } = catalogue();
    const q = { from: 'comp-3/8-m', to: 'bc-7/8-m', parts, loose, need: { water: 'cold' as const } };
    const { chains, lengths } = matchPreferring(q, []);
    const other = lengths[0]!.at(-1)!;
    const chain = chainWithLength(q, chains[0]!, other.part)!;
    assert.deepEqual([chain.parts, chain.lengthIn], [[other.part], other.lengthIn]);
    assert.equal(lengthMaking(chains[0]!, lengths[0]!, [other.part]), other.part, 'found again by its parts');
    for (const parts of [['no-part'], [], [other.part, other.part]]) assert.equal(lengthMaking(chains[0]!, lengths[0]!, parts), null);
    assert.equal(chainWithLength(q, chains[0]!, 'no-part'), null);
    assert.equal(chainWithLength(q, { ...chains[0]!, parts: ['ad-c38f-c14'] }, other.part), null);
  });
});

describe('the bore of a question without a run', () => {
  const list = [
    { usualInletEnds: ['ght-3/4-m', 'npt-3/8-f'], minBoreIn: 0.24 },
    { usualInletEnds: ['ght-3/4-m'], minBoreIn: 0.3 },
  ];
  it('is the least that an appliance with such an inlet asks, whatever its material', () => {
    assert.equal(usualBoreIn(list, 'ght-3/4-m:plastic'), 0.24);
    assert.deepEqual(inletsFound({ usualInletEnds: ['g-1/2-m'], plasticInlet: true }), ['g-1/2-m:plastic']);
    assert.deepEqual(inletsFound({ usualInletEnds: ['g-1/2-m'], plasticInlet: false }), ['g-1/2-m']);
    assert.deepEqual(
      inletsFound({ usualInletEnds: ['npt-1/2-m'], plasticInlet: false }, ['cu-5/8od', 'pex-5/8od']),
      ['cu-5/8od', 'pex-5/8od'],
      'a rough-in',
    );
    assert.equal(usualBoreIn(list, 'comp-1/4-m'), null);
  });
});
