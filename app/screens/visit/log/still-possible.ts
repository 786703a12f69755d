import { dropWords } from '../../../../core/index.ts';
import type { SignedJoint } from '../../../../record/index.ts';
import { mlPerDay } from '../../../ui/words.ts';

export function stillPossible(j: SignedJoint): string {
  if (j.finding) return j.finding;
  if (j.isDrain) return j.proven ? 'stayed dry while it worked' : 'not seen at work yet';
  if (j.mlPerDay === null) return 'nothing proven yet';
  return `at 95 % under ${mlPerDay(j.mlPerDay)} mL a day, ${dropWords(j.mlPerDay)}`;
}
