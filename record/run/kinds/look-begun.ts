import * as z from 'zod/mini';
import { METHODS, type Method, ROUNDS, type Round } from '../../../core/index.ts';
import { kind } from '../../kind.ts';
import { wantsTarget } from '../rules.ts';

export const roundName = (round: Round): string => ROUNDS.find((r) => r.id === round)?.name ?? round;

/** A look at a joint or check point begins; it is ended by an entry of its own, so that a crash between them loses nothing. */
export const lookBegun = kind({
  name: 'look-begun',
  shape: z.strictObject({
    round: z.enum(ROUNDS.map((r) => r.id) as [Round, ...Round[]]),
    method: z.enum(Object.keys(METHODS) as [Method, ...Method[]]),
    /** A tissue left in place: it looks on in the background until it is read. */
    left: z.optional(z.boolean()),
  }),
  counts: 'all',
  about: 'joint or check point',
  onSigned: ({ body }) => body.round === 'next-day',
  holds: (entry, run) => {
    const { round, method } = entry.body;
    if (method === 'ear' && ROUNDS.find((r) => r.id === round)?.pressure) {
      return { rule: 'not-by-ear', why: 'Under pressure a joint is looked at: an ear hears water filling, not a weep.' };
    }
    return wantsTarget(entry, run);
  },
  describe: (b) => (b.left ? `${roundName(b.round)}: tissue left in place` : `${roundName(b.round)}: look begun, ${METHODS[b.method].name}`),
});
