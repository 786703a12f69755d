/** How long is watched for what was set out to be proven. */
import { FIRST_DROP_DELAY_MIN, METHODS, sealById, waitFor } from '../../../../core/index.ts';
import type { EntryOf, RunState } from '../../../../record/index.ts';
import type { Target } from './target.ts';

/** What a leak fills at the joint that a look is at before it shows, mL. */
export function hiddenOf(targets: readonly Pick<Target, 'id' | 'seal'>[], look: Pick<EntryOf<'look-begun'>, 'jointId' | 'checkPointId'>): number {
  const seal = targets.find((t) => t.id === (look.jointId ?? look.checkPointId))?.seal;
  return seal ? sealById(seal).hiddenMl : 0;
}

/** Seconds that a tissue has to stay dry at a joint; null for what is no joint of a chain. */
export function neededS({ targetMlPerDay }: Pick<RunState, 'targetMlPerDay'>, seal: RunState['joints'][number]['seal'] | null): number {
  const hiddenMl = seal ? sealById(seal).hiddenMl : 0;
  return waitFor({ targetMlPerDay, dropMl: METHODS.tissue.dropMl, hiddenMl, delayMin: FIRST_DROP_DELAY_MIN }).minutes * 60;
}
