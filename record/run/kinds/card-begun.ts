import * as z from 'zod/mini';
import { kind } from '../../kind.ts';
import { houseRules, keptRules } from '../../rules/house-rules.ts';

/** The first press on the card of work that joins nothing: the house's rules and the card as they were, which an accepted chain keeps elsewhere. */
export const cardBegun = kind({
  name: 'card-begun',
  shape: z.strictObject({ rules: houseRules, cardVersion: z.int().check(z.gte(1), z.lte(1000)) }),
  upcast: (body) => {
    const stored = body as { rules?: object } | null;
    return typeof stored?.rules === 'object' ? { ...stored, rules: keptRules(stored.rules) } : body;
  },
  counts: 'last',
  about: 'run',
  holds: (_entry, run) => (run.joins ? { rule: 'joins', why: 'The card of work that joins something keeps the rules of its chain.' } : null),
  describe: () => 'The card is begun, by the house rules of the day',
});
