import * as z from 'zod/mini';
import { WITHDRAWN } from '../../effective.ts';
import { kind } from '../../kind.ts';
import { reasonWords } from '../../reasons.ts';
import { givenReason } from '../../shapes.ts';
import { realReason } from '../rules.ts';

/** Takes back the entry it names, and what that carried: as if it had never been entered, and to be read for ever. */
export const withdrawn = kind({
  name: WITHDRAWN,
  shape: z.strictObject({ reason: givenReason }),
  counts: 'all',
  about: 'anything',
  // A sign-off can be taken back, and so can what came after it; what it stands on cannot.
  onSigned: ({ correctsId }, run) => run.isAfterSignOff(correctsId),
  holds: ({ body, correctsId }) =>
    correctsId === null ? { rule: 'takes-back-nothing', why: 'Say which entry is taken back: its id in correctsId.' } : realReason(body.reason),
  describe: (b) => `taken back: ${reasonWords(b.reason)}`,
});
