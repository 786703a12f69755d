import type { SealId } from '../../../core/index.ts';
import type { Proof } from '../../../record/index.ts';

/** What is looked at in Prove: a joint or a check point. */
export interface Target extends Proof {
  id: string;
  label: string;
  what: string;
  seal: SealId | null;
  target: { jointId?: string; checkPointId?: string };
}
