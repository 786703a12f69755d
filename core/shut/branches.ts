/** A network as branches: from where the water comes to where it goes, lines between the places where it parts. What closes a loop is told beside the tree. */
import type { NetPipe, NetPlace, NetValve, WaterNetwork } from './network.ts';

export type Link = NetPipe | NetValve;
export const isValve = (link: Link): link is NetValve => 'condition' in link;

/** A line from one place to the next at which the water parts, ends or is heated; places on the way hold nothing but it. */
export interface Line {
  from: string;
  to: string;
  links: Link[];
  /** Places on the way, one between each two links. */
  via: string[];
}

export interface Branch {
  place: NetPlace;
  depth: number;
  /** Water comes to it through a heater. */
  isHot: boolean;
  /** The line it hangs on; null for where the water begins. */
  line: Line | null;
  children: Branch[];
}

export interface Branches {
  roots: Branch[];
  /** Lines that close a loop, and what their ends are in the tree. */
  loops: Line[];
}

/**
 * From every source outward; through outlets and mixers only where nothing else leads on, so that hot water is not taken to come out of a shower.
 * What no source reaches hangs by itself.
 */
export function branchesOf(net: WaterNetwork): Branches {
  const around = new Map<string, { to: string; link: Link }[]>(net.places.map((p) => [p.id, []]));
  for (const link of [...net.pipes, ...net.valves] as Link[]) {
    around.get(link.a)!.push({ to: link.b, link });
    around.get(link.b)!.push({ to: link.a, link });
  }
  const placeOf = new Map(net.places.map((p) => [p.id, p]));
  const isOnTheWay = (id: string) => placeOf.get(id)!.kind === 'junction' && around.get(id)!.length === 2;
  const done = new Map<string, Branch>();
  const usedLinks = new Set<string>();
  const loops: Line[] = [];
  /** Follows a link to the next place that is no mere way. */
  const follow = (from: string, first: { to: string; link: Link }): Line => {
    const line: Line = { from, to: first.to, links: [first.link], via: [] };
    let link = first.link;
    while (isOnTheWay(line.to) && line.to !== from) {
      const next = around.get(line.to)!.find((n) => n.link !== link);
      if (!next) break;
      line.via.push(line.to);
      line.links.push(next.link);
      link = next.link;
      line.to = next.to;
    }
    return line;
  };
  const grow = (queue: Branch[], passes: (p: NetPlace) => boolean): Branch[] => {
    const left: Branch[] = [];
    for (let i = 0; i < queue.length; i++) {
      const here = queue[i]!;
      if (!passes(here.place)) {
        left.push(here);
        continue;
      }
      for (const way of around.get(here.place.id)!) {
        if (usedLinks.has(way.link.id)) continue;
        const line = follow(here.place.id, way);
        for (const l of line.links) usedLinks.add(l.id);
        if (done.has(line.to)) {
          loops.push(line);
          continue;
        }
        const child: Branch = {
          place: placeOf.get(line.to)!,
          depth: here.depth + 1,
          isHot: here.isHot || here.place.kind === 'heater',
          line,
          children: [],
        };
        here.children.push(child);
        done.set(line.to, child);
        queue.push(child);
      }
    }
    return left;
  };
  const roots: Branch[] = [];
  const begin = (place: NetPlace) => {
    if (done.has(place.id)) return;
    const root: Branch = { place, depth: 0, isHot: false, line: null, children: [] };
    done.set(place.id, root);
    roots.push(root);
    const ends = grow([root], (p) => p.kind !== 'outlet' && p.kind !== 'mixer');
    grow(ends, () => true);
  };
  const first = net.places.filter((p) => p.kind === 'source');
  for (const place of first.length > 0 ? first : net.places.filter((p) => p.kind === 'tank')) begin(place);
  for (const place of net.places) if (!done.has(place.id) && !isOnTheWay(place.id)) begin(place);
  // A ring of mere ways, with nothing on it.
  for (const place of net.places) if (!done.has(place.id) && !around.get(place.id)!.some((n) => usedLinks.has(n.link.id))) begin(place);
  return { roots, loops };
}

/** Of a branch, all it holds. */
export function* within(branch: Branch): Generator<Branch> {
  yield branch;
  for (const child of branch.children) yield* within(child);
}

/**
 * The same branches, those that hold nothing of what is looked at folded into one end that says how much is in it.
 *
 * @param matters  places and links that are to stay in sight
 * @param by       'branch': the whole of what does not matter, however much it is; 'room': what hangs on the last parting before its outlets, no more
 */
export function folded(
  { roots, loops }: Branches,
  matters: ReadonlySet<string>,
  by: 'branch' | 'room' = 'branch',
): Branches & { folds: Map<string, { outlets: number; name: string }> } {
  const folds = new Map<string, { outlets: number; name: string }>();
  const gone = new Map<string, string>();
  const isOnLine = (line: Line | null) => line !== null && (line.links.some((l) => matters.has(l.id)) || line.via.some((id) => matters.has(id)));
  const loopEnds = new Set(loops.filter(isOnLine).flatMap((l) => [l.from, l.to]));
  const isSeen = (b: Branch): boolean => matters.has(b.place.id) || loopEnds.has(b.place.id);
  const trim = (b: Branch): Branch => {
    const all = [...within(b)];
    const holds = all.some((x) => isSeen(x) || (x !== b && isOnLine(x.line)));
    const isRoom =
      b.children.length > 0 && b.children.every((c) => c.children.length === 0 && (c.place.kind === 'outlet' || c.place.kind === 'mixer'));
    if (holds || all.length < FOLD_FROM || (by === 'room' && !isRoom))
      return { ...b, children: all.length < FOLD_FROM ? b.children : b.children.map(trim) };
    for (const x of all) gone.set(x.place.id, b.place.id);
    const outlets = all.filter((x) => x.place.kind === 'outlet' || x.place.kind === 'mixer').length;
    folds.set(b.place.id, { outlets, name: nameFor(b) });
    return { ...b, children: [] };
  };
  const kept = roots.map(trim);
  const ends = (l: Line) => [gone.get(l.from) ?? l.from, gone.get(l.to) ?? l.to] as const;
  // Of several loops between two folded ends one is enough to see that they meet.
  const met = new Set<string>();
  const between = loops.flatMap((l) => {
    const [from, to] = ends(l);
    const pair = [from, to].sort().join(' ');
    const isFolded = from !== l.from || to !== l.to;
    if (from === to || (isFolded && met.has(pair))) return [];
    if (isFolded) met.add(pair);
    return [{ ...l, from, to }];
  });
  return { roots: kept, loops: between, folds };
}

/** Fewer places than this are drawn as well as folded. */
const FOLD_FROM = 3;

/** By the valve it hangs on, where that has a name; else by the first thing in it that has one. */
function nameFor(b: Branch): string {
  const valve = b.line?.links.find((l): l is NetValve => isValve(l) && l.name !== undefined);
  if (b.place.name) return b.place.name;
  if (valve) return valve.name!;
  const named = [...within(b)].find((x) => x.place.name !== undefined);
  return named ? `${named.place.name!} and more` : 'more';
}
