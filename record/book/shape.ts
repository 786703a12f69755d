/** An entry of the book as a device sends it and as a file holds it: read once at the border, trusted inside. */
import * as z from 'zod/mini';
import { WITHDRAWN } from '../effective.ts';
import { issueOf } from '../issue.ts';
import type { Read } from '../shape.ts';
import { givenReason, INT4_MAX, instant, uuid } from '../shapes.ts';
import { unstorable } from '../storable.ts';
import { type BookEntry, SUBJECTS } from './entry.ts';
import { subjectOf, subjects } from './subjects.ts';

export type SentBookEntry = BookEntry & { sentAt: string };
export type FiledBookEntry = BookEntry & { sentAt: string; recordedAt: string };

const base = {
  id: uuid,
  deviceId: uuid,
  personId: z._default(z.nullable(uuid), null),
  seq: z.optional(z.int('wants a whole number').check(z.gte(1, 'counts from 1'), z.lte(INT4_MAX, 'is too large'))),
  seenAt: instant,
  sentAt: instant,
  correctsId: z.nullable(uuid),
};

const withdrawnBody = z.strictObject({ reason: givenReason });
const subject = z.strictObject({ kind: z.enum(SUBJECTS, 'is no kind of subject'), id: uuid });

const envelope = (recordedAt: z.ZodMiniType, more: Record<string, z.ZodMiniType>) =>
  z.strictObject({
    ...more,
    ...base,
    recordedAt,
    subject,
    change: z.string('wants a change').check(z.maxLength(60, 'is no change')),
    body: z.record(z.string(), z.unknown(), 'wants an object'),
  });

const sentEnvelope = envelope(z.null('is given by the server: send null'), {});
const filedEnvelope = envelope(instant, { erased: z.optional(z.string().check(z.regex(/^[0-9a-f]{64}$/, 'is no digest'))) });

/** Reads what a device sent. */
export const readSentBook = (raw: unknown): Read<SentBookEntry> => readBook(sentEnvelope, raw) as Read<SentBookEntry>;

/** Reads a line of a file. */
export const readFiledBook = (raw: unknown): Read<FiledBookEntry> => readBook(filedEnvelope, raw) as Read<FiledBookEntry>;

function readBook(shape: z.ZodMiniType, raw: unknown): Read<BookEntry> {
  const bad = unstorable(raw);
  if (bad) return { ok: false, ...bad };
  const outer = z.safeParse(shape, raw);
  if (!outer.success) return { ok: false, ...issueOf(outer.error) };
  const entry = outer.data as BookEntry;
  const bodyShape = entry.change === WITHDRAWN ? withdrawnBody : subjectOf(entry.subject.kind).changes[entry.change]?.shape;
  if (!bodyShape) return { ok: false, at: 'change', why: `there is no "${entry.change}" of a ${subjectOf(entry.subject.kind).called}` };
  // Of an entry whose contact was erased the contact is missing, not unsaid.
  const said = entry.erased === undefined ? entry.body : { ...entry.body, contact: null };
  const body = z.safeParse(bodyShape as z.ZodMiniType, said);
  if (!body.success) return { ok: false, ...issueOf(body.error, ['body']) };
  return { ok: true, entry: entry.erased === undefined ? { ...entry, body: body.data as BookEntry['body'] } : entry };
}

const variants = (recordedAt: z.ZodMiniType) =>
  subjects.flatMap((s) =>
    [...Object.entries(s.changes).map(([name, c]) => [name, c.shape] as const), [WITHDRAWN, withdrawnBody] as const].map(([change, body]) =>
      z.strictObject({
        ...base,
        recordedAt,
        subject: z.strictObject({ kind: z.literal(s.name), id: uuid }),
        change: z.literal(change),
        body: body as z.ZodMiniType,
        erased: z.optional(z.string()),
      }),
    ),
  ) as unknown as [z.ZodMiniObject];

/** Every change with its body, for the description of the API. */
export const sentBookEntry = z.union(variants(z.null()));
export const filedBookEntry = z.union(variants(instant));
