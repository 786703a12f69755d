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

  const ids = (more: Partial<RunFacts> = {}, parts?: Part[], from?: string, to?: string) => cardOf(more, parts, from, to).map((s) => s.id);

  it('takes no old line away where there is none, and keeps the one that is joined again', () => {
    const offs = (list: string[]) => list.filter((id) => id.startsWith('make-old'));
    assert.deepEqual(offs(ids({ oldLine: 'none' })), []);
    assert.deepEqual(offs(ids({ oldLine: 'replace' })), ['make-old-line-new', 'make-old-off']);
    const tee = part('tee', 'add-on tee', ['comp-3/8-f', 'comp-1/4-m', 'comp-3/8-m']);
    const parts = [hose, tee];
    const [chain] = matchChains({ from: 'comp-3/8-m', to: 'comp-1/4-m', rejoin: 'comp-3/8-f', parts, need: { water: 'cold' } }).chains;
    assert.deepEqual(offs(ids({ chain: chain!, oldLine: 'keep' }, parts)), ['make-old-part']);
  });
  it('relieves at the hose nut where a solenoid holds the water, and at the outlet elsewhere', () => {
    assert.ok(ids({ appliance: appliance('dishwasher', { fastClosing: 'yes' }) }).includes('shut-relieve-solenoid'));
    assert.ok(!ids({ appliance: appliance('dishwasher', { fastClosing: 'yes' }) }).includes('shut-relieve'));
    assert.ok(ids({ appliance: appliance('basin-faucet') }).includes('shut-relieve'));
  });
  it('warns of braid only where there is braid', () => {
    assert.ok(!ids().includes('make-route-braid'));
    assert.ok(ids({}, [{ ...hose, tags: ['line:braided'] }, adapter]).includes('make-route-braid'));
  });
  it('cuts to the sixteenth, never short', () => {
    const coil = part('coil', 'copper coil, 1/4 in OD', ['cu-1/4od', 'cu-1/4od'], { flexible: true, cutToLength: true, tags: ['line:copper'] });
    const need = { water: 'cold' as const, minLengthIn: 72.0472 };
    const [chain] = matchChains({ from: 'comp-1/4-m', to: 'comp-1/4-m', parts: [coil], need }).chains;
    const cut = cardOf({ chain: chain! }, [coil], 'comp-1/4-m', 'comp-1/4-m').find((s) => s.id.startsWith('make-cut'))!;
    assert.match(cut.title, /84 1\/16 in$/);
  });
  it('has the solder done, and cold, before any other joint', () => {
    const stub = part('stub', 'solder adapter', ['cup-3/8od', 'comp-3/8-m'], {});
    const long = { ...hose, ends: hose.ends.map((e, i) => (i === 0 ? { ...e, code: 'comp-3/8-f' } : e)) };
    const joints = ids({}, [stub, long], 'cu-3/8od').filter((id) => id.startsWith('joint-'));
    assert.equal(joints[0], 'joint-solder:j1');
    const other = ids({ rules: rules({ firstEnd: 'appliance' }) }, [stub, long], 'cu-3/8od').filter((id) => id.startsWith('joint-'));
    assert.equal(other[0], 'joint-solder:j1');
  });
});
