import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { brokenLinks, losing, missingInNetwork, planIsolation } from '../../../core/index.ts';
import type { WaterThing } from '../../../record/premises/states.ts';
import { knownThings, networkOf } from '../../../record/premises/water.ts';
import { chainOf, namesOf } from '../../ui/water-words.ts';
import { begun, partedBy, readFeet, withLine, withOutlet, withValve } from './draw.ts';

const RUN = { boreIn: 0.545, lengthFt: 12 };
const merged = (...all: WaterThing[][]): WaterThing[] => [...new Map(all.flat().map((t) => [t.id, t])).values()];
const place = (things: WaterThing[], id: string) => networkOf(things).places.find((p) => p.id === id)!;

/** A lodge as one would follow its pipe: a well, a riser, a toilet with its stop and a tap without. */
function followed() {
  const first = begun('well');
  const riser = withLine(place(first.things, first.at), RUN, 9);
  const at = place(riser.things, riser.at);
  const toilet = withOutlet(at, 'Toilet', RUN, 1, ['quarter-turn', 'works'], 'run-1');
  const tap = withOutlet(at, 'Pantry tap', RUN, 3, null, null);
  return { riser, things: merged(first.things, riser.things, toilet.things, tap.things) };
}

describe('following the pipe', () => {
  it('draws a network that can be planned on, with what is missing told by its name', () => {
    const { things } = followed();
    const net = networkOf(things);
    assert.deepEqual(brokenLinks(net), []);
    assert.deepEqual(
      missingInNetwork(net).map((f) => f.text),
      ['Pantry tap has no stop of its own.'],
    );
    const tap = net.places.find((p) => p.name === 'Pantry tap')!;
    assert.deepEqual([tap.heightFt, net.places.find((p) => p.name === 'Toilet')!.heightFt], [12, 10]);
    const plan = planIsolation(net, { workOn: [tap.id] });
    assert.ok(plan.possible, 'the main');
    assert.deepEqual(plan.close.map(namesOf(net, 'inch')), ['Main valve']);
    assert.deepEqual(losing(net, plan).map(namesOf(net, 'inch')), ['Toilet']);
    // Should the main not hold either, the well is stopped at its breaker; after that nothing is relied on.
    assert.deepEqual(
      [...chainOf(plan)].map((p) => p.possible && [p.close.length, p.pumpsOff.map(namesOf(net, 'inch'))]),
      [
        [1, ['The well']],
        [0, ['The well']],
      ],
    );
  });
  it('parts a pipe by a valve met in it, its length halved, everything else as it was', () => {
    const { things } = followed();
    const before = networkOf(things);
    const tap = before.places.find((p) => p.name === 'Pantry tap')!;
    const found = before.pipes.find((p) => p.b === tap.id)!;
    const { things: more, valve } = partedBy(before, found.id, 'gate', 'works', 'Pantry gate');
    const net = networkOf(merged(things, more));
    assert.deepEqual(brokenLinks(net), []);
    assert.equal(
      net.pipes.reduce((sum, p) => sum + p.lengthFt, 0),
      before.pipes.reduce((sum, p) => sum + p.lengthFt, 0),
    );
    const plan = planIsolation(net, { workOn: [tap.id] });
    assert.ok(plan.possible && plan.close.includes(valve) && plan.dry.length === 0, 'behind its own valve now');
  });
  it('goes on behind a valve, and names what nobody named by what it lies next to', () => {
    const first = begun('street');
    const { things, at } = withValve(place(first.things, first.at), 'gate', 'unknown', '');
    const net = networkOf(merged(first.things, things));
    assert.equal(net.valves.length, 2);
    assert.match(namesOf(net, 'inch')(net.valves[1]!.id), /^gate valve at /);
    assert.match(namesOf(net, 'inch')(at), /^the line/);
    assert.match(namesOf(net, 'inch')(net.pipes[0]!.id), /^the pipe between The street and/);
  });
  it('begins with what the book knows: runs by their stops, hot behind the heater', () => {
    const known = (id: string, water: 'cold' | 'hot', stop: Parameters<typeof knownThings>[0][number]['stop']) => ({
      id,
      name: id,
      water,
      stop,
      mixesAt: 'basin',
    });
    const things = knownThings([known('cold', 'cold', { kind: 'gate', condition: 'works' }), known('hot', 'hot', null)]);
    assert.deepEqual(brokenLinks(networkOf(things)), []);
    assert.deepEqual(things.flatMap((t) => ('runId' in t && t.runId ? [`${t.what} ${t.runId}`] : [])).sort(), [
      'place cold',
      'place hot',
      'valve cold',
    ]);
    assert.ok(
      things.some((t) => t.what === 'pipe' && t.water === 'hot') && things.some((t) => t.what === 'place' && t.kind === 'mixer'),
      'hot, and where they meet',
    );
  });
  it('reads feet as they are typed, down as well', () => {
    assert.deepEqual(['12', ' 9.5 ', '-9', '3 m', '-3 m', '6 ft', 'deep', ''].map(readFeet), [12, 9.5, -9, 9.84, -9.84, 6, null, null]);
  });
});
