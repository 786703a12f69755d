import { sealById } from '../../../../core/index.ts';
import type { EntryOf } from '../../../../record/index.ts';
import type { Target } from './target.ts';

export const hiddenOf = (targets: Target[], look: EntryOf<'look-begun'>): number => {
  const seal = targets.find((t) => t.id === (look.jointId ?? look.checkPointId))?.seal;
  return seal ? sealById(seal).hiddenMl : 0;
};
