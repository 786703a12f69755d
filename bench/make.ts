/** Work cards of every kind of work, and the steps they come from. */
import { catalogue } from '../catalog/index.ts';
import { readSteps } from '../catalog/steps.ts';
import { defaultRules, indexParts, matchChains, type RunFacts, workCard } from '../core/index.ts';

const timed = (work: () => unknown) => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

/** A run of each kind of work, from a found copper pipe that is joined again where it can be: the longest chains and cards. */
function longestRuns(): RunFacts[] {
  const { steps, parts, loose, appliances, workKinds } = catalogue();
  const index = indexParts(parts);
  return workKinds.flatMap((kind): RunFacts[] => {
    const appliance = appliances.find((a) => kind.appliances === '*' || kind.appliances.includes(a.id))!;
    const [from, rejoin] = appliance.id === 'bidet-seat' ? ['bc-7/8-f', 'bc-7/8-m'] : ['cu-5/8od', 'cu-5/8od'];
    const [to, water] = [appliance.usualInletEnds[0]!, appliance.water[0]!];
    const chain = kind.joins ? matchChains({ from, to, rejoin, parts: index, loose, k: 1, need: { water, stop: true } }).chains[0] : null;
    if (chain === undefined) return [];
    return [{ work: kind.id, appliance, water, chain, from, to, rejoin, stop: null, hidden: true, rules: defaultRules, stepData: steps, parts }];
  });
}

/** Milliseconds for each card, warm; with how many steps the longest has. */
export function cardTimes(): { cards: number[]; longest: number; loadMs: number } {
  const runs = longestRuns();
  // As in a process that has been at work.
  for (let i = 0; i < 5; i++) for (const run of runs) workCard(run);
  const cards = Array.from({ length: 10 }, () => runs.map((run) => timed(() => workCard(run)))).flat();
  const { workKinds, appliances } = catalogue();
  const ids = appliances.map((a) => a.id);
  const loadMs = timed(() => readSteps(workKinds, ids));
  return { cards, longest: Math.max(...runs.map((run) => workCard(run).length)), loadMs };
}
