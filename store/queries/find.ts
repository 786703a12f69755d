/** One search over what a shop looks after and has done. */
import type { Catalogue } from '../../catalog/index.ts';
import { addDays } from '../../record/index.ts';
import type { Sql } from '../database/index.ts';
import { ledger } from './ledger.ts';
import { premisesList } from './premises.ts';

export interface Found {
  kind: 'premises' | 'appliance' | 'visit' | 'follow-up' | 'part' | 'connection';
  name: string;
  /** Where or when. */
  detail: string;
  /** The page that shows it. */
  href: string;
}

/** Of each kind. */
const MOST = 4;
/** Visits are looked for so far back, and ahead, days. */
const BACK_DAYS = 730;
const AHEAD_DAYS = 60;

/**
 * What all words are found in: premises first, then what stands and is planned there, parts, and connections that were made.
 *
 * @param q at least two letters; less finds nothing
 */
export async function find(sql: Sql, shopId: string, q: string, today: string, { parts }: Pick<Catalogue, 'parts'>): Promise<Found[]> {
  const words = q.trim().toLowerCase().split(/\s+/).filter(Boolean).slice(0, 12);
  if (words.join('').length < 2) return [];
  const like = (word: string) => `%${word.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
  const all = (column: string) => words.map((word) => sql`and ${sql(column)} ilike ${like(word)}`).reduce((a, b) => sql`${a} ${b}`, sql``);
  const [premises, appliances, visits, followUps, connections] = await Promise.all([
    premisesList(sql, shopId, today, { q, limit: MOST }),
    sql<{ name: string; premises: string; premises_id: string }[]>`
      select a.name, p.name as premises, p.premises_id from appliance a join premises p using (shop_id, premises_id)
      where a.shop_id = ${shopId} and not a.gone and a.retired is null and p.retired is null ${all('a.name')} order by a.name, a.appliance_id limit ${MOST}`,
    sql<{ visit_id: string; title: string; on_date: string; premises: string }[]>`
      select v.visit_id, v.title, v.on_date, p.name as premises from visit v join premises p using (shop_id, premises_id)
      where v.shop_id = ${shopId} and not v.gone and v.on_date between ${addDays(today, -BACK_DAYS)} and ${addDays(today, AHEAD_DAYS)} ${all('v.title')}
      order by v.on_date desc, v.visit_id limit ${MOST}`,
    sql<{ body: string; premises: string; premises_id: string }[]>`
      select f.body, p.name as premises, p.premises_id from follow_up f join premises p using (shop_id, premises_id)
      where f.shop_id = ${shopId} and not f.gone and f.closed_at is null ${all('f.body')} order by f.due_on nulls last, f.follow_up_id limit ${MOST}`,
    ledger(sql, shopId, { q, limit: 3 }),
  ]);
  const fits = parts.filter((p) => words.every((w) => `${p.name} ${p.id}`.toLowerCase().includes(w))).slice(0, MOST);
  return [
    ...premises.premises.map((p): Found => ({ kind: 'premises', name: p.name, detail: p.address ?? '', href: `/premises/${p.id}` })),
    ...appliances.map((a): Found => ({ kind: 'appliance', name: a.name, detail: a.premises, href: `/premises/${a.premises_id}` })),
    ...visits.map((v): Found => ({ kind: 'visit', name: v.title, detail: `${v.on_date}, ${v.premises}`, href: `/visits/${v.visit_id}` })),
    ...followUps.map((f): Found => ({ kind: 'follow-up', name: f.body.slice(0, 80), detail: f.premises, href: `/premises/${f.premises_id}` })),
    ...fits.map((p): Found => ({ kind: 'part', name: p.name, detail: '', href: `/stock?find=${encodeURIComponent(p.name)}` })),
    ...connections.rows.map(
      (r): Found => ({ kind: 'connection', name: r.run, detail: `${r.onDate}, ${r.premises}`, href: `/ledger/${r.visitId}/${r.runId}` }),
    ),
  ];
}
