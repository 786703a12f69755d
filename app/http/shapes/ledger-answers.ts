/** What the ledger's calls answer, as OpenAPI describes it; a test holds real answers to it. */
import { z } from 'zod';
import { DUE_KINDS } from '../../../store/queries/index.ts';

const count = z.number().int().min(0);
const day = z.iso.date();

export const ledgerAnswer = z.object({
  rows: z.array(
    z.object({
      visitId: z.uuid(),
      runId: z.uuid(),
      onDate: day,
      signedOff: z.boolean(),
      recheck: z.enum(['none', 'due', 'dry', 'not dry', 'closed']),
      premises: z.string(),
      place: z.string(),
      applianceKind: z.string(),
      run: z.string(),
      water: z.enum(['cold', 'hot']),
      from: z.string(),
      to: z.string(),
      parts: z.string(),
      joints: count,
      seals: z.array(z.string()),
      priceCents: z.number(),
      currency: z.string(),
      callbacks: count,
      exceptions: count,
    }),
  ),
  total: count,
  joints: count,
  callbacks: count,
  isMore: z.boolean(),
});

const kinds = z.enum(DUE_KINDS);

export const dueAnswer = z.object({
  today: day,
  until: day,
  rows: z.array(
    z.object({
      kind: kinds,
      dueOn: day,
      isLate: z.boolean(),
      what: z.string(),
      todo: z.string(),
      because: z.string(),
      since: z.nullable(day),
      premises: z.object({ id: z.uuid(), name: z.string() }),
      place: z.nullable(z.string()),
      run: z.nullable(z.string()),
      visitId: z.nullable(z.uuid()),
      runId: z.nullable(z.uuid()),
    }),
  ),
  total: count,
  counts: z.partialRecord(kinds, z.object({ due: count, late: count })),
});

const rate = { mean: z.number(), low: z.number(), high: z.number() };
const bar = z.object({ id: z.string(), name: z.string(), joints: count, callbacks: count, ...rate });

export const callbacksAnswer = z.object({
  all: bar,
  bySeal: z.array(
    bar.extend({ weighed: z.object({ guess: z.number(), own: z.object({ joints: count, callbacks: count, ...rate }), weighed: z.number() }) }),
  ),
  byPart: z.array(bar),
  byTurns: z.array(bar),
  bySealant: z.array(bar),
  byChoice: z.array(z.object({ key: z.string(), title: z.string(), bars: z.array(bar) })),
  byAge: z.array(
    z.object({
      fromDays: z.number(),
      toDays: z.nullable(z.number()),
      name: z.string(),
      jointYears: z.number(),
      callbacks: count,
      rate: z.nullable(z.object(rate)),
    }),
  ),
  unlaid: count,
});

export const shopTaken = z.object({ entries: count, rules: count, parts: count, pictures: count });
