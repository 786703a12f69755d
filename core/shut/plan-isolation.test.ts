import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { canShut, isSource, isStuckShut, isTank, type NetValve, type WaterNetwork } from './network.ts';
import { planIsolation } from './plan-isolation.ts';
import { byChance, chanceOf, drawn } from './testing.ts';
import { DISTRUST_RANKS, distrust } from './trust.ts';

function possible(net: WaterNetwork, workOn: string[], struckOut: string[] = []) {
  const plan = planIsolation(net, { workOn, struckOut });
  assert.ok(plan.possible, 'a plan is possible');
  return plan;
}

/** Places that water reaches past links that are open: on its own, by repeated passes over all links. */
function reach(net: WaterNetwork, from: Iterable<string>, isOpen: (v: NetValve) => boolean): Set<string> {
  const wet = new Set(from);
  const links = [...net.pipes, ...net.valves.filter(isOpen)];
  for (let size = -1; size !== wet.size; ) {
    size = wet.size;
    for (const { a, b } of links) {
      if (wet.has(a)) wet.add(b);
      else if (wet.has(b)) wet.add(a);
    }
  }
  return wet;
}
const sourcesOf = (net: WaterNetwork) => net.places.filter(isSource).map((p) => p.id);

interface Judged {
  dry: number;
  relieve: number;
  ranks: number[];
}

/** None in the street, fewest dry, fewest tanks, then the least trusted first: every set of valves tried. A valve that is stuck shut is relied on or not. */
function bruteForce(net: WaterNetwork, work: string): Judged | null {
  const all = net.valves.filter((v) => canShut(v) || isStuckShut(v));
  return (
    bestOf(
      net,
      work,
      all.filter((v) => v.kind !== 'street' || isStuckShut(v)),
    ) ?? bestOf(net, work, all)
  );
}
function bestOf(net: WaterNetwork, work: string, usable: readonly NetValve[]): Judged | null {
  let best: Judged | null = null;
  for (let set = 0; set < 2 ** usable.length; set++) {
    const used = new Set(usable.filter((_, i) => set & (1 << i)));
    if (reach(net, sourcesOf(net), (v) => !used.has(v)).has(work)) continue;
    const wet = reach(net, sourcesOf(net), (v) => !used.has(v) && !isStuckShut(v));
    const dry = net.places.filter((p) => p.kind === 'outlet' && p.id !== work && !wet.has(p.id)).length;
    const joined = reach(net, [work], (v) => !used.has(v));
    const relieve = net.places.filter((p) => isTank(p) && joined.has(p.id)).length;
    const ranks = new Array<number>(DISTRUST_RANKS).fill(0);
    for (const v of used) ranks[DISTRUST_RANKS - 1 - distrust(v)]!++;
    if (best === null || isLess([dry, relieve, ...ranks], [best.dry, best.relieve, ...best.ranks])) best = { dry, relieve, ranks };
  }
  return best;
}
function isLess(a: number[], b: number[]): boolean {
  const i = a.findIndex((x, k) => x !== b[k]);
  return i !== -1 && a[i]! < b[i]!;
}

const HOUSE = `street:source 0; m:junction 0; street|m gate works main; c:junction 1; m-c 0.785 20
  sink:outlet 4; s:junction 2; c-s 0.545 6; s|sink quarter-turn works stop-sink
  wc:outlet 2; w:junction 2; c-w 0.545 8; w|wc quarter-turn seized-open stop-wc`;

