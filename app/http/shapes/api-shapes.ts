/** What the matching API takes: read once here, trusted inside, and described in OpenAPI from the same shapes. */
import { z } from 'zod';
import { parseEnd } from '../../../core/index.ts';
import { houseRules, need, uuid } from '../../../record/index.ts';

/** Why a text is no end code, as the core says it. */
function notACode(text: unknown): string {
  try {
    parseEnd(String(text));
    return '';
  } catch (error) {
    return (error as Error).message;
  }
}

const code = z
  .string()
  .min(1)
  .max(80)
  .refine((text) => notACode(text) === '', { error: (issue) => notACode(issue.input) })
  .describe('End code, for example comp-3/8-m');
const id = z.string().min(1).max(120);
const rules = z.optional(houseRules).describe("House rules; the shop's own unless given");

export const mateShape = z.strictObject({ a: code, b: code, rules }).describe('Two ends to be judged against each other');

export const identifyShape = z
  .strictObject({
    gender: z.enum(['m', 'f']),
    diameterIn: z.number().optional().describe('At the crests, in; 0.1 to 3'),
    diameterSigmaIn: z.number().optional().describe('One sigma, in; 0.005 unless given'),
    threadsPerIn: z.number().optional().describe('4 to 60'),
    threadsSigma: z.number().optional().describe('One sigma; 1 unless given'),
    tapered: z.enum(['yes', 'no', 'unsure']).optional(),
    flankDeg: z.union([z.literal(55), z.literal(60)]).optional(),
    seat: z.enum(['flat', 'cone', 'flare', 'none', 'unsure']).optional(),
    seenOn: z.string().max(60).optional().describe('Id of an appliance'),
  })
  .describe('What was measured or seen of a thread');

const query = {
  from: code,
  to: code,
  rejoin: code.optional().describe('What was parted from `from` and must be joined again'),
  need,
  k: z.number().int().min(1).max(20).optional().describe('How many chains; 5 unless given'),
  rules,
  stock: z
    .union([z.literal('van'), z.literal('all'), z.record(id, z.number().int().nonnegative())])
    .optional()
    .describe("What is at hand: the van's own stock (unless given), everything, or numbers by part id or loose code"),
};

export const matchShape = z.strictObject(query).describe('Two ends to be joined');

export const whyNotShape = z
  .strictObject({ ...query, parts: z.array(id).max(20).describe('Part ids, water side first') })
  .describe('A row of parts, and the ends it is meant to join');

export type MatchRequest = z.infer<typeof matchShape>;

/** A shop to be begun, under an id that its browser made. */
export const shopShape = z.strictObject({ id: uuid });

/** Millilitres let out of a line under the gauge. */
export const letOutShape = z.strictObject({ ml: z.number('wants a number').gt(0, 'must be more than 0').lte(1000, 'is more than 1000') });

export const rulesShape = z.strictObject({
  basedOn: z
    .number()
    .int()
    .min(0)
    .optional()
    .describe('The version that was looked at, from scripts of before. Where two change the same rule the later stands, and both are shown'),
  rules: houseRules,
  reason: z.string().trim().min(1, 'Say why the house does it so.').max(1000, 'The reason is longer than 1000 characters.'),
});
