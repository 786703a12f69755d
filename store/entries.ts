/** Keeping what happened: append, never edit; the same twice is once. */
import { isDeepStrictEqual } from 'node:util';
import { v7 as uuidv7 } from 'uuid';
import type { AcceptedChain, Entry } from '../core/record/entry.ts';
import type { Sql, Tx } from './connection.ts';
import { followsId } from './entry-shape.ts';

export type Kept = { id: string; status: 'kept' | 'known'; recordedAt: string } | { id: string; status: 'refused'; rule: string; why: string };

export interface EntryRow {
  entry_id: string;
  visit_id: string;
  run_id: string;
  joint_id: string | null;
  check_point_id: string | null;
  kind: Entry['kind'];
  corrects_id: string | null;
  device_id: string;
  seen_at: Date;
  sent_at: Date;
  recorded_at: Date;
  body: Entry['body'];
}

export function entryOf(row: EntryRow): Entry {
  return {
    id: row.entry_id,
    visitId: row.visit_id,
    runId: row.run_id,
    jointId: row.joint_id,
    checkPointId: row.check_point_id,
    correctsId: row.corrects_id,
    deviceId: row.device_id,
    seenAt: row.seen_at.toISOString(),
    sentAt: row.sent_at.toISOString(),
    recordedAt: row.recorded_at.toISOString(),
    kind: row.kind,
    body: row.body,
  } as Entry;
}

export const entryColumns = [
  'entry_id',
  'visit_id',
  'run_id',
  'joint_id',
  'check_point_id',
  'kind',
  'corrects_id',
  'device_id',
  'seen_at',
  'sent_at',
  'recorded_at',
  'body',
] as const;

/** Why the database would not have an entry, by the constraint that spoke; worded for the one who entered it. */
const REFUSALS: Record<string, { rule: string; why: string }> = {
  signed_off_once: {
    rule: 'already-signed-off',
    why: 'This run was signed off already, in another window or on another device. What is on record stands.',
  },
  accepted_first: {
    rule: 'changed-meanwhile',
    why: 'A chain was accepted for this run meanwhile. Look at it, then accept another in its place if you still want to.',
  },
  accepted_next: { rule: 'changed-meanwhile', why: 'Another chain took the place of that one meanwhile. Look at it, then choose again.' },
  look_ended_once: { rule: 'look-ended', why: 'This look was ended already, in another window or on another device.' },
  entry_corrected_once: { rule: 'corrected-already', why: 'That entry was corrected already. Correct the newer one.' },
  visit_run: { rule: 'unknown-run', why: 'This visit has no such run any more in this shop. Load the visit again.' },
  joint: { rule: 'unknown-joint', why: 'The joint belongs to a chain that was not kept.' },
  check_point: { rule: 'unknown-check-point', why: 'This run has no such check point.' },
  follows: { rule: 'unknown-entry', why: 'What this entry follows from was not kept.' },
};

function refusalOf(error: unknown): { rule: string; why: string } | null {
  const { code, constraint_name: constraint } = error as { code?: string; constraint_name?: string };
  if (code !== '23505' && code !== '23503') return null;
  const key = constraint ?? '';
  if (REFUSALS[key]) return REFUSALS[key];
  if (/joint_id_fkey/.test(key)) return REFUSALS.joint!;
  if (/check_point/.test(key)) return REFUSALS.check_point!;
  if (/corrects|follows/.test(key)) return REFUSALS.follows!;
  return REFUSALS.visit_run!;
}

/**
 * Keeps entries in the order given, each whole or not at all.
 *
 * An id known with the same content is a no-op; with other content it is refused. One refused does not keep the others out.
 */
