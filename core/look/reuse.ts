/** What was on before and may be used again: each on its conditions, and only where the house reuses at all. */
import { InputError } from '../errors.ts';
import type { HouseRules } from '../house/index.ts';
import { type Reason, reason } from '../reason.ts';
import type { LookData } from './rows.ts';

/**
 * @param answers  by the words of each condition: yes, no, or left out where nobody looked
 * @returns        may it be used again, and why; what was not answered counts as no
 * @throws InputError  for a thing that no row speaks of
 */
export function mayReuse(
  what: string,
  answers: Record<string, boolean>,
  { reuse }: LookData,
  rules: Pick<HouseRules, 'connector'>,
): { may: boolean; because: Reason[] } {
  const row = reuse.find((r) => r.what === what);
  if (!row) throw new InputError('what', what, `Say one of ${reuse.map((r) => r.what).join(', ')}.`);
  if (rules.connector === 'new') {
    return { may: false, because: [reason('house-new', `The house uses no ${row.name} again.`, { source: 'house rule' })] };
  }
  const failing = row.asks.filter((ask) => answers[ask] !== true);
  const why = reason(`reuse-${what}`, row.because, { source: 'trade practice' });
  if (failing.length === 0) return { may: true, because: [why] };
  return {
    may: false,
    because: [...failing.map((ask) => reason('reuse-fails', answers[ask] === false ? `Not ${ask}.` : `Nobody looked: ${ask}?`)), why],
  };
}
