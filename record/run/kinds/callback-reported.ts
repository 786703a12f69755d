import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { text } from '../../shapes.ts';

/** A leak that showed after the run was signed off. */
export const callbackReported = kind({
  name: 'callback-reported',
  shape: z.strictObject({ finding: z.enum(['damp', 'drip', 'running']), text }),
  counts: 'all',
  about: 'anything',
  onSigned: () => true,
  holds: always,
  describe: (b) => `callback: ${b.finding}${b.text ? `. ${b.text}` : ''}`,
});
