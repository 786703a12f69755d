import { FIRST_DROP_DELAY_MIN, METHODS, sealById, waitFor } from '../../../../core/index.ts';
import type { RunState } from '../../../../record/index.ts';

export function neededS({ targetMlPerDay }: RunState, seal: RunState['joints'][number]['seal'] | null): number {
  const hiddenMl = seal ? sealById(seal).hiddenMl : 0;
  return waitFor({ targetMlPerDay, dropMl: METHODS.tissue.dropMl, hiddenMl, delayMin: FIRST_DROP_DELAY_MIN }).minutes * 60;
}
