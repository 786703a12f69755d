import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { reasonWords } from '../../reasons.ts';
import { givenReason } from '../../shapes.ts';

/** Whether a run stands on its visit's list. What was recorded on it stays, also of a run that is taken off, or that cannot be read. */
export const listed = kind({
  name: 'listed',
  shape: z.strictObject({ on: z.boolean(), reason: givenReason }),
  counts: 'last',
  about: 'run',
  onSigned: () => true,
  holds: always,
  describe: (b) => `${b.on ? 'put back on the list' : 'taken off the list'}: ${reasonWords(b.reason)}`,
});
