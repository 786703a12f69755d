import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { defaultRules, type HouseRules } from '../house/rules.ts';
import { matchChains } from '../match/chains.ts';
import type { Part } from '../match/part.ts';
import type { Appliance, StepTemplate } from './step-data.ts';
import { type RunFacts, workCard } from './work-card.ts';

const stepData = JSON.parse(readFileSync('catalog/data/steps.json', 'utf8')) as StepTemplate[];

function part(id: string, name: string, codes: string[], more: Partial<Part> = {}): Part {
  const ends = codes.map((code, i) => ({ id: `e${i}`, code, port: 'either' as const }));
  const rest = {
    flexible: false,
    cutToLength: false,
    lengthIn: 1,
    waters: ['cold', 'hot'] as ('cold' | 'hot')[],
    maxPsi: 200,
    maxF: 180,
    potable: true,
  };
  return { id, name, kind: 'adapter', ends, ...rest, priceCents: 500, minutes: 2, tags: [], ...more };
}

const appliance = (id: string, more: Partial<Appliance> = {}): Appliance => ({
  id,
  name: id,
  water: ['cold'],
  usualInletEnds: [],
  designGpm: 1,
  minFlowPsi: 20,
  maxStaticPsi: 120,
  fastClosing: 'no',
  typicalVolumeGal: 1,
  moves: false,
  powered: false,
  note: '',
  ...more,
});

const hose = part('hose', 'braided connector, 60 in', ['comp-1/4-f', 'comp-1/4-f'], { flexible: true, lengthIn: 60, kind: 'connector' });
const adapter = part('adapter', 'adapter, 3/8 x 1/4', ['comp-3/8-f', 'comp-1/4-m']);

function cardOf(more: Partial<RunFacts> = {}, parts = [hose, adapter], from = 'comp-3/8-m', to = 'comp-1/4-m') {
  const [chain] = matchChains({ from, to, parts, need: { water: 'cold' } }).chains;
  return workCard({
    appliance: appliance('refrigerator', { moves: true, powered: true }),
    water: 'cold',
    chain: chain!,
    from,
    to,
    stop: { kind: 'quarter-turn', condition: 'works' },
    hidden: false,
    rules: defaultRules,
    stepData,
    parts,
    ...more,
  });
}

const rules = (change: Partial<HouseRules>): HouseRules => ({ ...defaultRules, ...change });

describe('a work card', () => {
  it('goes through shut, make, prove and log in that order', () => {
    const order = ['shut', 'make', 'prove', 'log'];
    const stages = cardOf().map((s) => order.indexOf(s.stage));
    assert.deepEqual([...stages].sort((a, b) => a - b), stages); // biome-ignore format: one line
    assert.ok(stages.includes(0) && stages.includes(1));
  });

  it('makes every joint once, from the wall, or from the appliance when the house does', () => {
    const made = (card: ReturnType<typeof cardOf>) => card.flatMap((s) => (s.joint === undefined ? [] : [s.joint]));
    assert.deepEqual(made(cardOf()), [1, 2, 3]);
    assert.deepEqual(made(cardOf({ rules: rules({ firstEnd: 'appliance' }) })), [3, 2, 1]);
  });

  it('gives each screwed joint its turns to begin with', () => {
    for (const step of cardOf()) if (step.joint !== undefined) assert.equal(step.turns, 0.5);
  });

  it('shuts the stop when there is one, and upstream when there is none or it does not hold', () => {
    const ids = (stop: RunFacts['stop']) => cardOf({ stop }).map((s) => s.id);
    assert.ok(ids({ kind: 'quarter-turn', condition: 'works' }).includes('shut-stop'));
    assert.ok(ids(null).includes('shut-upstream') && !ids(null).includes('shut-stop'));
    assert.ok(ids({ kind: 'multi-turn', condition: 'passes' }).includes('shut-bad'));
    assert.ok(ids({ kind: 'saddle', condition: 'unknown' }).includes('shut-saddle'));
  });

  it('asks for power off before a powered appliance, and for two people before one that moves', () => {
    const first = cardOf()[0]!;
    assert.equal(first.id, 'shut-power');
    assert.ok(first.gate);
    const toilet = cardOf({ appliance: appliance('toilet') });
    assert.ok(!toilet.some((s) => s.id === 'shut-power' || s.id === 'make-draw-out'));
    assert.ok(toilet.some((s) => s.id === 'make-tank'));
  });

  it('proves it dead by a gate that is timed', () => {
    const dead = cardOf().find((s) => s.id === 'shut-dead');
    assert.ok(dead?.gate && dead.timerS === 60);
  });

  it('follows the house rules where they change a step', () => {
    const has = (id: string, change: Partial<HouseRules>, kind = 'dishwasher') =>
      cardOf({ appliance: appliance(kind), rules: rules(change) }).some((s) => s.id === id);
    assert.ok(has('make-old-line-new', { connector: 'new' }));
    assert.ok(has('make-old-line-reuse', { connector: 'reuse if sound' }));
    assert.ok(has('make-drain-air-gap', { airGap: 'required' }));
    assert.ok(has('make-drain-high-loop', { airGap: 'high loop allowed' }));
    assert.ok(!has('make-drain-air-gap', { airGap: 'required' }, 'toilet'));
  });

  it('leaves no blank in its words', () => {
    for (const kind of ['toilet', 'basin-faucet', 'refrigerator', 'dishwasher']) {
      for (const step of cardOf({ appliance: appliance(kind, { moves: true, powered: true }) })) {
        for (const text of [step.title, step.detail, step.gate ?? '', ...step.cautions])
          assert.doesNotMatch(text, /[{}]|undefined| {2}/, `${step.id}: ${text}`);
        assert.ok(step.because[0]?.text && step.because[0].source, step.id);
      }
    }
  });

  it('names ferrule joints with their tube', () => {
    const coil = part('coil', 'copper coil', ['cu-1/4od', 'cu-1/4od']);
    const card = cardOf({}, [coil], 'comp-1/4-m', 'comp-1/4-m');
    const joint = card.find((s) => s.joint === 1);
    assert.match(`${joint?.title} ${joint?.detail}`, /ferrule/i);
    assert.match(`${joint?.title} ${joint?.detail}`, /1\/4 in OD/);
    assert.equal(joint?.turns, 0.75);
  });
});
