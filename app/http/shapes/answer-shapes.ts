/** What the matching API answers: described in OpenAPI by these, and held to them by its tests. */
import { z } from 'zod';

const code = z.string().describe('End code, for example comp-3/8-m');
const id = z.string();
const amount = z.number();

const because = z
  .array(
    z.strictObject({
      rule: id.describe('Stable id of the rule'),
      text: z.string().describe('One plain sentence'),
      pieces: z
        .array(z.union([z.string(), z.strictObject({ of: z.string(), value: amount, places: z.number().optional() })]))
        .optional()
        .describe('The sentence with its quantities apart (in, psi, F), to be said in other units'),
      source: z.string().optional(),
      figures: z.record(id, z.union([z.number(), z.string()])).optional(),
    }),
  )
  .describe('Reasons');

export const mateAnswer = z.strictObject({
  verdict: z.enum(['seals', 'marginal', 'false-start', 'no']),
  seal: id.nullable().describe('Kind of seal; null unless it seals, or does so marginally'),
  sealant: z.enum(['none', 'tape', 'paste', 'trace of paste']).nullable(),
  loose: z.array(id).describe('Loose pieces the joint takes besides its two ends'),
  turns: z
    .strictObject({ from: amount, to: amount, default: amount, nudge: amount, most: amount })
    .nullable()
    .describe('Past hand-tight, each a whole number of 24ths of a turn; null where nothing is screwed'),
  bindsAfterTurns: amount.optional().describe('Of a false start'),
  nearMiss: id.optional().describe('The rule that names it, where two ends nearly fit'),
  because,
});

export const identifyAnswer = z.strictObject({
  candidates: z.array(z.strictObject({ thread: id, probability: amount.min(0).max(1), because })).describe('Every thread, the likeliest first'),
  answer: z.array(id).describe('The smallest set of threads that holds 95 %'),
  unlike: z.boolean().describe('Nothing known fits the readings: measure again'),
  next: z
    .strictObject({ measure: z.enum(['diameter', 'pitch', 'taper', 'flank', 'seat']), gainBits: amount })
    .nullable()
    .describe('What to measure next, and how much it is expected to tell'),
});

const chain = z.strictObject({
  parts: z.array(id).describe('Part ids, water side first'),
  path: z.array(z.strictObject({ part: id, inEnd: id, outEnd: id, cutLengthIn: amount.optional() })),
  branches: z
    .array(z.strictObject({ part: id, end: id, code, use: z.enum(['rejoin', 'free', 'cap']) }))
    .describe('Ends the water does not go through'),
  joints: z.array(z.strictObject({ n: z.int().min(1), a: code, b: code, mating: mateAnswer })).describe('Water side first, the old line last'),
  loose: z.record(id, z.int().positive()),
  lengthIn: amount,
  priceCents: z.int().nonnegative(),
  leakRisk: amount.min(0).max(1),
  minutes: amount,
  offVan: z.array(id).describe('Parts and loose pieces that are not at hand'),
  cautions: because,
  cost: z
    .strictObject({ total: amount, price: amount, minutes: amount, callbacks: amount, trip: amount, preference: amount })
    .describe('Dollars expected'),
});

export const matchAnswer = z.strictObject({
  chains: z.array(chain).describe('By cost'),
  refused: z.array(z.strictObject({ part: id, because })).describe('Parts that fail a need or start falsely on one of the two ends, at most 20'),
  unreachable: because.optional().describe('Why there is no chain'),
});

export const whyNotAnswer = z.strictObject({ because: because.describe('The first reason that refuses it, then the rest; none when it is a chain') });

export const endsAnswer = z.strictObject({
  ends: z.array(z.strictObject({ end: code, label: z.string(), why: z.string().optional() })).describe('With q: readings, the likeliest first'),
});

const part = z.strictObject({
  id,
  name: z.string(),
  kind: z.string(),
  ends: z.array(z.strictObject({ id, code, port: z.enum(['in', 'out', 'either', 'branch']) })).min(2),
  flexible: z.boolean(),
  cutToLength: z.boolean(),
  lengthIn: amount.optional(),
  maxLengthIn: amount.optional(),
  waters: z.array(z.enum(['cold', 'hot'])),
  maxPsi: amount,
  maxF: amount,
  potable: z.boolean(),
  priceCents: z.int().nonnegative(),
  centsPerFt: amount.optional(),
  minutes: amount,
  boreIn: amount.optional().describe('The narrowest way through it that is used, in'),
  leadFree: z.boolean().optional(),
  material: z.string().optional(),
  tags: z.array(z.string()),
});

export const partsAnswer = z.strictObject({
  version: z.string(),
  currency: z.string(),
  parts: z.array(part),
  loose: z.array(z.strictObject({ code: id, name: z.string(), priceCents: z.int().nonnegative() })),
});
