import type { HouseRules } from '../../../../core/index.ts';
import { now } from '../../../../store/database/index.ts';
import { saveRules } from '../../../../store/entries/index.ts';
import { currentRules } from '../../../../store/queries/index.ts';
import { database } from '../../../http/database.ts';
import { get, post } from '../../../http/door/index.ts';
import { rulesShape } from '../../../http/shapes/index.ts';

/** The house rules in force. */
export const GET = get(({ locals }) => currentRules(database(), locals.shop));

/** Has the house do it by these; what differs from those in force is said in the book, with its reason. */
export const POST = post(rulesShape, async ({ rules, reason }, { locals }) => ({
  version: await saveRules(database(), locals.shop, rules as HouseRules, reason, now()),
}));
