import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { describe, it } from 'node:test';
import { defaultRules, type HouseRules } from '../house/rules.ts';
import { matchChains } from '../match/chains.ts';
import type { Part } from '../match/part.ts';
import { sideWords } from '../match/told/sides.ts';
import type { Appliance } from '../rows/index.ts';
import type { StepTemplate } from './step-data.ts';
import { type RunFacts, workCard } from './work-card.ts';
import { usualWork } from './work-kinds.ts';

const stepData = JSON.parse(readFileSync('catalog/steps/first-cards.json', 'utf8')) as StepTemplate[];

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
  plasticInlet: false,
  mixes: false,
  fedBoth: false,
  hasAerator: false,
  makesIce: false,
  capGpm: null,
  designGpm: 1,
  minFlowPsi: 20,
  maxStaticPsi: 120,
  fastClosing: 'no',
  closesMs: 500,
  minBoreIn: 0.15,
  usualNeeds: [],
  avoid: [],
  protection: '',
  typicalVolumeGal: 1,
  usualLine: { stop: 'quarter-angle', tube: 'braid-faucet', lengthIn: 20 },
  moves: false,
  powered: false,
  note: '',
  ...more,
});

const hose = part('hose', 'braided connector, 60 in', ['comp-1/4-f', 'comp-1/4-f'], { flexible: true, lengthIn: 60, kind: 'connector' });
const adapter = part('adapter', 'adapter, 3/8 x 1/4', ['comp-3/8-f', 'comp-1/4-m']);

