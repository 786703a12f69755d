/**
 * A network laid out as a schematic: levels by height, outlets in a row over the lines that feed them, every line straight or square.
 *
 * Each upright line has a place of its own across, each level line one of its own up and down (intervals coloured greedily), so that lines cross and never lie on
 * each other. Pixels at one scale, x to the right, y down.
 */
import { type Branch, type Branches, isValve, type Line, type Link, within } from './branches.ts';

export interface SchemaPlace {
  id: string;
  x: number;
  y: number;
  isHot: boolean;
}

/** A line between two valves, or a valve and a place. */
export interface SchemaPiece {
  points: [number, number][];
  /** Pipes and places that it stands for. */
  ids: string[];
  isHot: boolean;
}

export interface SchemaValve {
  id: string;
  x: number;
  y: number;
  isHot: boolean;
}

export interface SchemaLevel {
  /** The lowest and the highest of its places, ft. */
  fromFt: number;
  toFt: number;
  top: number;
  bottom: number;
}

export interface Schematic {
  width: number;
  height: number;
  levels: SchemaLevel[];
  places: SchemaPlace[];
  pieces: SchemaPiece[];
  valves: SchemaValve[];
}

/** Ours, px: room for a slanted name over an outlet, from an outlet to the first line under it, between lines, between neighbours. */
const NAME_PX = 116;
const STUB_PX = 60;
const LANE_PX = 40;
const END_PX = 44;
const NODE_PX = 30;
/** A heater, a tank, a source: drawn as a box, with its name under it. */
const BOX_PX = 24;
const isBox = ({ place: { kind } }: Branch): boolean => kind === 'heater' || kind === 'tank' || kind === 'source';
const PORT_PX = 15;
const EDGE_PX = { left: 96, right: 120, top: 16, bottom: 36 };
/** Heights closer than this belong to one level, ft; a level holds no more than this from its lowest. */
const LEVEL_GAP_FT = 3.5;
const LEVEL_MOST_FT = 9;

export function schematicOf({ roots, loops }: Branches): Schematic {
  const all = roots.flatMap((r) => [...within(r)]);
  const byId = new Map(all.map((b) => [b.place.id, b]));
  const x = across(roots, loops);
  const ports = new Map<Line, number>();
  const taken = new Map<string, number>();
  for (const line of loops) {
    const n = (taken.get(line.to) ?? 0) + 1;
    taken.set(line.to, n);
    ports.set(line, x.of.get(line.to)! + PORT_PX * n);
  }
  const isEnd = (b: Branch) => b.children.length === 0 && !loops.some((l) => l.from === b.place.id) && b.line !== null;
  const levels = levelsOf(all.map((b) => b.place.heightFt));
  const levelOf = (b: Branch) => levels.findIndex((l) => b.place.heightFt <= l.toFt + 1e-9);
  const extent = (b: Branch) => {
    const meets = loops.filter((l) => l.from === b.place.id || l.to === b.place.id).map((l) => ports.get(l)!);
    const at = [...[b, ...b.children].map((c) => x.of.get(c.place.id)!), ...meets];
    return { low: Math.min(...at), high: Math.max(...at) };
  };
  const y = new Map<string, number>();
  const drawn: SchemaLevel[] = [];
  let top = EDGE_PX.top;
  for (let i = levels.length - 1; i >= 0; i--) {
    const here = all.filter((b) => levelOf(b) === i);
    const lanes = lanesOf(
      here.filter((b) => !isEnd(b)).sort((a, b) => b.depth - a.depth),
      extent,
    );
    const ends = here.filter(isEnd);
    const row = top + (ends.length > 0 ? NAME_PX : LANE_PX / 2);
    for (const b of ends) y.set(b.place.id, row);
    let laneY = row + (ends.length > 0 ? STUB_PX : 0);
    for (const [n, lane] of lanes.entries()) {
      if (n > 0) laneY += LANE_PX + ([...lane, ...lanes[n - 1]!].some(isBox) ? BOX_PX : 0);
      for (const b of lane) y.set(b.place.id, laneY);
    }
    const bottom = laneY + EDGE_PX.bottom;
    drawn.push({ ...levels[i]!, top, bottom });
    top = bottom;
  }
  const places = all.map((b) => ({ id: b.place.id, x: x.of.get(b.place.id)!, y: y.get(b.place.id)!, isHot: b.isHot }));
  const pieces: SchemaPiece[] = [];
  const valves: SchemaValve[] = [];
  const lay = (line: Line, toX: number, isHot: boolean) => {
    const [fromX, fromY, toY] = [x.of.get(line.from)!, y.get(line.from)!, y.get(line.to)!];
    const turn: [number, number][] = [
      [fromX, fromY],
      [toX, fromY],
      [toX, toY],
    ];
    // Where a loop comes to a place beside its own line, the last step is level.
    if (toX !== x.of.get(line.to)!) turn.push([x.of.get(line.to)!, toY]);
    layPieces(line, turn, isHot, pieces, valves);
  };
  for (const b of all) if (b.line) lay(b.line, x.of.get(b.place.id)!, b.isHot);
  for (const line of loops) {
    const [from, to] = [byId.get(line.from)!, byId.get(line.to)!];
    lay(line, ports.get(line)!, from.isHot || from.place.kind === 'heater' || (to.isHot && to.place.kind !== 'mixer'));
  }
  return { width: x.width, height: top, levels: drawn, places, pieces, valves };
}