export async function recordEntries(sql: Sql, shopId: string, entries: (Entry & { sentAt: string })[], at: Date): Promise<Kept[]> {
  return sql.begin(async (tx) => {
    const out: Kept[] = [];
    for (const entry of entries) {
      const known = await sameEntry(tx, shopId, entry);
      if (known) {
        out.push(known);
        continue;
      }
      try {
        await tx.savepoint(async (sp) => {
          await insertEntry(sp, shopId, { ...entry, recordedAt: at.toISOString() });
          if (entry.kind === 'signed-off' && entry.correctsId === null) await takeFromVan(sp, shopId, entry, at);
        });
        out.push({ id: entry.id, status: 'kept', recordedAt: at.toISOString() });
      } catch (error) {
        const refusal = refusalOf(error);
        if (!refusal) throw error;
        out.push({ id: entry.id, status: 'refused', ...refusal });
      }
    }
    return out;
  });
}

/** Adds one entry, and the joints that an acceptance brings into being. */
export async function insertEntry(tx: Tx, shopId: string, entry: Entry & { sentAt: string | null; recordedAt: string | null }): Promise<void> {
  if (entry.kind === 'chain-accepted') {
    const joints = entry.body.jointIds.map((id) => ({ shop_id: shopId, joint_id: id, run_id: entry.runId }));
    await tx`insert into joint ${tx(joints)} on conflict (shop_id, run_id, joint_id) do nothing`;
  }
  const row = {
    shop_id: shopId,
    entry_id: entry.id,
    visit_id: entry.visitId,
    run_id: entry.runId,
    joint_id: entry.jointId,
    check_point_id: entry.checkPointId,
    kind: entry.kind,
    corrects_id: entry.correctsId,
    follows_id: followsId(entry),
    device_id: entry.deviceId,
    seen_at: entry.seenAt,
    sent_at: entry.sentAt,
    recorded_at: entry.recordedAt,
    body: tx.json(entry.body as never),
  };
  await tx`insert into entry ${tx(row as never)}`;
}

async function sameEntry(tx: Tx, shopId: string, entry: Entry): Promise<Kept | null> {
  const [row] = await tx<EntryRow[]>`select ${tx(entryColumns)} from entry where shop_id = ${shopId} and entry_id = ${entry.id}`;
  if (!row) return null;
  const known = entryOf(row);
  if (sameContent(known, entry)) return { id: entry.id, status: 'known', recordedAt: known.recordedAt as string };
  return {
    id: entry.id,
    status: 'refused',
    rule: 'other-content',
    why: 'An entry with this id is on record with other content. It was not overwritten.',
  };
}

/** When it was sent and recorded may differ between two tries; what was seen may not. */
export function sameContent(a: Entry, b: Entry): boolean {
  const content = ({ sentAt: _s, recordedAt: _r, ...rest }: Entry) => JSON.parse(JSON.stringify(rest));
  return isDeepStrictEqual(content(a), content(b));
}

/** What a signed-off run used has left the van, in the same transaction as the sign-off. */
async function takeFromVan(tx: Tx, shopId: string, entry: Entry, at: Date): Promise<void> {
  const [row] = await tx<{ body: AcceptedChain }[]>`
    select body from entry e
    where shop_id = ${shopId} and visit_id = ${entry.visitId} and run_id = ${entry.runId} and kind = 'chain-accepted'
      and not exists (select from entry n where n.shop_id = e.shop_id and n.kind = 'chain-accepted' and n.follows_id = e.entry_id)
    limit 1`;
  if (!row) return;
  const moves = Object.entries(itemsNeeded(row.body)).map(([item, count]) => ({
    shop_id: shopId,
    move_id: uuidv7(),
    item,
    quantity: -count,
    reason: 'used on a run that was signed off',
    entry_id: entry.id,
    recorded_at: at,
  }));
  if (moves.length > 0) await tx`insert into stock_move ${tx(moves)}`;
}

/** Parts and loose pieces of a chain, by id or code, with their number. */
export function itemsNeeded(accepted: Pick<AcceptedChain, 'chain'>): Record<string, number> {
  const out: Record<string, number> = { ...accepted.chain.loose };
  for (const part of accepted.chain.parts) out[part] = (out[part] ?? 0) + 1;
  return out;
}
