/** The certificate of a visit, as its page and its file show it. */
import { type Certificate, certificateOf, type Shop, type VisitHead } from '../../../record/index.ts';
import { shopNow, statesOf, visitSheet } from '../../../store/queries/index.ts';
import { visitAsked } from '../asked/index.ts';
import { database } from '../database.ts';
import type { Asked } from '../door/index.ts';
import { taskRulesOf } from '../task-rules.ts';

export interface CertificatePage {
  shop: Shop;
  visit: VisitHead;
  certificate: Certificate;
}

/** @throws RefusedError for a visit that is not there */
export async function certificateAsked({ params, locals }: Pick<Asked, 'params' | 'locals'>): Promise<CertificatePage> {
  const sheet = await visitAsked(params.id, (id) => visitSheet(database(), locals.shop, id));
  const [shop, duties] = await Promise.all([shopNow(database(), locals.shop), taskRulesOf(locals.shop)]);
  return { shop, visit: sheet.visit, certificate: certificateOf(sheet.visit, statesOf(sheet), duties) };
}
