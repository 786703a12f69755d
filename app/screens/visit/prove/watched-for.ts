/** How long is watched for what was set out to be proven. */
import { againRounds, FIRST_DROP_DELAY_MIN, METHODS, POOLED_ROUNDS, type Round, sealById, waitFor } from '../../../../core/index.ts';
import type { EntryOf, RunState } from '../../../../record/index.ts';
import type { Target } from './target.ts';

/** What a leak fills at the joint that a look is at before it shows, mL. */
export function hiddenOf(targets: readonly Pick<Target, 'id' | 'seal'>[], look: Pick<EntryOf<'look-begun'>, 'jointId' | 'checkPointId'>): number {
  const seal = targets.find((t) => t.id === (look.jointId ?? look.checkPointId))?.seal;
  return seal ? sealById(seal).hiddenMl : 0;
}

/** Seconds that a tissue has to stay dry at a joint; null for what is no joint of a chain. */
export function neededS(
  { targetMlPerDay, proof }: Pick<RunState, 'targetMlPerDay'> & { proof: Pick<RunState['proof'], 'doorMlPerDay'> },
  seal: RunState['joints'][number]['seal'] | null,
): number {
  if (proof.doorMlPerDay === null) return 0;
  const hiddenMl = seal ? sealById(seal).hiddenMl : 0;
  return waitFor({ targetMlPerDay, dropMl: METHODS.tissue.dropMl, hiddenMl, delayMin: FIRST_DROP_DELAY_MIN }).minutes * 60;
}

/** Dry looks before this one whose time counts with it: by the rule for the day those of the standing and the working round. */
export function before(target: Pick<Target, 'byRound' | 'seal'> | undefined, round: Round, rule: RunState['proof']['rule']): DryBefore[] {
  const rounds = roundsWith(round, rule, target?.byRound['put-back'] !== undefined);
  const hiddenMl = target?.seal ? sealById(target.seal).hiddenMl : 0;
  return rounds.flatMap((r) => {
    const seen = target?.byRound[r];
    if (seen?.state !== 'dry') return [];
    return [{ waitMin: seen.minutes, dropMl: Math.max(...seen.methods.map((m) => METHODS[m].dropMl)), hiddenMl }];
  });
}

interface DryBefore {
  waitMin: number;
  dropMl: number;
  hiddenMl: number;
}

function roundsWith(round: Round, rule: RunState['proof']['rule'], isPushedHome: boolean): readonly Round[] {
  if (round === 'next-day') return againRounds(isPushedHome);
  const isPooled = rule === 'day' && (POOLED_ROUNDS as readonly Round[]).includes(round);
  return isPooled ? POOLED_ROUNDS : [round];
}
