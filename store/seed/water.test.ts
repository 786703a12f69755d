import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { backSteps, branchesOf, folded, type IsolationPlan, planIsolation, schematicOf, shutSteps } from '../../core/index.ts';
import { brokenLinks, missing, VALVE_CONDITIONS } from '../../core/shut/network.ts';
import { networkOf } from '../../record/premises/water.ts';
import { demoWater } from './water.ts';

describe('the demo’s water', () => {
  const net = networkOf(demoWater((key) => key));
  const planned = (workOn: string, struckOut: string[] = []) => {
    const plan = planIsolation(net, { workOn: [workOn], struckOut });
    assert.ok(plan.possible, workOn);
    return plan;
  };

  it('is a house: outlets, pipes, valves in every condition, two heaters, a tank, three levels, nothing to nowhere', () => {
    const kinds = (kind: string) => net.places.filter((p) => p.kind === kind).length;
    assert.ok(
      kinds('outlet') >= 60 && net.pipes.length >= 120 && net.valves.length >= 80,
      `${kinds('outlet')} ${net.pipes.length} ${net.valves.length}`,
    );
    assert.deepEqual([kinds('heater'), kinds('tank')], [2, 1]);
    assert.equal(new Set(net.places.map((p) => Math.round((p.heightFt - 3) / 11))).size, 3);
    assert.deepEqual([...new Set(net.valves.map((v) => v.condition))].sort(), [...VALVE_CONDITIONS].sort());
    assert.deepEqual(brokenLinks(net), []);
    assert.ok(missing(net).every((f) => f.rule === 'no-own-stop'));
  });

  it('gives its work the plans that a plumber would expect', () => {
    assert.deepEqual(planned('run Refrigerator').close, ['Refrigerator: stop']);
    // The return keeps the far end hot from behind: the heater alone is closed at three sides.
    assert.deepEqual(planned('lodge heater').close.sort(), ['Lodge heater, cold valve', 'Lodge heater, hot valve', 'Return valve'].sort());
    assert.deepEqual(planned('lodge heater').energyOff, ['lodge heater']);
    // A broken stop upstairs: the riser, and what feeds it from behind through the showers.
    const broken = planned('Guest 4 toilet');
    assert.ok(broken.close.includes('Lodge riser, cold') && broken.close.some((id) => /shower/.test(id)), broken.close.join(', '));
    // The old wing's own valve passes: the house goes dry.
    assert.deepEqual(planned('run Old wing toilet').close, ['Main valve']);
    assert.deepEqual(
      planned('run Refrigerator', ['Refrigerator: stop']).close,
      ["Director's flat, cold"].concat(planned('run Refrigerator', ['Refrigerator: stop']).close.slice(1)),
    );
    // Before the main no valve parts the work from the well: its pump is stopped, its tank parted.
    const main = planned('main in');
    assert.deepEqual([main.close, main.pumpsOff, main.relieve, main.energyOff.length], [['Tank valve'], ['well'], [], 2]);
    assert.deepEqual(planned('main in', ['Tank valve']).relieve, ['tank']);
    assert.deepEqual(planned('run Old wing toilet').pumpsOff, [], 'its tank stays with the pump');
  });

  /** Whether water comes from a source, or a tank that is not relieved, to any of the places, by a walk of its own. */
  function comes(to: ReadonlySet<string>, closed: ReadonlySet<string>): boolean {
    const seen = new Set(net.places.filter((p) => (p.kind === 'source' || p.kind === 'tank') && !closed.has(p.id)).map((p) => p.id));
    const way = [...seen];
    while (way.length > 0) {
      const here = way.pop()!;
      if (to.has(here)) return true;
      for (const link of [...net.pipes, ...net.valves]) {
        if (closed.has(link.id) || (link.a !== here && link.b !== here)) continue;
        const next = link.a === here ? link.b : link.a;
        if (!seen.has(next)) {
          seen.add(next);
          way.push(next);
        }
      }
    }
    return false;
  }

  it('is kept from every outlet by its plan, and by each that comes after it; none of them leaves more with water than the one before', () => {
    for (const outlet of net.places.filter((p) => p.kind === 'outlet')) {
      let dry = -1;
      let plan: IsolationPlan | null = planned(outlet.id);
      for (let n = 0; plan?.possible && n < 12; n++) {
        const bars: Set<string> = new Set([...plan.close, ...plan.reliesOn, ...plan.pumpsOff, ...plan.relieve]);
        assert.equal(comes(new Set([outlet.id]), bars), false, `${outlet.id} ${n}`);
        for (const id of plan.close) {
          const valve = net.valves.find((v) => v.id === id)!;
          assert.ok(['works', 'weeps', 'unknown'].includes(valve.condition) && valve.kind !== 'check' && valve.kind !== 'regulator', id);
          // None of them is closed for nothing.
          assert.ok(comes(new Set([outlet.id]), new Set([...bars].filter((b) => b !== id))), `${outlet.id}: ${id} is not needed`);
        }
        assert.ok(plan.dry.length >= dry, `${outlet.id} ${n}`);
        assert.ok(plan.volumeGal >= 0 && plan.residualGal >= 0, outlet.id);
        dry = plan.dry.length;
        plan = plan.fallback;
      }
    }
  });

  it('is shut and opened again in an order that hurts nothing: energy before water, proof last; water before energy', () => {
    for (const outlet of net.places.filter((p) => p.kind === 'outlet')) {
      for (const plan of [planned(outlet.id), planned(outlet.id).fallback]) {
        if (!plan?.possible) continue;
        const does = shutSteps(net, plan).map((s) => s.do);
        assert.ok(does.lastIndexOf('energy-off') < (does.indexOf('close') === -1 ? does.length : does.indexOf('close')), outlet.id);
        assert.equal(does.at(-1), 'prove', outlet.id);
        assert.equal(does.filter((d) => d === 'close').length, plan.close.length, outlet.id);
        const back = backSteps(net, plan).map((s) => s.do);
        assert.ok(back.indexOf('energy-on') === -1 || back.indexOf('energy-on') > back.lastIndexOf('open'), outlet.id);
        for (const step of [...shutSteps(net, plan), ...backSteps(net, plan)]) {
          assert.ok(
            [...net.places, ...net.valves].some((t) => t.id === step.at),
            step.at,
          );
          assert.doesNotMatch(`${step.title} ${step.detail.text}`, /undefined|"/, `${outlet.id}: ${step.title}`);
        }
      }
    }
  });

  it('is drawn whole and by rooms, each thing once, its hot water hot', () => {
    const all = branchesOf(net);
    const whole = schematicOf(all);
    assert.deepEqual([whole.levels.length, whole.valves.length], [whole.levels.length, net.valves.length]);
    assert.ok(whole.levels.length >= 3 && whole.levels.length <= 5, String(whole.levels.length));
    const hot = (id: string) => whole.places.find((p) => p.id === id)!.isHot;
    for (const p of net.places.filter((p) => p.kind === 'outlet' && /, (hot|cold)$/.test(p.name ?? '')))
      assert.equal(hot(p.id), /, hot$/.test(p.name!), p.id);
    const { folds } = folded(all, new Set(), 'room');
    const rooms = schematicOf(folded(all, new Set(), 'room'));
    assert.ok(rooms.width < whole.width / 2 && folds.size >= 12, `${rooms.width} of ${whole.width}, ${folds.size}`);
    // Everything is in a room or in sight.
    const inSight = rooms.places.filter(
      (p) => !folds.has(p.id) && net.places.some((n) => n.id === p.id && (n.kind === 'outlet' || n.kind === 'mixer')),
    ).length;
    const inRooms = [...folds.values()].reduce((sum, f) => sum + f.outlets, 0);
    assert.equal(inSight + inRooms, net.places.filter((p) => p.kind === 'outlet' || p.kind === 'mixer').length);
  });
});
