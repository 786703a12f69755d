/** An entry as a device sends it and as a file holds it: read once at the border, trusted inside. */
import * as z from 'zod/mini';
import { issueOf } from './issue.ts';
import { type Entry, kindOf, kinds } from './kinds.ts';
import { INT4_MAX, instant, uuid } from './shapes.ts';
import { unstorable } from './storable.ts';

const base = {
  id: uuid,
  visitId: uuid,
  runId: uuid,
  jointId: z.nullable(uuid),
  checkPointId: z.nullable(uuid),
  correctsId: z.nullable(uuid),
  deviceId: uuid,
  personId: z._default(z.nullable(uuid), null),
  seq: z.optional(z.int('wants a whole number').check(z.gte(1, 'counts from 1'), z.lte(INT4_MAX, 'is too large'))),
  seenAt: instant,
  sentAt: instant,
};

const variants = <R extends z.ZodMiniType>(recordedAt: R) =>
  kinds.map((kind) => z.strictObject({ ...base, recordedAt, kind: z.literal(kind.name), body: kind.shape })) as unknown as [z.ZodMiniObject];

export type SentEntry = Entry & { sentAt: string };
export type FiledEntry = Entry & { sentAt: string; recordedAt: string };

/** An entry as a browser sends it: the server adds when it was recorded. */
export const sentEntry = z.discriminatedUnion('kind', variants(z.null())) as unknown as z.ZodMiniType<SentEntry>;

/** An entry as it stands in a file. */
export const filedEntry = z.discriminatedUnion('kind', variants(instant)) as unknown as z.ZodMiniType<FiledEntry>;

/** What was sent, read; or the field that will not do, and why. */
export type Read<T> = { ok: true; entry: T } | { ok: false; at: string; why: string };

/** Reads what a device sent, brought up where an older program wrote it. */
export function readSent(raw: unknown): Read<SentEntry> {
  const bad = unstorable(raw);
  if (bad) return { ok: false, ...bad };
  const result = z.safeParse(sentEntry, raised(raw));
  if (result.success) return { ok: true, entry: result.data };
  return { ok: false, ...issueOf(result.error) };
}

/** An older body raised to the present one, where there is a body to raise. */
export function raised(raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null || !('kind' in raw) || !('body' in raw)) return raw;
  const upcast = typeof raw.kind === 'string' ? kindOf(raw.kind)?.upcast : undefined;
  return upcast ? { ...raw, body: upcast(raw.body) } : raw;
}
