import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { id, shortText } from '../../shapes.ts';

/** What was on before and may be used again, by the catalogue's id; which of its conditions hold and which do not; `is`: false where it goes on no more. */
export const reuseSeen = kind({
  name: 'reuse-seen',
  shape: z.strictObject({
    what: id,
    is: z.boolean(),
    holds: z.array(shortText).check(z.maxLength(8, 'names more than 8')),
    fails: z.array(shortText).check(z.maxLength(8, 'names more than 8')),
  }),
  counts: { lastOf: (b) => b.what },
  about: 'run',
  holds: always,
  describe: ({ what, is, holds, fails }) => {
    const told = [...holds, ...fails.map((f) => `not: ${f}`)];
    return `${is ? 'To be used again' : 'Not used again'}: ${what.replaceAll('-', ' ')}${told.length > 0 ? ` (${told.join(', ')})` : ''}`;
  },
});
