import type { Waiting } from '../../record/index.ts';
import type { Sql } from '../database/index.ts';

/** Follow-ups that are open, those due first before the others; with `by`, only those due by the end of a day. */
export async function openFollowUps(sql: Sql, shopId: string, most: number, by?: string): Promise<Waiting[]> {
  const rows = await sql<Waiting[]>`
    select f.follow_up_id as id, f.body as text, f.due_on as "dueOn", p.premises_id as "premisesId", p.name as premises
    from follow_up f join premises p using (shop_id, premises_id)
    where f.shop_id = ${shopId} and not f.gone and f.closed_at is null ${by === undefined ? sql`` : sql`and f.due_on <= ${by}`}
    order by f.due_on nulls last, f.follow_up_id limit ${most}`;
  return [...rows];
}
