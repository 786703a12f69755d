import * as z from 'zod/mini';
import { isApplianceKind } from '../../core/index.ts';
import { fieldsInWords, retiring, someOf } from '../book/rules.ts';
import { change, itsFields, type Subject } from '../book/subject.ts';
import { amount, name, shortText, uuid } from '../shapes.ts';
import type { Appliance } from './states.ts';

/** Figures of its own sheet, by the columns of the catalogue's appliances: each stands in place of the kind's usual one. */
const sheet = z
  .record(
    z.string().check(z.regex(/^[A-Za-z][A-Za-z0-9_]{0,59}$/, 'is no name of a figure')),
    z.union([amount, z.boolean(), shortText], 'wants a figure, yes or no, or a text'),
  )
  .check(z.refine((s) => Object.keys(s).length <= 40, 'holds more than 40 figures'));

const applianceKind = z
  .string('wants a kind of appliance')
  .check(z.refine(isApplianceKind, { error: (issue) => `"${String(issue.input).slice(0, 60)}" is no kind of appliance of the catalogue` }));

const made = z.strictObject({ premisesId: uuid, placeId: uuid, kind: applianceKind, name, sheet: z.optional(z.nullable(sheet)) });
const moved = z.strictObject({ placeId: uuid });
const applianceChange = change<Appliance>();

const OTHER_PREMISES = { rule: 'other-premises', why: 'The place belongs to other premises: an appliance stays in its building.' };

/** What water is connected to; a pair of hot and cold runs belongs to one. */
export const appliance: Subject<'appliance', Appliance> = {
  name: 'appliance',
  called: 'appliance',
  making: 'made',
  nameOf: (a) => a.name,
  belongsTo: (a) => ({ kind: 'premises', id: a.premisesId }),
  begins: (id, body: z.output<typeof made>) => ({ sheet: null, ...body, id, retired: null }),
  changes: {
    made: applianceChange({
      shape: made,
      names: (b) => [
        { kind: 'premises', id: b.premisesId, at: 'premisesId' },
        { kind: 'place', id: b.placeId, at: 'placeId' },
      ],
      holds: ({ body }, _, book) => (book.get('place', body.placeId)?.premisesId === body.premisesId ? null : OTHER_PREMISES),
      sets: itsFields,
      says: (b, words) => `appliance "${b.name}" written down in ${words.subject({ kind: 'place', id: b.placeId })}`,
    }),
    changed: applianceChange({
      shape: someOf({ kind: applianceKind, name, sheet: z.nullable(sheet) }),
      sets: itsFields,
      says: (b) => `changed: ${fieldsInWords(b, { sheet: 'figures of its sheet' })}`,
    }),
    moved: applianceChange({
      shape: moved,
      names: (b) => [{ kind: 'place', id: b.placeId, at: 'placeId' }],
      holds: ({ body }, now, book) => (book.get('place', body.placeId)?.premisesId === now?.premisesId ? null : OTHER_PREMISES),
      sets: itsFields,
      says: (b, words) => `moved to ${words.subject({ kind: 'place', id: b.placeId })}`,
    }),
    ...retiring<Appliance>(),
  },
};
