import type { Reason } from '../../reason.ts';
import type { SealId } from '../../rows/index.ts';

/** What a joint takes besides its two ends: 'nut-comp-3/8', 'ferrule-3/8od', ...: <kind>-<size>, stocked and priced like parts. */
export type LooseCode = string;

export type Verdict = 'seals' | 'marginal' | 'false-start' | 'no';

/** What the pair of ends decides before turns, sealant and house rules are added. */
export interface Fit {
  verdict: Verdict;
  seal: SealId | null;
  loose: LooseCode[];
  nearMiss?: string;
  bindsAfterTurns?: number;
  because: Reason[];
}

export function refuse(because: Reason, extra: Partial<Fit> = {}): Fit {
  return { verdict: 'no', seal: null, loose: [], because: [because], ...extra };
}
