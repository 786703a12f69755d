import * as z from 'zod/mini';
import { TASK_IDS } from '../../../core/index.ts';
import { kind } from '../../kind.ts';
import { localDay, name, text } from '../../shapes.ts';
import { realReason } from '../rules.ts';

const OUTCOMES = { done: 'done', 'put-off': 'put off', 'not-wanted': 'not wanted any more' } as const;

/** Something that was due again at a connection was done, put off to a day, or is not wanted any more. */
export const dutySeen = kind({
  name: 'duty-seen',
  shape: z
    .strictObject({
      duty: z.enum(TASK_IDS, 'is nothing that comes due'),
      what: name,
      outcome: z.enum(Object.keys(OUTCOMES) as (keyof typeof OUTCOMES)[], 'is no outcome'),
      /** Of what is put off: not before. */
      until: z.optional(localDay),
      /** Why it is put off or not wanted; of what was done, what was seen. */
      note: z.optional(text),
    })
    .check(
      z.refine((b) => (b.outcome === 'put-off') === (b.until !== undefined), { path: ['until'], error: 'is for what is put off, and wanted there' }),
    ),
  counts: { lastOf: (b) => `${b.duty} ${b.what}` },
  about: 'run',
  onSigned: () => true,
  holds: ({ body }, run) => {
    if (!run.signedOff) return { rule: 'not-signed-off', why: 'This run is not signed off, so nothing is due at it yet.' };
    return body.outcome === 'done' ? null : realReason(body.note ?? '');
  },
  describe: ({ duty, what, outcome, until, note }) =>
    `${duty === 'stop' ? 'Stop exercised' : what}: ${OUTCOMES[outcome]}${until ? ` until ${until}` : ''}${note?.trim() ? `: ${note.trim()}` : ''}`,
});
