/** What a browser or a file may say happened; checked here once, trusted inside. */
import { z } from 'zod';
import { isEndCode } from '../core/ends/code.ts';
import type { Bodies, Entry, EntryKind } from '../core/record/entry.ts';

export const uuid = z.uuid();
export const name = z.string().trim().min(1, 'wants a name').max(200, 'is longer than 200 characters');
const text = z.string().max(2000, 'is longer than 2000 characters');
const shortText = z.string().max(200, 'is longer than 200 characters');
const id = z.string().min(1).max(120);
const end = z.string().refine(isEndCode, { error: (issue) => `"${String(issue.input).slice(0, 60)}" is not an end code` });
const instant = z.iso.datetime({ offset: true }).transform((t) => new Date(t).toISOString());
const amount = z.number().finite();

const why = z.looseObject({ rule: id, text });
const turns = z.object({ from: amount, to: amount, default: amount, nudge: amount, most: amount });
const mating = z.object({
  verdict: z.enum(['seals', 'marginal']),
  seal: id,
  sealant: z.enum(['none', 'tape', 'paste', 'trace of paste']).nullable(),
  loose: z.array(id).max(10),
  turns: turns.nullable(),
  nearMiss: id.optional(),
  because: z.array(why).max(40),
});
const chain = z.object({
  parts: z.array(id).max(6),
  path: z.array(z.object({ part: id, inEnd: id, outEnd: id, cutLengthIn: amount.optional() })).max(6),
  branches: z.array(z.object({ part: id, end: id, code: end, use: z.enum(['rejoin', 'free', 'cap']) })).max(20),
  joints: z
    .array(z.object({ n: z.number().int().min(1).max(8), a: end, b: end, mating }))
    .min(1)
    .max(8),
  loose: z.record(id, z.number().int().positive()),
  lengthIn: amount,
  priceCents: z.number().int().nonnegative(),
  leakRisk: amount,
  minutes: amount,
  offVan: z.array(id).max(40),
  cautions: z.array(why).max(40),
  cost: z.object({ total: amount, price: amount, minutes: amount, callbacks: amount, trip: amount, preference: amount }),
});
export const need = z.object({
  water: z.enum(['cold', 'hot']),
  tempF: amount.optional(),
  pressurePsi: amount.optional(),
  potable: z.boolean().optional(),
  minLengthIn: z.number().positive('must be more than 0').max(12_000).optional(),
  stop: z.boolean().optional(),
  arrestor: z.boolean().optional(),
  check: z.boolean().optional(),
  leaveOutlet: z.boolean().optional(),
  avoid: z.array(id).max(20).optional(),
  reachable: z.boolean().optional(),
});
export const houseRules = z.object({
  threadSealant: z.enum(['tape', 'paste']),
  ferrule: z.enum(['dry', 'trace of paste']),
  connector: z.enum(['new', 'reuse if sound']),
  push: z.enum(['where listed', 'where reachable', 'never']),
  applianceLine: z.enum(['braided', 'copper', 'pe', 'pex']),
  toiletLine: z.enum(['flexible', 'riser']),
  firstEnd: z.enum(['wall', 'appliance']),
  airGap: z.enum(['required', 'high loop allowed']),
  turns: z.record(z.string(), z.number().nonnegative()),
  targetMlPerDay: z.number().positive(),
  recheckHours: z
    .number()
    .positive()
    .max(24 * 60),
  weights: z.object({
    callbackDollars: z.number().nonnegative(),
    minuteDollars: z.number().nonnegative(),
    tripDollars: z.number().nonnegative(),
    notPreferredDollars: z.number().nonnegative(),
  }),
});
const round = z.enum(['before', 'crack', 'standing', 'working', 'put-back', 'next-day']);
const turns24 = z.number().int('wants whole 24ths of a turn').min(0).max(240);

