/** A chain and what is asked of it, as they cross a border. The core holds the types; the compiler holds these equal to them. */
import * as z from 'zod/mini';
import { type Chain, type KeptReason, keptReason, type Need, QUANTITIES, type Reason, type SealId, sayReason, seals } from '../../core/index.ts';
import type { Same } from '../same.ts';
import { amount, cents, count, end, id, lengthIn, text, turnsShape } from '../shapes.ts';

const quantity = z.object({
  of: z.enum(QUANTITIES),
  value: amount,
  places: z.optional(z.int().check(z.gte(0), z.lte(6))),
});
/** As it is kept: its rule and figures, whose words are made when it is read. Older programs kept the words. */
const keptShape = z.object({
  rule: id,
  text: z.optional(text),
  /** Of a sentence with quantities: to be said in either system. */
  pieces: z.optional(z.array(z.union([text, quantity])).check(z.maxLength(40))),
  source: z.optional(text),
  figures: z.optional(z.record(id, z.union([amount, text]))),
});
/** As it is read: in words. */
const saidShape = z.looseObject({ rule: z.string(), text: z.string() }) as unknown as z.ZodMiniType<Reason, Reason>;
const reasonShape = z.pipe(z.pipe(keptShape, z.transform(sayReason)), saidShape);
const because = z.array(reasonShape).check(z.maxLength(40));
const water = z.enum(['cold', 'hot']);

const mating = z.object({
  verdict: z.enum(['seals', 'marginal', 'false-start', 'no']).check(z.refine((v) => v === 'seals' || v === 'marginal', 'is no joint of a chain')),
  seal: z.nullable(z.enum(seals.map((s) => s.id) as [SealId, ...SealId[]], 'is no kind of seal')).check(z.refine((s) => s !== null, 'wants a seal')),
  sealant: z.nullable(z.enum(['none', 'tape', 'paste', 'trace of paste'])),
  loose: z.array(id).check(z.maxLength(10)),
  turns: z.nullable(z.object({ from: turnsShape, to: turnsShape, default: turnsShape, nudge: turnsShape, most: turnsShape })),
  bindsAfterTurns: z.optional(amount),
  nearMiss: z.optional(id),
  because,
});

export const chain = z.object({
  parts: z.array(id).check(z.maxLength(6)),
  path: z.array(z.object({ part: id, inEnd: id, outEnd: id, cutLengthIn: z.optional(lengthIn) })).check(z.maxLength(6)),
  branches: z.array(z.object({ part: id, end: id, code: end, use: z.enum(['rejoin', 'free', 'cap']) })).check(z.maxLength(20)),
  joints: z
    .array(z.object({ n: z.int().check(z.gte(1), z.lte(8)), a: end, b: end, mating }))
    .check(z.minLength(1, 'wants a joint'), z.maxLength(8, 'has more than 8 joints')),
  loose: z.record(id, count),
  lengthIn: amount,
  priceCents: cents,
  leakRisk: amount,
  minutes: amount,
  offVan: z.array(id).check(z.maxLength(40)),
  cautions: because,
  cost: z.object({ total: amount, price: amount, minutes: amount, callbacks: amount, trip: amount, preference: amount }),
});

export const need = z.object({
  water,
  tempF: z.optional(amount),
  pressurePsi: z.optional(amount),
  potable: z.optional(z.boolean()),
  minLengthIn: z.optional(lengthIn),
  stop: z.optional(z.boolean()),
  arrestor: z.optional(z.boolean()),
  check: z.optional(z.boolean()),
  leaveOutlet: z.optional(z.boolean()),
  stopLeak: z.optional(z.boolean()),
  ownConnectors: z.optional(z.boolean()),
  avoid: z.optional(z.array(id).check(z.maxLength(20))),
  reachable: z.optional(z.boolean()),
  minBoreIn: z.optional(z.number().check(z.gt(0, 'must be more than 0'), z.lte(12, 'is more than 12 in'))),
  stub: z.optional(
    z.object({ side: z.enum(['from', 'to']), finish: z.enum(['bare', 'chromed', 'pitted', 'unknown']), lengthIn: z.optional(amount) }),
  ),
  rejoinFirst: z.optional(z.boolean()),
  outOf: z.optional(z.enum(['wall', 'floor'])),
});

type Kept<T> = { because: T[] };
interface WithReasons {
  joints: { mating: Kept<KeptReason> }[];
  cautions: KeptReason[];
}

const eachReason = <C extends WithReasons>(of: C, to: (reason: KeptReason) => KeptReason): C => ({
  ...of,
  joints: of.joints.map((j) => ({ ...j, mating: { ...j.mating, because: j.mating.because.map(to) } })),
  cautions: of.cautions.map(to),
});

/** A chain as it is kept: its reasons without their words. */
export const chainKept = (of: Chain): WithReasons => eachReason(of as WithReasons, keptReason);

/** A kept chain with the words of its reasons; what is no chain is left as it is, for its shape to refuse. */
export function chainSaid(of: unknown): unknown {
  const { joints, cautions } = (of ?? {}) as Partial<WithReasons>;
  const reads = Array.isArray(joints) && Array.isArray(cautions) && joints.every((j) => Array.isArray(j?.mating?.because));
  const areReasons = (list: unknown[]) => list.every((r) => typeof (r as KeptReason | null)?.rule === 'string');
  if (!reads || !areReasons(cautions) || !joints.every((j) => areReasons(j.mating.because))) return of;
  return eachReason(of as WithReasons, sayReason);
}

const chainAgrees: Same<z.output<typeof chain>, Chain> = true;
const needAgrees: Same<z.output<typeof need>, Need> = true;
void [chainAgrees, needAgrees];
