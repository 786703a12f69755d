/** What would be left in the air if a subject had never been made. */
import type { SubjectKind, SubjectRef } from '../../record/index.ts';
import type { Tx } from '../database/index.ts';

/** In words, by the subject's id; none where nothing hangs on it. */
export async function hangingOn(tx: Tx, shopId: string, refs: SubjectRef[]): Promise<Map<string, string>> {
  const found = new Map<string, string>();
  for (const ref of refs) {
    const counts = await (COUNTS[ref.kind]?.(tx, shopId, ref.id) ?? []);
    const words = counts.filter((c) => c.n > 0).map((c) => `${c.n} ${c.n === 1 ? c.one : c.many}`);
    if (words.length > 0) found.set(ref.id, words.join(' and '));
  }
  return found;
}

interface Count {
  n: number;
  one: string;
  many: string;
}

type Counting = (tx: Tx, shopId: string, id: string) => Promise<Count[]>;

const COUNTS: Partial<Record<SubjectKind, Counting>> = {
  premises: (tx, shop, id) => tx<Count[]>`
    select count(*)::int as n, 'place' as one, 'places' as many from place where shop_id = ${shop} and premises_id = ${id} and not gone
    union all select count(*)::int, 'visit', 'visits' from visit where shop_id = ${shop} and premises_id = ${id} and not gone
    union all select count(*)::int, 'follow-up', 'follow-ups' from follow_up where shop_id = ${shop} and premises_id = ${id} and not gone`,
  place: (tx, shop, id) => tx<Count[]>`
    select count(*)::int as n, 'appliance' as one, 'appliances' as many from appliance where shop_id = ${shop} and place_id = ${id} and not gone`,
  appliance: (tx, shop, id) => tx<Count[]>`
    select count(*)::int as n, 'run' as one, 'runs' as many from run where shop_id = ${shop} and appliance_id = ${id} and not gone`,
  run: (tx, shop, id) => tx<Count[]>`
    select count(*)::int as n, 'visit that it is on' as one, 'visits that it is on' as many from visit_run where shop_id = ${shop} and run_id = ${id}
    union all select count(*)::int, 'follow-up', 'follow-ups' from follow_up where shop_id = ${shop} and run_id = ${id} and not gone`,
  visit: (tx, shop, id) => tx<Count[]>`
    select count(*)::int as n, 'run with something recorded' as one, 'runs with something recorded' as many
    from derived_run where shop_id = ${shop} and visit_id = ${id} and up_to > 0
    union all select count(*)::int, 'follow-up closed by it', 'follow-ups closed by it' from follow_up where shop_id = ${shop} and closed_visit_id = ${id}`,
  stock: (tx, shop, id) => tx<Count[]>`
    select count(*)::int as n, 'entry of what came and went' as one, 'entries of what came and went' as many
    from entry where shop_id = ${shop} and ((subject_id = ${id} and kind not in ('place-made', 'withdrawn')) or (subject_kind = 'stock' and body ->> 'toId' = ${id}))`,
};
