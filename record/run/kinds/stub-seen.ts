import * as z from 'zod/mini';
import { asTyped, FINISHES, length, readLengthIn, type Stub } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { lengthIn, shortText } from '../../shapes.ts';

/** A tube found in place: its outside, and how much of it is free, straight and round; as typed, and in inches. */
export const stubSeen = kind({
  name: 'stub-seen',
  shape: z.strictObject({
    side: z.enum(['from', 'to']),
    finish: z.enum(Object.keys(FINISHES) as [Stub['finish'], ...Stub['finish'][]]),
    text: z.optional(shortText),
    inches: z.optional(lengthIn),
  }),
  counts: { lastOf: (b) => b.side },
  about: 'run',
  holds: always,
  agreed: ({ text, inches: _, ...b }) => {
    const inches = text === undefined ? null : readLengthIn(text);
    return inches === null ? b : { ...b, text, inches };
  },
  describe: (b, { units }) => {
    const free = b.text === undefined || b.inches === undefined ? '' : `, ${asTyped(b.text, length(b.inches), units)} free`;
    return `Tube of the ${b.side === 'from' ? 'water side' : 'inlet'}: ${FINISHES[b.finish]}${free}`;
  },
});
