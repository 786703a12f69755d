/** What the remaining calls answer, for their description; fields may be added to each. */
import * as z from 'zod/mini';
import { filedBookEntry, filedEntry, houseRules } from '../../../record/index.ts';

const text = z.string();
const orNull = <T extends z.ZodMiniType>(shape: T) => z.nullable(shape);
const whole = z.int();
const anything = z.looseObject({});

export const schemaAnswer = anything;
export const healthAnswer = z.looseObject({ name: text, checkout: orNull(text) });

export const rulesAnswer = z.looseObject({
  version: whole,
  rules: houseRules,
  reason: text,
  recordedAt: orNull(text),
  conflicts: z.array(anything),
  upTo: whole,
});
export const rulesSaved = z.looseObject({ version: whole });
export const catalogueAnswer = z.looseObject({
  version: text,
  currency: text,
  parts: z.array(anything),
  loose: z.array(anything),
  steps: z.array(anything),
  rules: houseRules,
});
/** A line of the answer: how far it is, and at last what came of it. */
export const partsImportLine = z.union([
  z.looseObject({ progress: anything }),
  z.looseObject({ done: z.literal(true) }),
  z.looseObject({ faults: z.array(anything) }),
  z.looseObject({ problem: anything }),
]);

const placedEntry = z.intersection(filedEntry, z.object({ position: whole }));
const placedBookEntry = z.intersection(filedBookEntry, z.object({ position: whole, rootId: text }));
const holding = { books: z.array(z.object({ id: text, entries: z.array(placedBookEntry) })), entries: z.array(placedEntry) };
export const holdingAnswer = z.object(holding);
export const kitAnswer = z.object({ ...holding, shop: z.number(), shopId: text, position: whole, from: text, to: text });
export const stockDayAnswer = z.object({ visits: z.array(z.looseObject({ visit: z.looseObject({ id: text }), runs: z.array(anything) })) });
export const stockEntriesAnswer = z.object({ entries: z.array(anything) });

export const visitAnswer = z.looseObject({
  id: text,
  onDate: text,
  status: z.enum(['planned', 'under way', 'done', 'cancelled']),
  runs: z.array(z.looseObject({ id: text, name: text })),
  entries: z.array(filedEntry),
});
export const visitTaken = z.object({ visitId: text, isNew: z.boolean(), added: whole });
export const lastAnswer = z.object({
  last: orNull(z.looseObject({ visitId: text, onDate: text, from: orNull(text), to: orNull(text), rejoin: orNull(text) })),
});

export const gaugeLinesAnswer = z.looseObject({ lines: z.array(z.looseObject({ id: z.union([text, whole]), name: text })) });
export const letOutAnswer = anything;
