import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { chanceOf } from '../shut/testing.ts';
import { type Held, restOf } from './rod.ts';
import { starts } from './starts.ts';

const LINKS = 16;

/** A rod held at random, in a plane or in space, every fifth with weight. */
function heldAtRandom(next: () => number, i: number): Held {
  const dims = i % 2 === 0 ? 2 : 3;
  const direction = () => {
    const v = Array.from({ length: dims }, () => next() - 0.5);
    const size = Math.hypot(...v);
    return v.map((c) => c / size);
  };
  const far = Math.sqrt(next()) * 0.995;
  return {
    dims,
    leaves: direction(),
    arrives: direction(),
    span: direction().map((c) => c * far),
    weight: i % 5 === 0 ? next() * 40 : 0,
    up: dims === 2 ? [0, 1] : [0, 1, 0],
  };
}

describe('where a rod comes to rest', () => {
  it('is the same least energy whether its starts are followed to the end or given up when they lead nowhere', () => {
    const next = chanceOf(9);
    for (let i = 0; i < 200; i++) {
      const held = heldAtRandom(next, i);
      const all = starts(held, LINKS);
      const least = (isQuick: boolean) =>
        Math.min(...all.map((start) => restOf(held, start, { isQuick })).flatMap((r) => (r.isLeast ? [r.energy] : [])));
      const [quick, patient] = [least(true), least(false)];
      assert.ok(Number.isFinite(quick), `rod ${i} comes to rest`);
      assert.ok(Math.abs(quick - patient) <= 1e-6 * (1 + Math.abs(patient)), `rod ${i}: ${quick} and ${patient}`);
    }
  });

  it('keeps every link as long as it was, reaches where it is held, and leaves its start alone', () => {
    const next = chanceOf(4);
    for (let i = 0; i < 100; i++) {
      const held = heldAtRandom(next, i);
      const start = starts(held, LINKS)[i % 5]!;
      const before = start.slice();
      const rest = restOf(held, start);
      assert.deepEqual(start, before, 'the start');
      for (let link = 0; link < LINKS; link++) {
        const size = Math.hypot(...rest.links.subarray(link * held.dims, (link + 1) * held.dims));
        assert.ok(Math.abs(size - 1) < 1e-12, `rod ${i}, link ${link}`);
      }
      if (!rest.isLeast) continue;
      for (let a = 0; a < held.dims; a++) {
        let reach = 0;
        for (let link = 0; link < LINKS; link++) reach += rest.links[link * held.dims + a]! / LINKS;
        assert.ok(Math.abs(reach - held.span[a]!) < 1e-9, `rod ${i}, along ${a}`);
      }
    }
  });

  it('has no lower energy close by: a link turned a little, the end held, only costs', () => {
    // Straight out and back to the right: an arc, known in closed form.
    const held: Held = { dims: 2, leaves: [0, 1], arrives: [0, -1], span: [2 / Math.PI, 0], weight: 0, up: [0, 1] };
    const arc = restOf(held, starts(held, 64)[0]!);
    assert.ok(arc.isLeast, 'a minimum');
    // Half of curvature squared over the length: pi squared over two, as fine as 64 links are.
    assert.ok(Math.abs(arc.energy - Math.PI ** 2 / 2) < 0.01, String(arc.energy));
  });
});
