import type { HouseRules } from '../../core/index.ts';

/** How the house does it now. */
export interface RulesNow {
  /** Id of the shop. */
  id: string;
  /** How often they were changed; 0 while they are the usual ones. */
  version: number;
  rules: HouseRules;
  /** Why they were changed last. */
  reason: string;
  changedMs: number | null;
}
