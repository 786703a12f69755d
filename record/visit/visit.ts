import * as z from 'zod/mini';
import { type WorkKindId, workKind, workKinds, worksOn } from '../../core/index.ts';
import type { BookNow } from '../book/now.ts';
import { clearable, fieldsInWords, someOf, withReason } from '../book/rules.ts';
import { change, itsFields, type Subject } from '../book/subject.ts';
import { happenedAt } from '../entry.ts';
import type { Refusal } from '../kind.ts';
import { reasonWords } from '../reasons.ts';
import { end, givenReason, localDay, localTime, name, uuid } from '../shapes.ts';
import { gathering, NOTHING_GATHERED } from './gathered.ts';
import type { Visit, VisitRun } from './states.ts';

const work = z.enum(workKinds.map((k) => k.id) as [WorkKindId], {
  error: (issue) => `"${String(issue.input).slice(0, 60)}" is no kind of work`,
});
const told = z.strictObject({ side: z.enum(['from', 'to', 'rejoin'], 'is neither from, to nor rejoin'), end });

const minutes = z.int('wants whole minutes').check(z.gte(5, 'is less than 5 minutes'), z.lte(24 * 60, 'is more than a day'));
const fields = {
  onDate: localDay,
  startsAt: localTime,
  minutes: z.optional(z.nullable(minutes)),
  title: name,
  note: z.optional(clearable(2000)),
  /** The van that goes there; null: the shop's first. */
  vanId: z.optional(z.nullable(uuid)),
};
const made = z.strictObject({ premisesId: uuid, ...fields });
const added = z.strictObject({
  runId: uuid,
  work,
  told: z.optional(z.array(told).check(z.maxLength(12, 'holds more than 12'))),
  /** The visit that signed it off: it is on the list to be looked at again. */
  recheckOf: z.optional(uuid),
});
const removed = z.strictObject({ runId: uuid, reason: givenReason });
const ordered = z.strictObject({ runIds: z.array(uuid).check(z.minLength(1, 'is empty'), z.maxLength(500, 'holds more than 500')) });
const nothing = z.strictObject({});
const visitChange = change<Visit>();

const vanNamed = (b: { vanId?: string | null }) => (b.vanId ? [{ kind: 'stock' as const, id: b.vanId, at: 'vanId' }] : []);
const WORDS = { onDate: 'day', startsAt: 'at', title: 'title', note: 'note', minutes: 'minutes' };

