import * as z from 'zod/mini';
import { asTyped, length, readLengthIn } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { lengthIn, shortText } from '../../shapes.ts';
import { laidShape } from '../seen/laid.ts';

/** End to end, along the way the line will lie; as typed, and in inches. Where it was drawn, how it is to lie. */
export const distanceMeasured = kind({
  name: 'distance-measured',
  shape: z.strictObject({ text: shortText, inches: lengthIn, laid: z.optional(laidShape) }),
  counts: 'last',
  about: 'run',
  holds: always,
  // Another length is not the one that was drawn.
  agreed: ({ laid, ...b }, before) => ({ ...b, ...(laid && b.text === before.text ? { laid } : {}), inches: readLengthIn(b.text) }),
  describe: (b, { units }) => `Distance: ${asTyped(b.text, length(b.inches), units)}${b.laid ? ', drawn to scale' : ''}`,
});
