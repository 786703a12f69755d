import * as z from 'zod/mini';
import { readLengthIn } from '../../../core/units/length.ts';
import { asTyped, length } from '../../../core/units/quantity.ts';
import { always, kind } from '../../kind.ts';
import { lengthIn, shortText } from '../../shapes.ts';

/** End to end, along the way the line will lie; as typed, and in inches. */
export const distanceMeasured = kind({
  name: 'distance-measured',
  shape: z.strictObject({ text: shortText, inches: lengthIn }),
  counts: 'last',
  about: 'run',
  holds: always,
  agreed: (b) => ({ ...b, inches: readLengthIn(b.text) }),
  says: (b, { units }) => `Distance: ${asTyped(b.text, length(b.inches), units)}`,
});