/** One call at a premises. */
export const visit: Subject<'visit', Visit> = {
  name: 'visit',
  called: 'visit',
  making: 'made',
  nameOf: (v) => v.title,
  belongsTo: (v) => ({ kind: 'premises', id: v.premisesId }),
  begins: (id, body: z.output<typeof made>) => ({
    minutes: null,
    note: null,
    vanId: null,
    ...body,
    id,
    cancelled: null,
    arrivedMs: null,
    leftMs: null,
    runs: [],
    gathered: NOTHING_GATHERED,
  }),
  changes: {
    made: visitChange({
      shape: made,
      names: (b) => [{ kind: 'premises', id: b.premisesId, at: 'premisesId' }, ...vanNamed(b)],
      sets: itsFields,
      says: (b) => `visit "${b.title}" planned for ${b.onDate} at ${b.startsAt}`,
    }),
    changed: visitChange({
      shape: someOf(fields),
      names: vanNamed,
      sets: itsFields,
      says: ({ vanId, ...b }, words) => {
        const van = vanId === undefined ? [] : [vanId === null ? 'goes by the first van' : `goes by ${words.subject({ kind: 'stock', id: vanId })}`];
        return `changed: ${[...(Object.keys(b).length > 0 ? [fieldsInWords(b, WORDS)] : []), ...van].join(', ')}`;
      },
    }),
    'run-added': visitChange({
      shape: added,
      names: (b) => [
        { kind: 'run', id: b.runId, at: 'runId' },
        ...(b.recheckOf ? [{ kind: 'visit' as const, id: b.recheckOf, at: 'recheckOf' }] : []),
      ],
      holds: ({ body }, now, book) => addedRefusal(body, now, book),
      apply: (now, body) => ({ ...now, runs: withRun(now.runs, body) }),
      says: (b, words) =>
        `${words.subject({ kind: 'run', id: b.runId })} put on the list${b.recheckOf ? ' to be looked at again' : `: ${workKind(b.work).name}`}`,
    }),
    'run-removed': visitChange({
      shape: removed,
      names: (b) => [{ kind: 'run', id: b.runId, at: 'runId' }],
      holds: ({ body }, now) => onListRefusal([body.runId], now),
      apply: (now, { runId, reason }) => ({ ...now, runs: now.runs.map((r) => (r.runId === runId ? { ...r, removed: reasonWords(reason) } : r)) }),
      says: (b, words) => `${words.subject({ kind: 'run', id: b.runId })} taken off the list: ${reasonWords(b.reason)}`,
    }),
    ordered: visitChange({
      shape: ordered,
      holds: ({ body }, now) => onListRefusal(body.runIds, now),
      apply: (now, { runIds }) => ({ ...now, runs: inOrder(now.runs, runIds) }),
      says: (b, words) => `put in order: ${b.runIds.map((id) => words.subject({ kind: 'run', id })).join(', ')}`,
    }),
    cancelled: visitChange({
      shape: withReason,
      apply: (now, { reason }) => ({ ...now, cancelled: reasonWords(reason) }),
      says: (b) => `cancelled: ${reasonWords(b.reason)}`,
    }),
    restored: visitChange({
      shape: withReason,
      apply: (now) => ({ ...now, cancelled: null }),
      says: (b) => `brought back: ${reasonWords(b.reason)}`,
    }),
    arrived: visitChange({ shape: nothing, apply: (now, _, entry) => ({ ...now, arrivedMs: happenedAt(entry) }), says: () => 'arrived' }),
    left: visitChange({ shape: nothing, apply: (now, _, entry) => ({ ...now, leftMs: happenedAt(entry) }), says: () => 'left' }),
    ...gathering,
  },
};

/** A run that stands on the list already gets the work and what was told anew, in its place; one that was taken off is back at its place. */
function withRun(runs: VisitRun[], { runId, work, told = [], recheckOf }: z.output<typeof added>): VisitRun[] {
  const before = runs.find((r) => r.runId === runId);
  const now: VisitRun = {
    runId,
    work,
    told: told.length > 0 ? told : (before?.told ?? []),
    recheckOf: recheckOf ?? before?.recheckOf ?? null,
    removed: null,
  };
  return before ? runs.map((r) => (r === before ? now : r)) : [...runs, now];
}

/** Those that are named first, in that order; the others after them as they were. */
function inOrder(runs: VisitRun[], runIds: string[]): VisitRun[] {
  const named = [...new Set(runIds)].flatMap((id) => runs.find((r) => r.runId === id) ?? []);
  return [...named, ...runs.filter((r) => !named.includes(r))];
}

function onListRefusal(runIds: string[], now: Visit | null): Refusal | null {
  const missing = runIds.some((id) => !now?.runs.some((r) => r.runId === id));
  return missing ? { rule: 'not-on-list', why: 'This visit has no such run on its list: put it there first.' } : null;
}

function addedRefusal({ runId, work }: z.output<typeof added>, now: Visit | null, book: BookNow): Refusal | null {
  const run = book.get('run', runId);
  const appliance = run && book.get('appliance', run.applianceId);
  if (!now || !appliance || appliance.premisesId !== now.premisesId) {
    return { rule: 'other-premises', why: 'The run belongs to other premises than the visit.' };
  }
  if (!worksOn(workKind(work), appliance.kind)) {
    return { rule: 'other-work', why: `"${workKind(work).name}" is not done to this kind of appliance (${appliance.kind}).` };
  }
  const before = now.runs.find((r) => r.runId === runId);
  if (before && before.work !== work && book.hasChain(now.id, runId)) {
    return { rule: 'chain-accepted', why: 'The work cannot be changed after its chain was accepted: take the chain back first.' };
  }
  return null;
}
