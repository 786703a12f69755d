import * as z from 'zod/mini';
import { LINE_KINDS, type LineKindId } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { findingIds, findingWords } from '../seen/findings.ts';

const KINDS = [...LINE_KINDS, 'none'] as const satisfies readonly (LineKindId | 'none')[];

/** The line that is there: what it is, how old, and what is seen on it. What is left out stays as it was, null is not known; [] is: nothing was found. */
export const lineSeen = kind({
  name: 'line-seen',
  shape: z.strictObject({
    line: z.optional(z.enum(KINDS, 'is no kind of line')),
    ageYears: z.optional(z.nullable(z.number('wants years').check(z.gte(0, 'must not be less than 0'), z.lte(150, 'is more than 150 years')))),
    seen: z.optional(z.nullable(findingIds)),
  }),
  counts: 'by field',
  about: 'run',
  holds: always,
  describe: ({ line, ageYears, seen }) => {
    if (line === 'none') return 'Line found: none';
    const told = [
      line,
      ageYears === null ? 'age not known' : ageYears === undefined ? undefined : `${ageYears} ${ageYears === 1 ? 'year' : 'years'}`,
      seen && findingWords(seen),
    ].filter(Boolean);
    return `Line found: ${told.length > 0 ? told.join(', ') : 'of what is not known'}`;
  },
});
