import { z } from 'zod';
import type { HouseRules } from '../../../../core/index.ts';
import { houseRules } from '../../../../record/rules/house-rules.ts';
import { now } from '../../../../store/clock.ts';
import { currentRules, saveRules } from '../../../../store/queries/rules.ts';
import { database } from '../../../http/database.ts';
import { get, post } from '../../../http/endpoint.ts';

const change = z.strictObject({
  basedOn: z.number().int().min(0),
  rules: houseRules,
  reason: z.string().trim().min(1, 'Say why the house does it so.').max(1000, 'The reason is longer than 1000 characters.'),
});

/** The house rules in force. */
export const GET = get(({ locals }) => currentRules(database(), locals.shop));

/** A new version of them, with its reason. */
export const POST = post(change, async ({ basedOn, rules, reason }, { locals }) => ({
  version: await saveRules(database(), locals.shop, basedOn, rules as HouseRules, reason, now()),
}));
