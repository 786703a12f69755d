/** Where the dry part drains, and how much comes out there and at the joint. */
import type { NetPipe, NetValve, WaterNetwork } from './network.ts';

/** Gallons in a foot of pipe of a bore in inches: pi / 4 x 12 / 231. */
const GAL_PER_FT_IN2 = (Math.PI / 4) * (12 / 231);

export interface Drain {
  drainAt: string;
  ventAt: string | null;
  volumeGal: number;
  residualGal: number;
}

/** The dry part is what stays joined to the work once the valves are closed. @source trade practice: isolation */
export function drainOf(
  { places, pipes, valves }: WaterNetwork,
  workOn: readonly string[],
  /** Valves that keep water back: closed for it, or stuck shut. */
  bars: (valve: NetValve) => boolean,
  hasWater: readonly boolean[],
  number: ReadonlyMap<string, number>,
): { drain: Drain /** Of a place: nothing parts it from the work. */; isJoined: (id: string) => boolean } {
  const at = (id: string) => number.get(id)!;
  const joined = joinedTo(workOn.map(at), [...pipes, ...valves.filter((v) => !bars(v))], at, places.length);
  const isPart = (id: string) => joined[at(id)]! && !hasWater[at(id)]!;
  const height = (id: string) => places[at(id)]!.heightFt;
  const byHeight = (a: string, b: string) => height(a) - height(b);
  const outlets = places.flatMap((p) => (p.kind === 'outlet' && isPart(p.id) ? [p.id] : [])).sort(byHeight);
  const work = [...workOn].sort(byHeight)[0]!;
  const drainAt = outlets[0] ?? work;
  const parts = pipes.filter((p) => isPart(p.a) && isPart(p.b));
  const above = (ft: number) => parts.reduce((sum, p) => sum + volumeAbove(p, height(p.a), height(p.b), ft), 0);
  const drain = {
    drainAt,
    ventAt: outlets.length > 1 ? outlets.at(-1)! : null,
    volumeGal: above(height(drainAt)),
    residualGal: height(work) < height(drainAt) ? above(height(work)) - above(height(drainAt)) : 0,
  };
  return { drain, isJoined: (id) => joined[at(id)]! };
}

/** Of a pipe that runs evenly from one height to another, what lies above a height, gal. */
function volumeAbove({ boreIn, lengthFt }: NetPipe, a: number, b: number, ft: number): number {
  const whole = GAL_PER_FT_IN2 * boreIn ** 2 * lengthFt;
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  if (low >= ft) return whole;
  return high <= ft ? 0 : (whole * (high - ft)) / (high - low);
}

function joinedTo(from: readonly number[], links: readonly { a: string; b: string }[], at: (id: string) => number, count: number): boolean[] {
  const around: number[][] = Array.from({ length: count }, () => []);
  for (const { a, b } of links) {
    around[at(a)]!.push(at(b));
    around[at(b)]!.push(at(a));
  }
  const joined = new Array<boolean>(count).fill(false);
  const queue = [...from];
  for (const i of queue) joined[i] = true;
  for (let i = 0; i < queue.length; i++) {
    for (const next of around[queue[i]!]!) {
      if (joined[next]) continue;
      joined[next] = true;
      queue.push(next);
    }
  }
  return joined;
}
