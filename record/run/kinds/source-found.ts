import * as z from 'zod/mini';
import { asTyped, length, readLengthIn } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { end, id, lengthIn, name, shortText } from '../../shapes.ts';

/** A place the run's water may be taken from, with what the way there takes; `gone`: it is none after all. */
export const sourceFound = kind({
  name: 'source-found',
  shape: z.strictObject({
    id,
    name,
    kind: z.enum(['idle-line', 'stop', 'pipe', 'manifold', 'tank', 'saddle'], 'is no kind of source'),
    end,
    rejoin: z.optional(end),
    text: shortText,
    inches: lengthIn,
    holes: z
      .array(z.strictObject({ through: z.enum(['cabinet', 'floor', 'wall']), inTheWay: z.optional(shortText) }))
      .check(z.maxLength(10, 'are more than 10')),
    shut: z.enum(['nothing', 'stop', 'branch', 'main']),
    dry: z.enum(['yes', 'no', 'unknown']),
    holds: z.optional(z.enum(['cold', 'hot', 'unproved', 'no water'])),
    afterOsmosis: z.optional(z.boolean()),
    gone: z.optional(z.boolean()),
  }),
  counts: { lastOf: (b) => b.id },
  about: 'run',
  holds: always,
  agreed: (b) => ({ ...b, inches: readLengthIn(b.text) }),
  describe: (b, { end, units }) => `Source${b.gone ? ' given up' : ''}: ${b.name} (${end(b.end)}), ${asTyped(b.text, length(b.inches), units)} away`,
});
