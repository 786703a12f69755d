import * as z from 'zod/mini';
import { kind } from '../../kind.ts';
import { givenReason } from '../../shapes.ts';
import { realReason } from '../rules.ts';

/** A signed-off run is worked on again; it is signed off anew when that is done. */
export const reopened = kind({
  name: 'reopened',
  shape: z.strictObject({ reason: givenReason }),
  counts: 'all',
  about: 'run',
  onSigned: () => true,
  holds: ({ body }, run) =>
    run.signedOff ? realReason(body.reason) : { rule: 'not-signed-off', why: 'This run is not signed off: it is open already.' },
  describe: (b) => `Reopened: ${b.reason}`,
});
