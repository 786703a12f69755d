import * as z from 'zod/mini';
import { kind } from '../../kind.ts';
import { givenReason } from '../../shapes.ts';
import { realReason } from '../rules.ts';
import { STAGE_NAMES, STAGES, type Stage } from '../stages.ts';

/** A stage that is gone past without being done, and why: shown for ever. */
export const stageSkipped = kind({
  name: 'stage-skipped',
  shape: z.strictObject({ stage: z.enum(STAGES as [Stage, ...Stage[]]), reason: givenReason }),
  counts: { lastOf: (b) => b.stage },
  about: 'run',
  holds: ({ body }) =>
    body.stage === 'match' || body.stage === 'log'
      ? {
          rule: 'no-such-skip',
          why: `${STAGE_NAMES[body.stage]} cannot be skipped: without ${body.stage === 'match' ? 'a chain' : 'a sign-off'} there is nothing on record.`,
        }
      : realReason(body.reason),
  describe: (b) => `${STAGE_NAMES[b.stage]} skipped: ${b.reason}`,
});