describe('a plan of isolation', () => {
  it('closes the stop alone where it holds, and the main where it does not', () => {
    const net = drawn(HOUSE);
    const sink = possible(net, ['sink']);
    assert.deepEqual([sink.close, sink.dry, sink.fallback?.possible && sink.fallback.close], [['stop-sink'], [], ['main']]);
    const wc = possible(net, ['wc']);
    assert.deepEqual([wc.close, wc.dry], [['main'], ['sink']]);
    assert.equal(wc.fallback?.possible, false);
    assert.match(wc.fallback!.because[0]!.text, /"wc" with main struck out: call the water company/);
  });
  it('of a stop that is renewed shuts what is before it', () => {
    assert.deepEqual(possible(drawn(HOUSE), ['stop-sink']).close, ['main']);
  });
  it('has none for the main itself, nor where nothing holds', () => {
    const net = drawn(HOUSE);
    assert.equal(planIsolation(net, { workOn: ['main'] }).possible, false);
    assert.equal(planIsolation(net, { workOn: ['sink'], struckOut: ['stop-sink', 'main'] }).possible, false);
  });
  it('goes round through a mixer: the hot side is shut too, and its heater’s energy goes off', () => {
    const net =
      drawn(`street:source 0; c:junction 0; street-c; hc:junction 0; c|hc gate works heater-valve; heater:heater 0; hc-heater; h:junction 3; heater-h
      mix:mixer 4; c4:junction 4; c|c4 quarter-turn works cold; c4-mix; h-mix; shower:outlet 6; mix-shower`);
    const plan = possible(net, ['c4']);
    assert.deepEqual([[...plan.close].sort(), plan.dry, plan.energyOff], [['cold', 'heater-valve'], ['shower'], ['heater']]);
  });
  it('prefers a good valve to one that was never tried, and two good ones to one bad one, but never more people dry', () => {
    const net = drawn(`street:source 0; a:junction 0; street|a quarter-turn works far; b:junction 0; a|b gate unknown near; x:outlet 0; b-x`);
    assert.deepEqual(possible(net, ['x']).close, ['far']);
    const withUser = {
      ...net,
      ...drawn(
        `street:source 0; a:junction 0; street|a quarter-turn works far; b:junction 0; a|b gate unknown near; x:outlet 0; b-x; y:outlet 0; a-y`,
      ),
    };
    assert.deepEqual(possible(withUser, ['x']).close, ['near']);
  });
  it('relies on a valve that is stuck shut only as on one that was never tried', () => {
    const net = drawn(
      's:source 0; a:junction 0; s|a gate seized-shut stuck; t:source 0; x:outlet 0; a-x; b:junction 0; t|b quarter-turn works good; b|x multi-turn works also',
    );
    const plan = possible(net, ['x']);
    assert.deepEqual(plan.close, ['good']);
    assert.ok(plan.because.some((r) => r.rule === 'relied-on' && r.text.includes('"stuck"')));
    assert.equal(plan.fallback?.possible, false, 'nothing else keeps the first source away');
  });
  it('says how much comes out, by heights: at the drain, and what stays to come out at the joint', () => {
    // 0.0408 gal a foot of 1 in bore; the riser runs from 0 to 10 ft, the work stands at 0, the lowest outlet at 4.
    const net = drawn(
      's:source 0; x:junction 0; s|x quarter-turn works v; top:junction 10; x-top 1 10; low:outlet 4; top-low 1 6; high:outlet 10; top-high 1 5',
    );
    const plan = possible(net, ['x']);
    assert.deepEqual([plan.drainAt, plan.ventAt], ['low', 'high']);
    assert.ok(Math.abs(plan.volumeGal - 0.0408 * (6 + 6 + 5)) < 1e-4, String(plan.volumeGal));
    assert.ok(Math.abs(plan.residualGal - 0.0408 * 4) < 1e-4, String(plan.residualGal));
  });
  it('relieves a tank that nothing parts from the work, and parts it where that costs nobody their water', () => {
    const net = drawn(
      's:source 0; m:junction 0; s|m gate works main; t:tank 0; m-t; w:junction 0; m|w quarter-turn works trunk; x:outlet 0; w-x; y:outlet 1; m-y',
    );
    const at = possible(net, ['m']);
    assert.deepEqual([at.close, at.relieve, at.dry], [['main'], ['t'], ['x', 'y']]);
    assert.match(at.because.find((r) => r.rule === 'relieve')!.text, /"t" stays joined to the work/);
    assert.deepEqual([possible(net, ['w']).close, possible(net, ['w']).relieve], [['trunk'], []]);
    const own = { ...net, valves: [...net.valves], pipes: net.pipes.filter((p) => p.id !== 'm-t') };
    own.valves.push({ id: 'tank-valve', a: 'm', b: 't', kind: 'saddle', condition: 'unknown' });
    const parted = possible(own, ['m']);
    assert.deepEqual([parted.close, parted.relieve], [['main', 'tank-valve'], []]);
  });
  it('feeds nobody from a tank', () => {
    const net = drawn(
      's:source 0; m:junction 0; s|m gate works main; t:tank 0; m-t; x:outlet 0; m|x quarter-turn broken b; y:outlet 0; m|y gate works near',
    );
    assert.deepEqual([possible(net, ['x']).dry, possible(net, ['x']).relieve], [['y'], ['t']]);
  });
  it('turns the valve in the street only where nothing in the house parts the work from it', () => {
    const net = drawn(
      's:source 0; j:junction 0; s|j street works curb; m:junction 0; j|m gate unknown main; x:outlet 0; m-x; y:outlet 0; j|y gate unknown ygate',
    );
    const x = possible(net, ['x']);
    assert.deepEqual([x.close, x.fallback?.possible && x.fallback.close], [['main'], ['curb']]);
    const main = possible(net, ['main']);
    assert.deepEqual(main.close, ['curb']);
    assert.ok(main.because.some((r) => r.rule === 'street'));
    assert.equal(planIsolation(net, { workOn: ['curb'] }).possible, false);
  });
  it('stops a well at its breaker where no valve parts it from the work, or where its pump would run against a shut one', () => {
    const well = (text: string) => {
      const net = drawn(text);
      return { ...net, places: net.places.map((p) => (p.id === 'w' ? { ...p, stands: 'well pump' as const } : p)) };
    };
    const bare = well('w:source 0; t:tank 0; w-t; x:outlet 0; t|x gate works stop; y:outlet 0; t-y');
    const at = possible(bare, ['t']);
    assert.deepEqual([at.close, at.relieve, at.pumpsOff, at.dry], [[], ['t'], ['w'], ['x', 'y']]);
    assert.deepEqual([possible(bare, ['x']).close, possible(bare, ['x']).pumpsOff], [['stop'], []]);
    const parted = well('w:source 0; h:junction 0; w|h gate works head; t:tank 0; h-t; x:outlet 0; h-x');
    assert.deepEqual([possible(parted, ['x']).close, possible(parted, ['x']).pumpsOff], [['head'], ['w']], 'its switch sits at the tank');
    const noTank = well('w:source 0; h:junction 0; w|h gate works head; x:outlet 0; h|x gate works stop; y:outlet 0; h-y');
    assert.deepEqual([possible(noTank, ['x']).pumpsOff, possible(noTank, ['h']).pumpsOff], [[], ['w']]);
  });
  it('names heaters that can drain into the work beside those that only lose their supply', () => {
    const net = drawn(
      's:source 0; m:junction 0; s|m gate works main; k:heater 0; m|k gate works cold; h:outlet 3; k|h quarter-turn works hot; c:outlet 0; m-c',
    );
    const [all, behind] = [possible(net, ['m']), possible(net, ['k'])];
    assert.deepEqual([all.close, all.energyOff, all.heatersOpen], [['main'], ['k'], ['k']]);
    assert.deepEqual([behind.close, behind.energyOff, behind.heatersOpen], [['cold'], ['k'], ['k']]);
    assert.deepEqual(possible(net, ['h']).energyOff, []);
  });
  it('names what it cannot work with', () => {
    assert.throws(() => planIsolation(drawn('a:source 0; a-b'), { workOn: ['a'] }), /"a-b" leads to "b", which is no place/);
    assert.throws(() => planIsolation(drawn(HOUSE), { workOn: ['attic'] }), /attic/);
    assert.throws(() => planIsolation(drawn(HOUSE), { workOn: ['wc'], struckOut: ['c-w'] }), /Name a valve/);
  });

  it('is the best of all sets of valves on 1,000 small networks', () => {
    let [possibleOnes, dryOnes, relievedOnes, streetOnes] = [0, 0, 0, 0];
    for (let seed = 1; seed <= 1000; seed++) {
      const next = chanceOf(seed * 7919);
      const net = byChance(next, {
        places: 4 + Math.floor(next() * 12),
        valves: Math.floor(next() * 12),
        loops: Math.floor(next() * 4),
        outletEvery: 2 + Math.floor(next() * 3),
        tanks: 1,
      });
      const work = net.places[1 + Math.floor(next() * (net.places.length - 1))]!.id;
      const plan = planIsolation(net, { workOn: [work] });
      const best = bruteForce(net, work);
      assert.equal(plan.possible, best !== null, `seed ${seed}: possible`);
      if (!plan.possible || best === null) continue;
      possibleOnes++;
      if (best.dry > 0) dryOnes++;
      if (best.relieve > 0) relievedOnes++;
      if (plan.close.some((id) => net.valves.find((v) => v.id === id)?.kind === 'street')) streetOnes++;
      const ranks = new Array<number>(DISTRUST_RANKS).fill(0);
      for (const id of [...plan.close, ...plan.reliesOn]) ranks[DISTRUST_RANKS - 1 - distrust(net.valves.find((v) => v.id === id)!)]!++;
      assert.equal(plan.dry.length, best.dry, `seed ${seed}: dry`);
      assert.equal(plan.relieve.length, best.relieve, `seed ${seed}: tanks`);
      assert.deepEqual(ranks, best.ranks, `seed ${seed}: trust`);
    }
    const counts = { possibleOnes, dryOnes, relievedOnes, streetOnes };
    assert.ok(possibleOnes > 300 && dryOnes > 50 && relievedOnes > 50 && streetOnes > 10, JSON.stringify(counts));
  });

  it('leaves no way from a source to the work, on thousands of networks, whatever is struck out', () => {
    for (let seed = 1; seed <= 3000; seed++) {
      const next = chanceOf(seed * 104_729);
      const net = byChance(next, { places: 10 + Math.floor(next() * 60), valves: Math.floor(next() * 40), loops: Math.floor(next() * 12) });
      const work = [0, 1].map(() => net.places[Math.floor(next() * net.places.length)]!.id);
      const struckOut = net.valves.filter(() => next() < 0.2).map((v) => v.id);
      for (let plan = planIsolation(net, { workOn: work, struckOut }), depth = 0; plan.possible; depth++) {
        const holds = new Set([...plan.close, ...plan.reliesOn]);
        const leaked = reach(net, sourcesOf(net), (v) => !holds.has(v.id));
        assert.ok(!work.some((w) => leaked.has(w)), `seed ${seed}, fallback ${depth}`);
        for (const id of plan.close) assert.ok(canShut(net.valves.find((v) => v.id === id)!) && !struckOut.includes(id), `seed ${seed}: ${id}`);
        if (plan.fallback === null) break;
        const { close } = plan;
        const joined = reach(net, work, (v) => !holds.has(v.id));
        const tanks = net.places.filter((p) => isTank(p) && joined.has(p.id)).map((p) => p.id);
        assert.deepEqual(plan.relieve, tanks, `seed ${seed}, fallback ${depth}: tanks`);
        if (depth === 0) {
          const wet = reach(net, sourcesOf(net), (v) => !close.includes(v.id) && !(isStuckShut(v) && !struckOut.includes(v.id)));
          const dry = net.places.filter((p) => p.kind === 'outlet' && !wet.has(p.id) && !work.includes(p.id)).map((p) => p.id);
          assert.deepEqual(plan.dry, dry, `seed ${seed}: dry`);
        }
        plan = plan.fallback;
      }
    }
  });
});
