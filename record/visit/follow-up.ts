import * as z from 'zod/mini';
import type { BookNow } from '../book/now.ts';
import { fieldsInWords, someOf } from '../book/rules.ts';
import { change, itsFields, type Subject } from '../book/subject.ts';
import { happenedAt } from '../entry.ts';
import type { Refusal } from '../kind.ts';
import { givenReason, localDay, uuid } from '../shapes.ts';
import type { FollowUp } from './states.ts';

const text = z.string('wants a text').check(z.trim(), z.minLength(1, 'wants a text'), z.maxLength(2000, 'is longer than 2000 characters'));
const fields = { runId: z.optional(z.nullable(uuid)), dueOn: z.optional(z.nullable(localDay)), text };
const made = z.strictObject({ premisesId: uuid, ...fields });
const closed = z.strictObject({ reason: givenReason, visitId: z.optional(z.nullable(uuid)) });
const followUpChange = change<FollowUp>();

const namesRun = (runId: string | null | undefined) => (runId ? [{ kind: 'run' as const, id: runId, at: 'runId' }] : []);

function runRefusal(runId: string | null | undefined, premisesId: string | undefined, book: BookNow): Refusal | null {
  if (!runId) return null;
  const applianceId = book.get('run', runId)?.applianceId;
  const isThere = applianceId !== undefined && book.get('appliance', applianceId)?.premisesId === premisesId;
  return isThere ? null : { rule: 'other-premises', why: 'The run belongs to other premises.' };
}

/** Something still to be done at a premises, on a day or some day. */
export const followUp: Subject<'follow-up', FollowUp> = {
  name: 'follow-up',
  called: 'follow-up',
  making: 'made',
  nameOf: (f) => f.text,
  belongsTo: (f) => ({ kind: 'premises', id: f.premisesId }),
  begins: (id, body: z.output<typeof made>) => ({ runId: null, dueOn: null, ...body, id, closed: null }),
  changes: {
    made: followUpChange({
      shape: made,
      names: (b) => [{ kind: 'premises', id: b.premisesId, at: 'premisesId' }, ...namesRun(b.runId)],
      holds: ({ body }, _, book) => runRefusal(body.runId, body.premisesId, book),
      sets: itsFields,
      says: (b) => `to be done${b.dueOn ? ` by ${b.dueOn}` : ''}: ${b.text}`,
    }),
    changed: followUpChange({
      shape: someOf(fields),
      names: (b) => namesRun(b.runId),
      holds: ({ body }, now, book) => runRefusal(body.runId, now?.premisesId, book),
      sets: itsFields,
      says: (b) => `changed: ${fieldsInWords(b, { dueOn: 'due', runId: 'run' })}`,
    }),
    closed: followUpChange({
      shape: closed,
      names: (b) => (b.visitId ? [{ kind: 'visit', id: b.visitId, at: 'visitId' }] : []),
      apply: (now, { reason, visitId = null }, entry) => ({ ...now, closed: { reason, visitId, atMs: happenedAt(entry) } }),
      says: (b) => `done: ${b.reason}`,
    }),
  },
};
