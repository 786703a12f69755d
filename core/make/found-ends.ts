/** What of the pipe that was found is cut for this work. */
import { parseEnd, tubeHold } from '../ends/index.ts';
import { chosen } from '../house/index.ts';
import type { SealId } from '../rows/index.ts';
import type { RunFacts } from './run-facts.ts';

/** Of a tube's material. */
export const isMetal = (material: string): boolean => material === 'copper' || material === 'steel';

/** Whether a pipe that was found is cut, and whether it is metal, which may carry the building's earth. */
export function fitOf(run: Pick<RunFacts, 'chain' | 'from' | 'rejoin' | 'rules' | 'work'>): { cuts: boolean; isMetal: boolean } {
  const first = run.chain?.joints[0];
  const last = run.chain?.branches.some((b) => b.use === 'rejoin') ? run.chain.joints.at(-1) : undefined;
  const ends: { code: string; seal: string | null }[] = [];
  if (first) ends.push({ code: run.from, seal: first.mating.seal });
  const keepsFerrule = last?.mating.seal?.startsWith('ferrule') && chosen(run.rules, 'reuse') === 'when sound';
  if (last && run.rejoin && !keepsFerrule) ends.push({ code: run.rejoin, seal: last.mating.seal });
  const tubes = ends.flatMap(({ code, seal }) => {
    const end = parseEnd(code);
    return end.kind === 'tube' && seal !== null && tubeHold(seal as SealId) !== null ? [end.tube.material] : [];
  });
  const isSaddle = run.work === 'saddle-remove';
  const carriesEarth = tubes.some(isMetal) || (isSaddle && tubes.length === 0);
  return { cuts: tubes.length > 0 || isSaddle, isMetal: carriesEarth };
}
