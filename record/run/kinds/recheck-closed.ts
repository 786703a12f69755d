import * as z from 'zod/mini';
import { kind } from '../../kind.ts';
import { givenReason } from '../../shapes.ts';
import { realReason } from '../rules.ts';

/** A recheck that nobody will look at, and why. */
export const recheckClosed = kind({
  name: 'recheck-closed',
  shape: z.strictObject({ reason: givenReason }),
  counts: 'last',
  about: 'run',
  onSigned: () => true,
  holds: ({ body }, run) =>
    run.signedOff ? realReason(body.reason) : { rule: 'not-signed-off', why: 'This run is not signed off, so no recheck is due.' },
  describe: (b) => `Recheck closed without a look: ${b.reason}`,
});