function cardOf(more: Partial<RunFacts> = {}, parts = [hose, adapter], from = 'comp-3/8-m', to = 'comp-1/4-m') {
  const [chain] = matchChains({ from, to, parts, need: { water: 'cold' } }).chains;
  const of = more.appliance ?? appliance('refrigerator', { moves: true, powered: true });
  return workCard({
    work: usualWork(of.id),
    appliance: of,
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

describe('a card of the first two versions', () => {
  it('goes through shut, make, prove and log in that order', () => {
    const order = ['shut', 'make', 'prove', 'log'];
    const stages = cardOf().map((s) => order.indexOf(s.stage));
    assert.deepEqual(
      [...stages].sort((a, b) => a - b),
      stages,
    );
    assert.ok(stages.includes(0) && stages.includes(1));
  });

  it('makes every joint once, from the wall, or from the appliance when the house does', () => {
    const made = (card: ReturnType<typeof cardOf>) => card.flatMap((s) => (s.joint === undefined ? [] : [s.joint]));
    assert.deepEqual(made(cardOf()), [1, 2, 3]);
    assert.deepEqual(made(cardOf({ rules: rules({ firstEnd: 'appliance' }) })), [3, 2, 1]);
  });

  it('gives each screwed joint its turns to begin with', () => {
    for (const step of cardOf()) if (step.joint !== undefined) assert.equal(step.turns, 0.25);
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
    assert.deepEqual(offs(ids({ oldLine: 'replace' })), ['make-old-off', 'make-old-line-new']);
    const tee = part('tee', 'add-on tee', ['comp-3/8-f', 'comp-1/4-m', 'comp-3/8-m']);
    const parts = [hose, tee];
    const [chain] = matchChains({ from: 'comp-3/8-m', to: 'comp-1/4-m', rejoin: 'comp-3/8-f', parts, need: { water: 'cold' } }).chains;
    assert.deepEqual(offs(ids({ chain: chain!, oldLine: 'keep' }, parts)), ['make-old-part']);
  });
  it('relieves at the hose nut where a solenoid holds the water, and at the outlet elsewhere', () => {
    assert.ok(ids({ appliance: appliance('dishwasher', { fastClosing: 'yes' }) }).includes('shut-relieve-solenoid'));
    assert.ok(!ids({ appliance: appliance('dishwasher', { fastClosing: 'yes' }) }).includes('shut-relieve'));
    assert.ok(ids({ appliance: appliance('basin-faucet') }).includes('shut-relieve'));
    assert.ok(ids({ appliance: appliance('dishwasher', { fastClosing: 'yes' }), oldLine: 'none' }).includes('shut-relieve-bucket'));
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

  it('puts the insert in before the nut is tightened or the tube pushed, at each joint', () => {
    const tube = part('tube', 'PE tube', ['pe-1/4od', 'pe-1/4od']);
    const made = ids({}, [tube], 'comp-1/4-m', 'comp-1/4-m').filter((id) => /^(insert|joint)-/.test(id));
    assert.deepEqual(made, ['insert-ferrule:j1', 'joint-ferrule-plastic:j1', 'insert-ferrule:j2', 'joint-ferrule-plastic:j2']);
    const coupling = part('coupling', 'push coupling', ['ptc-5/8od', 'ptc-5/8od']);
    const pushed = ids({}, [coupling], 'pex-5/8od', 'pex-5/8od').filter((id) => /^(insert|joint)-/.test(id));
    assert.deepEqual(pushed, ['insert-push:j1', 'joint-push:j1', 'insert-push:j2', 'joint-push:j2']);
  });
  it('flushes a new stop, or a cut line, before the joint to the appliance, whatever end is made first', () => {
    const stop = part(
      'stop',
      'angle stop',
      ['cu-5/8od', 'comp-3/8-m'].map((c) => (c === 'cu-5/8od' ? 'comp-5/8-m' : c)),
      { tags: ['stop'] },
    );
    const long = { ...hose, ends: hose.ends.map((e, i) => (i === 0 ? { ...e, code: 'comp-3/8-f' } : e)) };
    const flushed = (more: Partial<RunFacts>) => ids(more, [stop, long], 'cu-5/8od').filter((id) => /^(flush|joint)-/.test(id));
    const wall = ['joint-ferrule-large:j1', 'joint-washer:j2', 'flush-new-stop:j3', 'joint-washer:j3'];
    assert.deepEqual(flushed({}), wall);
    assert.deepEqual(flushed({ rules: rules({ firstEnd: 'appliance' }) }), wall);
    assert.ok(!ids().some((id) => id.startsWith('flush-')));
  });
  it('takes the energy off a heater before its water, and puts it on again after', () => {
    const hot = (stop: RunFacts['stop']) => ids({ water: 'hot', stop });
    const seized = hot({ kind: 'multi-turn', condition: 'seized-open' });
    assert.ok(seized.indexOf('shut-energy') < seized.indexOf('shut-bad') && seized.includes('prove-energy-on'));
    assert.ok(!hot({ kind: 'quarter-turn', condition: 'works' }).includes('shut-energy'));
    assert.ok(hot(null).includes('shut-energy') && !ids({ stop: null }).includes('shut-energy'));
    for (const condition of ['works', 'weeps', 'unknown', 'passes', 'seized-open', 'seized-shut', 'broken']) {
      const card = hot({ kind: 'gate', condition });
      assert.equal(card.includes('shut-energy'), card.includes('shut-bad'), condition);
    }
  });
  it('closes and relieves the tank of a reverse-osmosis unit', () => {
    assert.ok(ids({ afterOsmosis: true }).includes('shut-ro-tank') && ids({ afterOsmosis: true }).includes('prove-ro-tank'));
    assert.ok(!ids().includes('shut-ro-tank'));
  });
  it('asks about hidden joints after the standing round, not before water', () => {
    const card = cardOf({ hidden: true });
    assert.ok(card.find((s) => s.id === 'prove-hidden')?.gate);
    assert.ok(!card.some((s) => s.id === 'make-hidden'));
    assert.ok(card.findIndex((s) => s.id === 'prove-stand') < card.findIndex((s) => s.id === 'prove-hidden'));
  });
  it('is composed as it was when its chain was accepted', () => {
    const first = cardOf({ hidden: true, cardVersion: 1 });
    assert.ok(first.some((s) => s.id === 'make-hidden') && !first.some((s) => s.id === 'prove-hidden'));
    const rinser = { appliance: appliance('glass-rinser', { fastClosing: 'yes' }), oldLine: 'none' } as const;
    const relieved = (cardVersion: number) => ids({ ...rinser, cardVersion }).filter((id) => id.startsWith('shut-relieve'));
    assert.deepEqual([relieved(1), relieved(2)], [['shut-relieve'], ['shut-relieve-bucket']]);
  });
  it('says what each round is for this appliance: ice only where ice is made', () => {
    const said = (kind: string) =>
      cardOf({ appliance: appliance(kind) })
        .filter((s) => s.round === 'working')
        .map((s) => s.detail)
        .join(' ');
    assert.match(said('refrigerator'), /Where it makes ice/);
    for (const kind of ['brewer', 'ro-dispenser', 'glass-rinser', 'hydrant', 'bidet-seat', 'tub-filler']) {
      assert.ok(said(kind).length > 20, kind);
      assert.doesNotMatch(said(kind), /\bice\b/, kind);
    }
    assert.match(said('hydrant'), /outlet held back/);
    assert.match(said('bidet-seat'), /while it sprays/);
  });
  it('names the three joints of a tee under a fill valve, and turns an old ferrule only past where it resists', () => {
    const tee = part('tee', 'fill-valve tee', ['bc-7/8-m', 'npsm-1/2-m', 'bc-7/8-f']);
    const seat = part('seat', 'bidet hose', ['npsm-1/2-f', 'npsm-1/2-f'], { flexible: true });
    const q = { from: 'bc-7/8-f', to: 'npsm-1/2-m', rejoin: 'bc-7/8-m', parts: [tee, seat], need: { water: 'cold' as const } };
    const [chain] = matchChains(q).chains;
    const card = cardOf({ chain: chain!, appliance: appliance('bidet-seat'), rejoin: q.rejoin }, q.parts, q.from, q.to);
    const titles = card.filter((s) => s.joint !== undefined).map((s) => s.title);
    assert.match(titles[0]!, /fill-valve tee onto old line/);
    assert.match(titles.at(-1)!, /fill valve onto fill-valve tee/);
    const words = (rejoin: string) => sideWords({ from: 'bc-7/8-f', rejoin }, true, 'toilet (tank)').old;
    assert.deepEqual([words('bc-7/8-m'), words('npsm-1/2-m')], ['fill valve', 'old inlet']);
    const joined = part('joined', 'add-on tee', ['comp-1/4-f', 'comp-1/4-m', 'comp-1/4-m']);
    const again = { from: 'comp-1/4-m', to: 'comp-1/4-f', rejoin: 'cu-1/4od', parts: [joined], need: { water: 'cold' as const } };
    const [old] = matchChains(again).chains;
    const last = cardOf({ chain: old! }, [joined], again.from, again.to).findLast((s) => s.joint !== undefined)!;
    assert.deepEqual([last.id, last.turns], ['joint-ferrule-reused:j3', 0.25]);
  });
});
