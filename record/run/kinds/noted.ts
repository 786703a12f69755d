import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { text } from '../../shapes.ts';

/** What nothing else has a place for. */
export const noted = kind({
  name: 'noted',
  shape: z.strictObject({ text: text.check(z.minLength(1, 'wants a text')) }),
  counts: 'all',
  about: 'anything',
  onSigned: () => true,
  holds: always,
  describe: (b) => b.text,
});
