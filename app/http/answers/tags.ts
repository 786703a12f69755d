/** Tags of a visit's runs, with where they lead. */
import { localDayOf, signSheetOf, tagsOf } from '../../../record/index.ts';
import { shopNow, statesOf, visitSheet } from '../../../store/queries/index.ts';
import { visitAsked } from '../asked/index.ts';
import { database } from '../database.ts';
import { type Asked, RefusedError } from '../door/index.ts';
import type { PrintedTag } from '../pdf/tags.ts';
import { taskRulesOf } from '../task-rules.ts';

/** @throws RefusedError for a visit that is not there, or where nothing is accepted yet */
export async function tagsAsked({ params, locals, url }: Asked): Promise<PrintedTag[]> {
  const sheet = await visitAsked(params.id, (id) => visitSheet(database(), locals.shop, id));
  const [shop, duties] = await Promise.all([shopNow(database(), locals.shop), taskRulesOf(locals.shop)]);
  const zone = sheet.visit.premises.timeZone;
  const base = (shop.tagAddress ?? url.origin).replace(/\/$/, '');
  const tags = statesOf(sheet).flatMap(({ run, state }) => {
    if (!state?.accepted || state.offList !== null || (params.run !== undefined && params.run !== run.id)) return [];
    const doneMs = state.signedOff?.atMs ?? Math.max(0, ...state.joints.map((j) => j.madeMs ?? 0));
    return tagsOf(state, signSheetOf(state, run.applianceKind, duties, zone)).map((tag) => ({
      ...tag,
      url: `${base}/t/${run.id}`,
      run: `${run.name}, ${run.place}`,
      premises: sheet.visit.premises.name,
      on: doneMs > 0 ? localDayOf(doneMs, zone) : sheet.visit.onDate,
      shop: [shop.phone, shop.name].filter(Boolean).join(', '),
    }));
  });
  if (tags.length === 0)
    throw new RefusedError(404, 'no-tags', 'No tags yet', 'A tag names the parts of an accepted chain: accept one in Match first.', 'run');
  return tags;
}
