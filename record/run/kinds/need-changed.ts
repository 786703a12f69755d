import * as z from 'zod/mini';
import {
  diameter,
  HOUSE_CHOICES,
  KNOWN_IDS,
  type KnownId,
  length,
  MATCH_RULES,
  type MatchRule,
  pressure,
  quantityWords,
  type Units,
} from '../../../core/index.ts';
import { kind } from '../../kind.ts';
import { givenReason, positive, shortText } from '../../shapes.ts';
import { realReason } from '../rules.ts';

const WORDS: Record<KnownId, string> = {
  length: 'the reach',
  'own-stop': 'its own stop',
  arrestor: 'the hammer arrestor',
  check: 'the backflow preventer',
  'stop-leak': 'the stop-leak device',
  outlet: 'the outlet left free',
  hidden: 'that the joints are hidden',
  bore: 'the bore',
  pressure: 'the pressure',
  turn: 'the way the stop turns',
  stub: 'the state of the tube',
  'avoid-usual': 'what the appliance avoids',
  'after-osmosis': 'that it follows reverse osmosis',
  'own-hose': 'no hose onto its own hose',
  passes: 'tube through the floor or wall',
  push: 'push fittings',
  applianceLine: 'the line to an appliance',
  toiletLine: 'the line to a toilet or basin',
};

/** What may be another figure, and the largest: as much as the search takes. */
const MOST: Partial<Record<KnownId, number>> = { length: 12_000, bore: 12, pressure: 1000 };

const figureWords = (id: KnownId, value: number, units: Units): string =>
  quantityWords(id === 'pressure' ? pressure(value) : id === 'bore' ? diameter(value) : length(value), units);

const isRule = (id: KnownId): id is MatchRule => (MATCH_RULES as readonly string[]).includes(id);

/** Another figure, another house rule, or nothing: for this run alone, and why. Taken back, it is as known again. */
export const needChanged = kind({
  name: 'need-changed',
  shape: z.strictObject({
    id: z.enum(KNOWN_IDS, 'is nothing that is asked of a chain'),
    to: z.nullable(z.union([positive, shortText])),
    because: givenReason,
  }),
  counts: { lastOf: (b) => b.id },
  about: 'run',
  holds: ({ body: { id, to, because } }) => {
    const fits = isRule(id)
      ? typeof to === 'string' && (HOUSE_CHOICES[id] as readonly string[]).includes(to)
      : to === null || (typeof to === 'number' && to <= (MOST[id] ?? 0));
    return fits ? realReason(because) : { rule: 'no-such-need', why: `That is nothing that ${WORDS[id]} can be for a run.` };
  },
  describe: (b, { units }) =>
    `Asked of this run: ${WORDS[b.id]} ${b.to === null ? 'left out' : `is ${typeof b.to === 'number' ? figureWords(b.id, b.to, units) : b.to}`}, because ${b.because}`,
});
