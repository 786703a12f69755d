import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { branchesOf, folded, within } from './branches.ts';
import type { WaterNetwork } from './network.ts';
import { type Schematic, schematicOf } from './schematic.ts';
import { byChance, chanceOf, drawn } from './testing.ts';
import { wetPlaces } from './wet.ts';

const HOUSE =
  drawn(`street:source -4; main:junction -4; tee:junction -4; heater:heater -9; a:junction 0; b:junction 0; c:junction 0; cold:outlet 2; hot:outlet 2; shower:mixer 3; up:outlet 12; s:junction 12
  street|main gate works main-valve; main-tee; tee-heater; tee-a; heater-b; a|cold quarter-turn works cold-stop; b|hot quarter-turn works hot-stop; a-shower; b-shower; tee-s; s|up multi-turn unknown up-stop; a-c`);

interface Straight {
  line: number;
  at: number;
  low: number;
  high: number;
}

/** Straight parts of the drawing, level and upright, by the line that they are of. */
function straights({ pieces }: Schematic): { level: Straight[]; upright: Straight[] } {
  const [level, upright]: [Straight[], Straight[]] = [[], []];
  pieces.forEach(({ points }, line) => {
    for (let i = 1; i < points.length; i++) {
      const [[x0, y0], [x1, y1]] = [points[i - 1]!, points[i]!];
      assert.ok(x0 === x1 || y0 === y1, 'every line is level or upright');
      if (x0 === x1 && y0 !== y1) upright.push({ line, at: x0, low: Math.min(y0, y1), high: Math.max(y0, y1) });
      if (y0 === y1 && x0 !== x1) level.push({ line, at: y0, low: Math.min(x0, x1), high: Math.max(x0, x1) });
    }
  });
  return { level, upright };
}
/** Lines that meet in a place may share its level. */
function lieOnEachOther({ pieces }: Schematic, all: Straight[]): Straight[] {
  const ends = (line: number) => [pieces[line]!.points[0]!, pieces[line]!.points.at(-1)!].map(String);
  const meet = (a: Straight, b: Straight) => ends(a.line).some((end) => ends(b.line).includes(end));
  return all.filter((a, i) =>
    all.slice(i + 1).some((b) => a.line !== b.line && Math.abs(a.at - b.at) < 1 && a.low < b.high - 1 && b.low < a.high - 1 && !meet(a, b)),
  );
}

const everything = (net: WaterNetwork) => [...net.places, ...net.pipes, ...net.valves].map((t) => t.id);

describe('a network as branches', () => {
  it('goes from the source outward, hot behind the heater, a shower as what closes a loop', () => {
    const { roots, loops } = branchesOf(HOUSE);
    assert.deepEqual(
      roots.map((r) => r.place.id),
      ['street'],
    );
    const all = new Map([...within(roots[0]!)].map((b) => [b.place.id, b]));
    assert.deepEqual([all.get('hot')!.isHot, all.get('cold')!.isHot, all.get('up')!.isHot], [true, false, false]);
    assert.equal(loops.length, 1);
    assert.ok([loops[0]!.from, loops[0]!.to].includes('shower'));
    // A mere way is no place of its own: the valve and the pipe of the upper outlet are one line.
    assert.deepEqual(all.get('up')!.line!.via, ['s']);
    assert.ok(!all.has('s') && !all.has('main'));
  });

  it('has everything once, on any network', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const net = byChance(chanceOf(seed), { places: 2 + (seed % 40), valves: seed % 12, loops: seed % 5 });
      if (seed % 7 === 0) net.places.push({ id: 'alone', kind: 'outlet', heightFt: 3 });
      const { roots, loops } = branchesOf(net);
      const all = roots.flatMap((r) => [...within(r)]);
      const lines = [...all.flatMap((b) => (b.line ? [b.line] : [])), ...loops];
      const met = [...all.map((b) => b.place.id), ...lines.flatMap((l) => [...l.links.map((x) => x.id), ...l.via])];
      assert.deepEqual(met.sort(), everything(net).sort(), `seed ${seed}`);
    }
  });

  it('folds what is not looked at into one end that says how much is in it', () => {
    const branches = branchesOf(HOUSE);
    const { roots, folds } = folded(branches, new Set(['up-stop']));
    assert.ok([...within(roots[0]!)].some((b) => b.place.id === 'up'));
    assert.deepEqual(
      [...folds.values()].reduce((n, f) => n + f.outlets, 0),
      3,
    );
    const rooms = folded(branches, new Set(), 'room');
    assert.ok([...within(rooms.roots[0]!)].some((b) => b.place.id === 'heater'));
    const whole = folded(branches, new Set(everything(HOUSE)));
    assert.equal(whole.folds.size, 0);
    assert.deepEqual([...within(whole.roots[0]!)].length, [...within(branches.roots[0]!)].length);
  });
});

describe('a schematic', () => {
  it('puts outlets over what feeds them, levels by height, valves on their lines', () => {
    const s = schematicOf(branchesOf(HOUSE));
    const y = (id: string) => s.places.find((p) => p.id === id)!.y;
    assert.ok(y('up') < y('cold') && y('cold') < y('heater'));
    assert.equal(y('cold'), y('hot'));
    assert.deepEqual(
      s.levels.map((l) => [l.fromFt, l.toFt]),
      [
        [12, 12],
        [0, 3],
        [-4, -4],
        [-9, -9],
      ],
    );
    assert.deepEqual(s.valves.map((v) => v.id).sort(), ['cold-stop', 'hot-stop', 'main-valve', 'up-stop']);
    assert.ok(s.pieces.filter((p) => p.isHot).every((p) => p.ids.some((id) => /^(heater|b|hot|shower)/.test(id))));
  });

  it('draws everything inside the sheet, level or upright, no line on another, on any network', () => {
    for (let seed = 1; seed <= 400; seed++) {
      const net = byChance(chanceOf(seed), { places: 2 + (seed % 60), valves: seed % 20, loops: seed % 7 });
      const branches = branchesOf(net);
      for (const shown of seed % 2 ? [branches] : [folded(branches, new Set([`p${seed % 5}`, 'v1']))]) {
        const s = schematicOf(shown);
        const { level, upright } = straights(s);
        assert.deepEqual([...lieOnEachOther(s, upright), ...lieOnEachOther(s, level)], [], `seed ${seed}`);
        for (const { x, y } of [...s.places, ...s.valves]) assert.ok(x >= 0 && y >= 0 && x <= s.width && y <= s.height, `seed ${seed}`);
      }
    }
  });
});

describe('where water comes', () => {
  it('stops at what is closed and at what is stuck shut, unless that does not hold', () => {
    assert.ok(wetPlaces(HOUSE, []).has('up'));
    assert.deepEqual([...wetPlaces(HOUSE, ['main-valve'])], ['street']);
    const stuck = { ...HOUSE, valves: HOUSE.valves.map((v) => (v.id === 'up-stop' ? { ...v, condition: 'seized-shut' as const } : v)) };
    assert.ok(!wetPlaces(stuck, []).has('up') && wetPlaces(stuck, [], ['up-stop']).has('up'));
  });
});
