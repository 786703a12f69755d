/** Where the water of a run is shut off, of each side it is fed with. */
import { parseEnd } from '../ends/index.ts';
import { fitOf } from './found-ends.ts';
import type { RunFacts } from './run-facts.ts';
import { workKind } from './work-kinds.ts';

export type Water = 'cold' | 'hot';
type Stop = { kind: string; condition: string };

/** A stop that was found so holds no water back, or lets go when it is turned: it is left alone. */
const BAD_STOP: readonly string[] = ['passes', 'seized-open', 'seized-shut', 'broken'];

export const isBad = (stop: Stop | null): boolean => stop !== null && stop.kind !== 'saddle' && BAD_STOP.includes(stop.condition);

/** The waters an appliance is fed with: of a mixer both, whether one run is worked on or two. */
export const watersOf = (run: Pick<RunFacts, 'appliance' | 'water' | 'waters'>): readonly Water[] =>
  run.waters ?? (run.appliance.fedBoth ? ['cold', 'hot'] : [run.water]);

export const otherWater = (water: Water): Water => (water === 'hot' ? 'cold' : 'hot');

/** Where the run's own water is shut: at its stop; before it, where it does not hold or is itself worked on; before a saddle, which nobody trusts. */
export type ShutAt = 'stop' | 'bad stop' | 'saddle' | 'branch';

export function shutsAt(run: RunFacts): ShutAt {
  const { stop } = run;
  if (stop?.kind === 'saddle') return 'saddle';
  if (stop === null || stop.kind === 'none') return 'branch';
  if (isBad(stop)) return 'bad stop';
  return opensPipe(run) ? 'branch' : 'stop';
}

/** Tube of this outside diameter and up comes from the wall: the stop is screwed or soldered to it, not it to the stop. */
const PIPE_FROM_IN = 0.6;

/** Whether what is opened lies before the stop: the stop itself comes off, or the pipe it is on is cut. */
function opensPipe(run: RunFacts): boolean {
  if (workKind(run.work).renewsStop) return true;
  if (run.chain === null) return false;
  const from = parseEnd(run.from);
  if (from.kind === 'thread') return from.family === 'npt';
  return from.kind === 'tube' && (from.tube.odIn >= PIPE_FROM_IN || fitOf(run).cuts);
}

/** Where the other side is shut: at its stop, unless it was found bad or there is none; of one that nobody told of, as there is one on the run's own side. */
export function otherShutsAt({ stop: own, otherStop: stop }: RunFacts): 'stop' | 'branch' {
  if (stop === undefined) return own === null || own.kind === 'none' ? 'branch' : 'stop';
  return stop === null || stop.kind === 'none' || stop.kind === 'saddle' || isBad(stop) ? 'branch' : 'stop';
}
