import * as z from 'zod/mini';
import { readLengthIn, readPressurePsi } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { id, notNegative, shortText } from '../../shapes.ts';

/** A figure from the appliance's own sheet, by its id in the catalogue: as typed, and in inches or psi where it is one; '' where it is none after all. */
export const sheetRead = kind({
  name: 'sheet-read',
  shape: z.strictObject({ figure: id, of: z.enum(['length', 'pressure', 'words']), text: shortText, value: z.optional(notNegative) }),
  counts: { lastOf: (b) => b.figure },
  about: 'run',
  holds: always,
  // A figure is read from what was typed.
  agreed: ({ value: _, ...b }) => {
    const value = b.of === 'length' ? readLengthIn(b.text) : b.of === 'pressure' ? readPressurePsi(b.text) : null;
    return value === null ? b : { ...b, value };
  },
  describe: ({ figure, text }) => `Its sheet, ${figure.replaceAll('-', ' ')}: ${text === '' ? 'nothing' : text}`,
});
