/** Networks for tests and the bench. */
import { type NetValve, VALVE_CONDITIONS, VALVE_KINDS, type WaterNetwork } from './network.ts';

/** 'a-b 0.5 10' a pipe; 'a|b gate works' a valve; 'a:outlet 3' a place with its height; in any order, parted by ';'. */
export function drawn(text: string): WaterNetwork {
  const net: WaterNetwork = { places: [], pipes: [], valves: [] };
  for (const line of text.split(/[;\n]/).map((t) => t.trim())) {
    if (line === '') continue;
    const [what, ...more] = line.split(/\s+/) as [string, ...string[]];
    if (what.includes(':')) {
      const [id, kind] = what.split(':') as [string, 'outlet'];
      net.places.push({ id, kind, heightFt: Number(more[0] ?? 0) });
    } else if (what.includes('|')) {
      const [a, b] = what.split('|') as [string, string];
      const [kind = 'quarter-turn', condition = 'works', id = what] = more;
      net.valves.push({ id, a, b, kind: kind as NetValve['kind'], condition: condition as NetValve['condition'] });
    } else {
      const [a, b] = what.split('-') as [string, string];
      net.pipes.push({ id: what, a, b, boreIn: Number(more[0] ?? 0.5), lengthFt: Number(more[1] ?? 10) });
    }
  }
  return net;
}

export interface Sizes {
  places: number;
  valves: number;
  loops: number;
  /** Every so many places an outlet. */
  outletEvery?: number;
  /** Of what might be a tank, the part that is one: a house has few. */
  tanks?: number;
}

/** A network by chance: a tree from a source, loops added, valves of every kind and condition. @param next  0 to 1 */
export function byChance(next: () => number, { places, valves, loops, outletEvery = 2, tanks = 0.3 }: Sizes): WaterNetwork {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const net: WaterNetwork = { places: [], pipes: [], valves: [] };
  const links: [string, string][] = [];
  for (let i = 0; i < places; i++) {
    const kind =
      i === 0
        ? 'source'
        : i % outletEvery === 0
          ? 'outlet'
          : pick(['junction', 'junction', 'junction', 'junction', 'heater', 'mixer', 'tank'] as const);
    net.places.push({ id: `p${i}`, kind: kind === 'tank' && next() > tanks ? 'junction' : kind, heightFt: Math.round(next() * 30) });
    if (i > 0) links.push([`p${Math.max(0, i - 1 - Math.floor(next() * Math.min(i, 6)))}`, `p${i}`]);
  }
  for (let i = 0; i < loops; i++) {
    const [a, b] = [pick(net.places).id, pick(net.places).id];
    if (a !== b) links.push([a, b]);
  }
  const isValve = new Set<number>();
  while (isValve.size < Math.min(valves, links.length)) isValve.add(Math.floor(next() * links.length));
  for (const [i, [a, b]] of links.entries()) {
    if (!isValve.has(i)) net.pipes.push({ id: `l${i}`, a, b, boreIn: pick([0.43, 0.545, 0.785]), lengthFt: Math.round(next() * 20) });
    else
      net.valves.push({
        id: `v${i}`,
        a,
        b,
        kind: i === 0 && next() < 0.5 ? 'street' : next() < 0.15 ? pick(VALVE_KINDS) : pick(['quarter-turn', 'multi-turn', 'gate']),
        condition: next() < 0.4 ? 'works' : pick(VALVE_CONDITIONS),
      });
  }
  return net;
}

/** Repeatable chance, 0 to 1. */
export function chanceOf(seed: number): () => number {
  let s = seed >>> 0;
  return () => {
    s = (Math.imul(s, 1_664_525) + 1_013_904_223) >>> 0;
    return s / 2 ** 32;
  };
}
