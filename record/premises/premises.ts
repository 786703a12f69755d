import * as z from 'zod/mini';
import { clearable, fieldsInWords, retiring, someOf } from '../book/rules.ts';
import { change, itsFields, type Subject } from '../book/subject.ts';
import { localTime, name, timeZone } from '../shapes.ts';
import type { Premises } from './states.ts';
import { waterChanges } from './water.ts';

const contactShape = z.strictObject({
  name: z.optional(clearable(200)),
  phone: z.optional(clearable(60)),
  email: z.optional(clearable(200)),
  note: z.optional(clearable(2000)),
});

const fields = {
  name,
  timeZone,
  address: z.optional(clearable(400)),
  /** How to get in: where to park, who has the key. */
  access: z.optional(clearable(2000)),
  /** Where the whole house is shut. */
  mainValve: z.optional(clearable(400)),
  /** When no noise is to be made and no water shut off, local times; over midnight where `to` is earlier. */
  quiet: z.optional(z.nullable(z.strictObject({ from: localTime, to: localTime }))),
  contact: z.optional(z.nullable(contactShape)),
};

const shapes = { made: z.strictObject(fields), changed: someOf(fields) };
const WORDS = { timeZone: 'time zone', access: 'access', mainValve: 'main valve', quiet: 'quiet hours' };
const premisesChange = change<Premises>();

/** A building with its water. */
export const premises: Subject<'premises', Premises> = {
  name: 'premises',
  called: 'premises',
  making: 'made',
  nameOf: (p) => p.name,
  begins: (id, body: z.output<typeof shapes.made>) => ({
    address: null,
    access: null,
    mainValve: null,
    quiet: null,
    contact: null,
    water: [],
    ...body,
    id,
    contactErasedBy: null,
    retired: null,
  }),
  changes: {
    made: premisesChange({ shape: shapes.made, sets: itsFields, says: (b) => `premises "${b.name}" written down` }),
    changed: premisesChange({ shape: shapes.changed, sets: itsFields, says: (b) => `changed: ${fieldsInWords(b, WORDS)}` }),
    ...retiring<Premises>(),
    ...waterChanges,
    'contact-erased': premisesChange({
      shape: z.strictObject({}),
      isFinal: true,
      apply: (now, _, entry) => ({ ...now, contact: null, contactErasedBy: entry.id }),
      says: () => 'contact erased, here and in what was recorded of it',
    }),
  },
};

/** Whether a change says who to ask for, and how to reach them. */
export const saysContact = (body: Record<string, unknown>): boolean => body.contact !== undefined && body.contact !== null;
