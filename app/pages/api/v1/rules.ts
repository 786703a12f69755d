import { z } from 'zod';
import type { HouseRules } from '../../../../core/index.ts';
import { houseRules } from '../../../../record/index.ts';
import { now } from '../../../../store/database/index.ts';
import { saveRules } from '../../../../store/entries/index.ts';
import { currentRules } from '../../../../store/queries/index.ts';
import { database } from '../../../http/database.ts';
import { get, post } from '../../../http/door/index.ts';

const change = z.strictObject({
  /** The version that was looked at: scripts of before send it. Where two change the same rule the later stands, and both are shown. */
  basedOn: z.number().int().min(0).optional(),
  rules: houseRules,
  reason: z.string().trim().min(1, 'Say why the house does it so.').max(1000, 'The reason is longer than 1000 characters.'),
});

/** The house rules in force. */
export const GET = get(({ locals }) => currentRules(database(), locals.shop));

/** Has the house do it by these; what differs from those in force is said in the book, with its reason. */
export const POST = post(change, async ({ rules, reason }, { locals }) => ({
  version: await saveRules(database(), locals.shop, rules as HouseRules, reason, now()),
}));
