import type { Cost } from '../../../../record/index.ts';
import { money } from '../../../ui/words.ts';

export function comparison(cents: number, estimate: Cost, currency: string): string {
  if (cents > estimate.slowCents) return `${money(cents - estimate.slowCents, currency)} more than the estimate where it goes slowly.`;
  if (cents < estimate.cents) return `${money(estimate.cents - cents, currency)} less than the estimate.`;
  return 'Within the estimate.';
}
