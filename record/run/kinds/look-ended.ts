import * as z from 'zod/mini';
import { targetOf } from '../../entry.ts';
import { kind } from '../../kind.ts';
import { uuid } from '../../shapes.ts';
import { watchedWords } from '../joints/watched.ts';
import { wantsTarget } from '../rules.ts';

/** What a look came to. */
export const lookEnded = kind({
  name: 'look-ended',
  shape: z.strictObject({
    begunId: uuid,
    finding: z.enum(['dry', 'damp', 'drip', 'running', 'normal']),
    drops: z.nullable(z.int().check(z.gte(0), z.lte(100_000, 'is too large'))),
    /** By the page's own stopwatch; null where it was lost. */
    elapsedS: z.nullable(z.number().check(z.gte(0), z.lte(10_000_000, 'is too long'))),
  }),
  counts: 'all',
  about: 'joint or check point',
  onSigned: ({ body }, run) => run.look(body.begunId)?.round === 'next-day',
  follows: (b) => b.begunId,
  holds: (entry, run) => {
    const lacks = wantsTarget(entry, run);
    if (lacks) return lacks;
    const look = run.look(entry.body.begunId);
    if (!look) return { rule: 'unknown-entry', why: 'The look that this one ends was not kept.' };
    if (look.targetId !== targetOf(entry)) return { rule: 'other-target', why: 'The look that this one ends was begun at another joint.' };
    // Another device that did not know of it yet saw something too: both stand, and where they differ one is asked for.
    if (look.endedBy === entry.deviceId && entry.correctsId === null) {
      return { rule: 'look-ended', why: 'This look was ended already. Correct what was recorded, if it was something else.' };
    }
    return null;
  },
  describe: (b, w) => {
    const minutes = w.watched(b) ?? (b.elapsedS === null ? null : b.elapsedS / 60);
    return `${w.look(b.begunId)}: ${b.finding}${minutes === null ? '' : `, ${watchedWords(minutes)}`}${b.drops === null ? '' : `, ${b.drops} drops`}`;
  },
});
