import * as z from 'zod/mini';
import { fieldsInWords, retiring } from '../book/rules.ts';
import { change, itsFields, type Subject } from '../book/subject.ts';
import { name, uuid } from '../shapes.ts';
import type { Place } from './states.ts';

const made = z.strictObject({ premisesId: uuid, name });
const placeChange = change<Place>();

/** A room of a premises, or a part of one. */
export const place: Subject<'place', Place> = {
  name: 'place',
  called: 'place',
  making: 'made',
  nameOf: (p) => p.name,
  belongsTo: (p) => ({ kind: 'premises', id: p.premisesId }),
  begins: (id, body: z.output<typeof made>) => ({ ...body, id, retired: null }),
  changes: {
    made: placeChange({
      shape: made,
      names: (b) => [{ kind: 'premises', id: b.premisesId, at: 'premisesId' }],
      sets: itsFields,
      says: (b) => `place "${b.name}" written down`,
    }),
    changed: placeChange({ shape: z.strictObject({ name }), sets: itsFields, says: (b) => `changed: ${fieldsInWords(b)}` }),
    ...retiring<Place>(),
  },
};
