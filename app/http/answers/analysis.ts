/** What keeps leaking in a shop, worked out from its ledger. */
import { houseChoices } from '../../../catalog/house-rules.ts';
import { analyseCallbacks, type CallbackAnalysis } from '../../../core/index.ts';
import { now } from '../../../store/database/index.ts';
import { shopCatalogue } from '../../../store/own-parts/index.ts';
import { type CallbackQuery, callbackCounts } from '../../../store/queries/index.ts';
import { database } from '../database.ts';

/** Leaks that were laid to no joint stand beside it. */
export type Analysis = CallbackAnalysis & { unlaid: number };

export async function analysisOf(shopId: string, query: CallbackQuery): Promise<Analysis> {
  const [counts, { parts }] = await Promise.all([callbackCounts(database(), shopId, now(), query), shopCatalogue(database(), shopId)]);
  const names = new Map(parts.map((p) => [p.id, p.name]));
  const choices = houseChoices().flatMap(({ seals, ...choice }) => (seals ? [{ ...choice, seals }] : []));
  return { ...analyseCallbacks(counts, choices, (id) => names.get(id) ?? id), unlaid: counts.unlaid };
}
