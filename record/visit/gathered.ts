/** What is gathered on a visit beside the work: pictures, notes, and who signed on glass. */
import * as z from 'zod/mini';
import { change } from '../book/subject.ts';
import { happenedAt } from '../entry.ts';
import { name, uuid } from '../shapes.ts';
import type { Gathered, Visit } from './states.ts';

/** Largest picture, bytes. */
export const MOST_BYTES = 12_000_000;

/** SHA-256 of a picture's content, as it leaves the device. */
export const pictureId = z.string('wants the SHA-256 of a picture').check(z.regex(/^[0-9a-f]{64}$/, 'is no SHA-256 of a picture in small letters'));
const type = z.enum(['image/jpeg', 'image/png', 'image/webp'], 'is neither JPEG, PNG nor WebP');
const words = z.string('wants words').check(z.trim(), z.minLength(1, 'is empty'), z.maxLength(2000, 'is longer than 2000 characters'));
const side = z.int('wants whole pixels').check(z.gte(1, 'must be 1 or more'), z.lte(65_535, 'is more than 65535'));

/** What of a run a picture shows, in words; else a joint, by its id. */
export const SHOWN = {
  from: 'the water side',
  to: 'the inlet',
  stop: 'the stop',
  line: 'the old line',
  place: 'the place',
  before: 'how it was before the work',
} as const;
export type Shown = keyof typeof SHOWN;

const pictured = z.strictObject({
  picture: pictureId,
  type,
  width: side,
  height: side,
  /** The run that it shows; left out: the visit as a whole. */
  runId: z.optional(uuid),
  /** What of the run. */
  shows: z.optional(z.union([z.enum(Object.keys(SHOWN) as Shown[]), uuid], 'is neither a part of a run nor the id of a joint')),
  text: z.optional(words),
});
const noted = z.strictObject({ text: words, runId: z.optional(uuid) });
const signed = z.strictObject({ name, picture: pictureId, type, width: side, height: side });

export const NOTHING_GATHERED: Gathered = { pictures: [], notes: [], signatures: [] };

const visitChange = change<Visit>();
const runNamed = (b: { runId?: string }) => (b.runId ? [{ kind: 'run' as const, id: b.runId, at: 'runId' }] : []);
const told = (entry: Parameters<typeof happenedAt>[0]) => ({ entryId: entry.id, atMs: happenedAt(entry) });
const more = <K extends keyof Gathered>(now: Visit, key: K, one: Gathered[K][number]): Visit => ({
  ...now,
  gathered: { ...now.gathered, [key]: [...now.gathered[key], one] },
});

export const gathering = {
  pictured: visitChange({
    shape: pictured,
    names: runNamed,
    apply: (now, b, entry) => more(now, 'pictures', { runId: null, text: null, ...b, ...told(entry) }),
    says: (b, words) =>
      `picture${b.shows && b.shows in SHOWN ? ` of ${SHOWN[b.shows as Shown]}` : b.shows ? ' of a joint' : ''}${b.runId ? ` of ${words.subject({ kind: 'run', id: b.runId })}` : ''}${b.text ? `: ${b.text}` : ' added'}`,
  }),
  noted: visitChange({
    shape: noted,
    names: runNamed,
    apply: (now, b, entry) => more(now, 'notes', { runId: null, ...b, ...told(entry) }),
    says: (b) => `noted: ${b.text}`,
  }),
  signed: visitChange({
    shape: signed,
    apply: (now, b, entry) => more(now, 'signatures', { ...b, ...told(entry) }),
    says: (b) => `signed on glass by ${b.name}`,
  }),
};
