/** What the record's calls take and answer, for their description. */
import * as z from 'zod/mini';
import { filedBookEntry, filedEntry, sentBookEntry, sentEntry } from '../../../record/index.ts';
import { MAX_BATCH } from '../../../sync/protocol.ts';

const position = z.int().check(z.gte(0));

export const entriesShape = z.strictObject({
  protocol: z.optional(z.int()),
  entries: z.array(sentEntry).check(z.minLength(1), z.maxLength(MAX_BATCH)),
});

export const bookShape = z.strictObject({
  protocol: z.optional(z.int()),
  entries: z.array(sentBookEntry).check(z.minLength(1), z.maxLength(MAX_BATCH)),
});

export const entriesAnswer = z.strictObject({
  results: z.array(
    z.strictObject({
      id: z.nullable(z.string()),
      status: z.enum(['kept', 'known', 'refused']),
      recordedAt: z.optional(z.string()),
      position: z.optional(position),
      rule: z.optional(z.string()),
      why: z.optional(z.string()),
      at: z.optional(z.string()),
    }),
  ),
});

/** Each entry has its position beside what it has in a file. */
export const changesAnswer = z.strictObject({
  shop: z.number(),
  entries: z.array(z.intersection(filedEntry, z.object({ position }))),
  /** Entries of the book, each with what it belongs to: premises, the shop, a stock place. */
  book: z.array(z.intersection(filedBookEntry, z.object({ position, rootId: z.string() }))),
  position,
  newest: position,
});
