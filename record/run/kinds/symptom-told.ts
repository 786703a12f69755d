import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { id, text } from '../../shapes.ts';

/** What the customer or the place complains of, by the catalogue's id; `is`: false where it is so no more. */
export const symptomTold = kind({
  name: 'symptom-told',
  shape: z.strictObject({ symptom: id, is: z.boolean(), text: z.optional(text) }),
  counts: { lastOf: (b) => b.symptom },
  about: 'run',
  holds: always,
  describe: ({ symptom, is, text: more }) => `Symptom: ${symptom.replaceAll('-', ' ')}${is ? '' : ', no more'}${more ? ` (${more})` : ''}`,
});
