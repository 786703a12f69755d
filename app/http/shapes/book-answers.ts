/** What the calls of the book answer, for their description; fields may be added to each. */
import * as z from 'zod/mini';
import { SUBJECTS } from '../../../record/index.ts';

const text = z.string();
const orNull = <T extends z.ZodMiniType>(shape: T) => z.nullable(shape);
const whole = z.int();

export const shopsAnswer = z.object({ shops: z.array(z.looseObject({ id: text, name: orNull(text), isDemo: z.boolean() })) });
export const shopBegun = z.object({ id: text, isNew: z.boolean() });

export const premisesListAnswer = z.object({
  premises: z.array(
    z.looseObject({
      id: text,
      name: text,
      address: orNull(text),
      lastVisit: orNull(text),
      nextVisit: orNull(text),
      openFollowUps: whole,
      retired: orNull(text),
    }),
  ),
  next: z.optional(text),
});

export const premisesAnswer = z.looseObject({
  id: text,
  name: text,
  address: orNull(text),
  access: orNull(text),
  quiet: orNull(z.looseObject({ from: text, to: text })),
  contact: orNull(z.looseObject({})),
  timeZone: text,
  places: z.array(z.looseObject({ id: text, name: text })),
  appliances: z.array(z.looseObject({ id: text, placeId: text, kind: text, name: text })),
  runs: z.array(z.looseObject({ id: text, applianceId: text, water: z.enum(['cold', 'hot']), name: text, last: orNull(z.looseObject({})) })),
  visits: z.array(z.looseObject({ id: text, onDate: text, startsAt: text, title: text })),
  followUps: z.array(z.looseObject({ id: text, text: text, dueOn: orNull(text) })),
});

export const visitsAnswer = z.object({
  visits: z.array(
    z.looseObject({
      id: text,
      premises: z.looseObject({ id: text, name: text }),
      onDate: text,
      startsAt: text,
      minutes: whole,
      title: text,
      status: z.enum(['planned', 'under way', 'done', 'cancelled']),
      runs: z.array(z.looseObject({ id: text, name: text, work: text, stage: orNull(text) })),
      overlaps: z.array(text),
      lacks: z.array(text),
    }),
  ),
});

/** Quantities are pieces, of what is cut from a coil whole inches; below nought where more went out than was ever counted in. */
export const stockAnswer = z.looseObject({
  places: z.array(
    z.looseObject({
      id: text,
      name: text,
      kind: z.enum(['shelf', 'van']),
      items: z.array(z.looseObject({ item: text, quantity: whole, minimum: whole })),
    }),
  ),
  reorder: z.array(z.looseObject({ item: text, quantity: whole, name: text, unit: z.enum(['piece', 'inch']) })),
});

export const findAnswer = z.object({ found: z.array(z.looseObject({ kind: text, name: text, detail: text, href: text })) });
export const importAnswer = z.looseObject({ entries: whole });
export const premisesImportAnswer = z.looseObject({ premises: whole, appliances: whole });
export const waterImportAnswer = z.looseObject({ things: whole });

/** A line of `book.jsonl`. */
export const bookLine = z.looseObject({
  id: text,
  deviceId: text,
  seenAt: text,
  sentAt: text,
  recordedAt: text,
  correctsId: orNull(text),
  subject: z.object({ kind: z.enum(SUBJECTS), id: text }),
  change: text,
  body: z.looseObject({}),
});

/** How much of a picture is here. */
export const pieceAnswer = z.object({ have: whole, isWhole: z.boolean() });