/** Where each place stands across: ends side by side, every parting before what hangs on it. */
function across(roots: readonly Branch[], loops: readonly Line[]): { of: Map<string, number>; width: number } {
  const of = new Map<string, number>();
  const extra = new Map<string, number>();
  for (const l of loops) extra.set(l.to, (extra.get(l.to) ?? 0) + PORT_PX);
  let at = EDGE_PX.left;
  const walk = (b: Branch) => {
    of.set(b.place.id, at);
    at += (b.children.length === 0 || isBox(b) ? END_PX : NODE_PX) + (extra.get(b.place.id) ?? 0);
    // What ends here first: its names stand together.
    for (const child of [...b.children].sort((p, q) => Math.sign(p.children.length) - Math.sign(q.children.length))) walk(child);
  };
  for (const root of roots) walk(root);
  return { of, width: at + EDGE_PX.right };
}

/** Heights parted into levels, lowest first. */
function levelsOf(heights: readonly number[]): { fromFt: number; toFt: number }[] {
  const levels: { fromFt: number; toFt: number }[] = [];
  for (const ft of [...new Set(heights)].sort((a, b) => a - b)) {
    const last = levels.at(-1);
    if (last && ft - last.toFt <= LEVEL_GAP_FT && ft - last.fromFt <= LEVEL_MOST_FT) last.toFt = ft;
    else levels.push({ fromFt: ft, toFt: ft });
  }
  return levels;
}

/** Level lines put into lanes, none on another: each into the first in which it has room. */
function lanesOf(branches: readonly Branch[], extent: (b: Branch) => { low: number; high: number }): Branch[][] {
  const lanes: { of: Branch[]; spans: { low: number; high: number }[] }[] = [];
  for (const b of branches) {
    const span = extent(b);
    const room = lanes.find((lane) => lane.spans.every((s) => span.low > s.high + NODE_PX / 2 || span.high < s.low - NODE_PX / 2));
    if (room) {
      room.of.push(b);
      room.spans.push(span);
    } else lanes.push({ of: [b], spans: [span] });
  }
  return lanes.map((l) => l.of);
}

/** Parts a line at its valves: each stands on the upright part, between two lanes, the first one next to where the line begins. */
function layPieces(line: Line, turn: readonly [number, number][], isHot: boolean, pieces: SchemaPiece[], valves: SchemaValve[]): void {
  const [[fromX, fromY], [toX], end] = turn as [[number, number], [number, number], [number, number]];
  const down = Math.sign(end[1] - fromY) || 1;
  const room = Math.abs(end[1] - fromY);
  const found = line.links.filter(isValve);
  // Too many for the upright: closer together.
  const step = Math.min(LANE_PX, room / Math.max(1, found.length));
  const stands = found.map((v, i) => ({ v, y: fromY + down * step * (i + 0.5) }));
  let here: [number, number][] = [
    [fromX, fromY],
    [toX, fromY],
  ];
  let ids: string[] = [line.from];
  let n = 0;
  line.links.forEach((link: Link, i) => {
    if (isValve(link)) {
      const at = stands[n++]!;
      valves.push({ id: link.id, x: toX, y: at.y, isHot });
      pieces.push({ points: [...here, [toX, at.y]], ids, isHot });
      here = [[toX, at.y]];
      ids = [];
    } else ids.push(link.id);
    ids.push(line.via[i] ?? line.to);
  });
  pieces.push({ points: [...here, ...turn.slice(2)], ids, isHot });
}
