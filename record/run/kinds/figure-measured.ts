import * as z from 'zod/mini';
import { asTyped, length, readLengthIn } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { id, notNegative, shortText } from '../../shapes.ts';

/** A length that a step of the card measures, by its id in the catalogue: as typed, and in inches; '' where it is taken away. */
export const figureMeasured = kind({
  name: 'figure-measured',
  shape: z.strictObject({ figure: id, text: shortText, inches: z.optional(notNegative) }),
  counts: { lastOf: (b) => b.figure },
  about: 'run',
  holds: always,
  agreed: ({ inches: _, ...b }) => {
    const inches = readLengthIn(b.text);
    return inches === null ? b : { ...b, inches };
  },
  describe: ({ figure, text, inches }, { units }) =>
    `Measured, ${figure.replaceAll('-', ' ')}: ${text === '' ? 'nothing' : inches === undefined ? text : asTyped(text, length(inches), units)}`,
});
