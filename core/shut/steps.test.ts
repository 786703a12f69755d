import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { saidIn } from '../units/quantity.ts';
import { planIsolation } from './plan-isolation.ts';
import { backSteps, shutSteps } from './steps.ts';
import { drawn } from './testing.ts';

const HOUSE =
  drawn(`street:source 0; m:junction 0; street|m gate unknown main; heater:heater 0; m|heater multi-turn works heater-valve; h:junction 0; heater-h 0.785 20
  up:junction 10; h-up 0.785 200; tap:outlet 2; h-tap; shower:outlet 12; up-shower 0.545 10; cold:outlet 3; m|cold quarter-turn works cold-stop`);

function planFor(...workOn: string[]) {
  const plan = planIsolation(HOUSE, { workOn });
  assert.ok(plan.possible, 'possible');
  return plan;
}

describe('the steps of a plan', () => {
  it('turn the energy off first, close, let air in and water out, and prove it', () => {
    const steps = shutSteps(HOUSE, planFor('h'));
    assert.deepEqual(
      steps.map((s) => `${s.do} ${s.at}`),
      ['energy-off heater', 'close heater-valve', 'vent shower', 'drain tap', 'mind heater', 'mind tap', 'prove tap'],
    );
    assert.match(saidIn(steps[3]!.detail, 'inch'), /^About 4\.\d gal comes out: a hose to a drain\.$/);
    assert.match(saidIn(steps[3]!.detail, 'metric'), /^About 1\d L comes out/);
    assert.match(steps.at(-1)!.gate!, /Has "tap" stopped running/);
  });
  it('spare a pump its dry run, and close and relieve a reverse-osmosis tank, where their water goes', () => {
    const at = (id: string, stands: 'recirculation pump' | 'reverse-osmosis tank') => ({
      ...HOUSE,
      places: HOUSE.places.map((p) => (p.id === id ? { ...p, stands } : p)),
    });
    const does = (net: typeof HOUSE, workOn: string) => {
      const plan = planIsolation(net, { workOn: [workOn] });
      assert.ok(plan.possible, workOn);
      return [...shutSteps(net, plan), ...backSteps(net, plan)].filter((s) => s.do.startsWith('energy')).map((s) => `${s.do} ${s.at}`);
    };
    assert.deepEqual(does(at('up', 'recirculation pump'), 'h'), ['energy-off up', 'energy-off heater', 'energy-on up', 'energy-on heater']);
    assert.deepEqual(does(at('up', 'recirculation pump'), 'cold'), []);
    const [tank] = shutSteps(at('cold', 'reverse-osmosis tank'), planFor('cold'));
    assert.match(`${tank!.title} ${tank!.detail.text}`, /Close and relieve the tank: .*pushes water back/);
  });
  it('stop a well at its breaker before all else, relieve a tank, and warn of a heater that stays joined', () => {
    const net = drawn('w:source 0; t:tank 0; w-t; k:heater 0; t-k; x:outlet 3; k-x; y:outlet 0; t|y gate works stop');
    const well = { ...net, places: net.places.map((p) => (p.id === 'w' ? { ...p, stands: 'well pump' as const } : p)) };
    const plan = planIsolation(well, { workOn: ['k'] });
    assert.ok(plan.possible);
    const steps = shutSteps(well, plan);
    assert.deepEqual(
      steps.map((s) => `${s.do} ${s.at}`),
      ['energy-off w', 'energy-off k', 'vent x', 'drain y', 'relieve t', 'mind k', 'prove y'],
    );
    assert.match(steps[0]!.title, /^Breaker of the pump off/);
    assert.match(steps[1]!.detail.text, /Gas: to pilot or off/);
    assert.match(steps[4]!.detail.text, /until the flow stops and the pressure reads nought/);
    assert.match(saidIn(steps[5]!.detail, 'inch'), /40 gal to 80 gal of hot water.*Let it cool first.*relief valve only if there is none/);
    assert.match(saidIn(steps[5]!.detail, 'metric'), /15\d L to 30\d L/);
    assert.deepEqual(
      backSteps(well, plan)
        .slice(-2)
        .map((s) => `${s.do} ${s.at}`),
      ['energy-on w', 'energy-on k'],
    );
  });
  it('forces no stop in the curb, and lets the utility turn it', () => {
    const net = drawn('s:source 0; j:junction 0; s|j street unknown curb; x:outlet 0; j-x');
    const plan = planIsolation(net, { workOn: ['x'] });
    assert.ok(plan.possible);
    const close = shutSteps(net, plan).find((s) => s.do === 'close')!;
    assert.match(close.detail.text, /often by the utility alone.*never forced/);
    assert.doesNotMatch(close.detail.text, /across the pipe/);
  });
  it('speak of an outlet by what it is: a toilet has no aerator, a machine no handle', () => {
    const named = (name: string) => {
      const net = drawn('s:source 0; j:junction 0; s-j; x:outlet 0; j|x quarter-turn works stop');
      const of = { ...net, places: net.places.map((p) => (p.id === 'x' ? { ...p, name } : p)) };
      const plan = planIsolation(of, { workOn: ['x'] });
      assert.ok(plan.possible);
      return [...shutSteps(of, plan), ...backSteps(of, plan)].map((s) => `${s.title}. ${s.detail.text}`).join('\n');
    };
    const toilet = named('Guest toilet');
    assert.match(toilet, /^Flush Guest toilet/m);
    assert.match(toilet, /Clean inlet screens/);
    assert.doesNotMatch(toilet, /aerator/i);
    for (const name of ['Basin faucet', 'Office basin', 'Service sink']) assert.match(named(name), /Aerator off/, name);
    assert.match(named('Lodge washer, hot'), /Loosen the hose nut of Lodge washer, hot over a bucket/);
    assert.match(named('Yard hydrant'), /^Open Yard hydrant/m);
    assert.doesNotMatch(named('Yard hydrant'), /aerator/i);
  });
  it('take a bucket for little, say that an untried valve is not forced, and have no energy to turn off where none is', () => {
    const cold = shutSteps(HOUSE, planFor('cold'));
    assert.deepEqual(
      cold.map((s) => s.do),
      ['close', 'drain', 'prove'],
    );
    assert.equal(cold[1]!.detail.text, 'Hardly anything comes out.');
    const main = shutSteps(HOUSE, planFor('m'));
    assert.match(main.find((s) => s.do === 'close')!.detail.text, /Never tried: no force/);
  });
  it('go back from the lowest valve up, air out at the top, the energy last; a valve of many turns half a turn back', () => {
    const steps = backSteps(HOUSE, planFor('h'));
    assert.deepEqual(
      steps.map((s) => `${s.do} ${s.at}`),
      ['shut-drain tap', 'open heater-valve', 'air-out shower', 'screens shower', 'energy-on heater'],
    );
    assert.match(steps[1]!.detail.text, /half a turn back/);
    assert.match(steps.at(-1)!.detail.text, /runs full and without air/);
  });
});