const bodies = {
  'end-seen': z.strictObject({
    side: z.enum(['from', 'to', 'rejoin']),
    end: end.nullable(),
    how: z.enum(['seen', 'measured', 'told']),
    outlet: z.strictObject({ runId: uuid, part: id, end: id }).optional(),
  }),
  'stop-tried': z.strictObject({
    kind: z.enum(['quarter-turn', 'multi-turn', 'gate', 'saddle', 'none']),
    condition: z.enum(['works', 'passes', 'seized-open', 'seized-shut', 'broken', 'weeps', 'unknown']),
  }),
  'old-line-judged': z.strictObject({ verdict: z.enum(['none', 'keep', 'replace']), findings: z.array(shortText).max(30) }),
  'distance-measured': z.strictObject({ text: shortText, inches: z.number().positive('must be more than 0').max(12_000) }),
  'place-seen': z.strictObject({ hidden: z.boolean(), ownStop: z.boolean(), arrestor: z.boolean(), leaveOutlet: z.boolean().optional() }),
  'chain-accepted': z.strictObject({
    from: end,
    to: end,
    rejoin: end.nullable(),
    need,
    chain,
    jointIds: z.array(uuid).min(1).max(8),
    rules: houseRules,
    catalogueVersion: id,
    items: z.record(
      id,
      z.object({ name, priceCents: z.number().int().nonnegative(), kind: shortText.optional(), tags: z.array(shortText).max(40).optional() }),
    ),
    currency: z.string().regex(/^[A-Z]{3}$/),
    replacesId: uuid.nullable(),
  }),
  'gate-answered': z.strictObject({ stepId: id, answer: z.enum(['yes', 'no']), note: text }),
  'step-done': z.strictObject({ stepId: id, done: z.boolean() }),
  'joint-made': z.strictObject({ turns24 }),
  'look-begun': z.strictObject({ round, method: z.enum(['eye', 'tissue']) }),
  'look-ended': z.strictObject({
    begunId: uuid,
    finding: z.enum(['dry', 'damp', 'drip', 'running', 'normal']),
    drops: z.number().int().nonnegative().max(100_000).nullable(),
    elapsedS: z.number().nonnegative().max(10_000_000).nullable(),
  }),
  remedied: z.strictObject({ action: z.enum(['nudge', 'open-and-look', 'remake', 'shut']), turns24, movedJointIds: z.array(uuid).max(8) }),
  'signed-off': z.strictObject({
    targetMlPerDay: z.number().positive(),
    recheckHours: z
      .number()
      .positive()
      .max(24 * 60),
    exceptions: z.array(z.strictObject({ targetId: uuid, reason: text.min(1, 'wants a reason') })).max(40),
  }),
  'callback-reported': z.strictObject({ finding: z.enum(['damp', 'drip', 'running']), text }),
  noted: z.strictObject({ text: text.min(1) }),
} satisfies { [K in EntryKind]: z.ZodType<unknown> };

const base = {
  id: uuid,
  visitId: uuid,
  runId: uuid,
  jointId: uuid.nullable(),
  checkPointId: uuid.nullable(),
  correctsId: uuid.nullable(),
  deviceId: uuid,
  seenAt: instant,
  sentAt: instant,
};

const kinds = Object.keys(bodies) as EntryKind[];
const variants = (extra: { recordedAt: z.ZodType<string | null> }) =>
  kinds.map((kind) => z.strictObject({ ...base, ...extra, kind: z.literal(kind), body: bodies[kind] })) as unknown as Parameters<
    typeof z.discriminatedUnion
  >[1];

/** An entry as a browser sends it: the server adds when it was recorded. */
export const sentEntry = z.discriminatedUnion('kind', variants({ recordedAt: z.null() })) as unknown as z.ZodType<Entry & { sentAt: string }>;

/** An entry as it stands in a file. */
export const filedEntry = z.discriminatedUnion('kind', variants({ recordedAt: instant })) as unknown as z.ZodType<
  Entry & { sentAt: string; recordedAt: string }
>;

/** The entry that this one follows from, for the database's own checks. */
export function followsId(entry: Entry): string | null {
  if (entry.kind === 'look-ended') return entry.body.begunId;
  return entry.kind === 'chain-accepted' ? (entry.body as Bodies['chain-accepted']).replacesId : null;
}
