/** Figures of the record: entries a second through HTTP, the day sheet over a large database, memory over many questions. */
import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../record/index.ts';
import { localDayOf, type VisitSheet } from '../record/index.ts';
import { FIRST_SHOP, lockCursor, moveCursor, type Sql } from '../store/database/index.ts';
import { appendBook, filedBookEntry } from '../store/entries/index.ts';
import { rebuild } from '../store/projections/index.ts';
import { visitSheet, visitsBetween } from '../store/queries/index.ts';
import { insertEntries, type PlacedEntry } from '../store/rows/index.ts';

const BATCH = 100;
const DEVICES = 4;

/** A plumber's notes on the runs of today's first visit. */
function notes(sheet: VisitSheet, deviceId: string, from: number): Entry[] {
  const at = new Date().toISOString();
  return Array.from({ length: BATCH }, (_, i) => {
    const runId = sheet.runs[i % sheet.runs.length]!.id;
    return {
      id: uuidv7(),
      visitId: sheet.visit.id,
      runId,
      jointId: null,
      checkPointId: null,
      correctsId: null,
      deviceId,
      seq: from + i,
      seenAt: at,
      sentAt: at,
      recordedAt: null,
      kind: 'noted',
      body: { text: `note ${i}` },
    } as Entry;
  });
}

export async function todaysVisit(sql: Sql): Promise<VisitSheet> {
  const today = localDayOf(new Date(), Intl.DateTimeFormat().resolvedOptions().timeZone);
  const [head] = await visitsBetween(sql, FIRST_SHOP, today, today);
  return (await visitSheet(sql, FIRST_SHOP, head!.id))!;
}

/** Four devices send batches of 100 at once; entries kept a second. */
export async function entriesPerSecond(address: string, sql: Sql, batches = 5): Promise<number> {
  const sheet = await todaysVisit(sql);
  const began = performance.now();
  const kept = await Promise.all(
    Array.from({ length: DEVICES }, async () => {
      const deviceId = uuidv7();
      let count = 0;
      for (let b = 0; b < batches; b++) {
        const body = JSON.stringify({ entries: notes(sheet, deviceId, 1 + b * BATCH) });
        const response = await fetch(`${address}/api/v1/entries`, { method: 'POST', headers: { 'content-type': 'application/json' }, body });
        const { results } = (await response.json()) as { results: { status: string }[] };
        count += results.filter((r) => r.status === 'kept').length;
      }
      return count;
    }),
  );
  return (kept.reduce((n, k) => n + k, 0) * 1000) / (performance.now() - began);
}

/** Copies the past visits of the demo until the database holds so many entries, and derives them. */
export async function fill(sql: Sql, entries: number): Promise<number> {
  const past = await visitsBetween(sql, FIRST_SHOP, '2000-01-01', new Date(Date.now() - 10 * 86_400_000).toISOString().slice(0, 10));
  const sheets = [];
  for (const head of past) sheets.push((await visitSheet(sql, FIRST_SHOP, head.id))!);
  let count = Number((await sql`select count(*) as n from entry where shop_id = ${FIRST_SHOP}`)[0]!.n);
  for (let n = 0; count < entries; n++) {
    const sheet = sheets[n % sheets.length]!;
    await sql.begin(async (tx) => {
      const visitId = uuidv7();
      const { visit } = sheet;
      const at = new Date(`${visit.onDate}T06:00:00Z`);
      const body = { premisesId: visit.premises.id, onDate: visit.onDate, startsAt: visit.startsAt, title: visit.title };
      await appendBook(tx, FIRST_SHOP, [
        filedBookEntry('visit', visitId, 'made', body, at),
        ...sheet.runs.map((run, i) =>
          filedBookEntry('visit', visitId, 'run-added', { runId: run.id, work: run.work }, new Date(at.getTime() + 1000 * (i + 1))),
        ),
      ]);
      let position = await lockCursor(tx, FIRST_SHOP);
      const copied = copyOf(sheet.entries, visitId).map((e) => ({ ...e, position: ++position }) as PlacedEntry);
      const joints = copied.flatMap((e) =>
        e.kind === 'chain-accepted' ? e.body.jointIds.map((id) => ({ shop_id: FIRST_SHOP, joint_id: id, run_id: e.runId })) : [],
      );
      if (joints.length > 0) await tx`insert into joint ${tx(joints)} on conflict do nothing`;
      await insertEntries(tx, FIRST_SHOP, copied);
      await moveCursor(tx, FIRST_SHOP, position);
      count += copied.length;
    });
  }
  await rebuild(sql, FIRST_SHOP);
  return count;
}

/** The same happenings under new ids. */
function copyOf(entries: Entry[], visitId: string): Entry[] {
  const ids = new Map<string, string>();
  const fresh = (id: string) => ids.get(id) ?? ids.set(id, uuidv7()).get(id)!;
  const own = new Set([...entries.map((e) => e.id), ...entries.flatMap((e) => (e.kind === 'chain-accepted' ? e.body.jointIds : []))]);
  const text = JSON.stringify(entries).replace(/[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}/g, (id) =>
    own.has(id) ? fresh(id) : id,
  );
  return (JSON.parse(text) as Entry[]).map((e) => ({ ...e, visitId, seq: undefined }));
}

/** Memory of a process after so many distinct questions, megabytes; each with weights and a length of its own. */
export async function memoryAfter(address: string, pid: number, matches: number, from: number): Promise<number> {
  const ends = ['comp-3/8-m', 'comp-1/4-m', 'npt-1/2-m', 'ght-3/4-m', 'bc-7/8-m', 'cu-5/8od'];
  const weights = (i: number) => ({ callbackDollars: 100 + i / 7, minuteDollars: 1 + (i % 97) / 100, tripDollars: 45, notPreferredDollars: 4 });
  const { rules } = (await (await fetch(`${address}/api/v1/rules`)).json()) as { rules: object };
  const ask = (i: number) =>
    fetch(`${address}/api/v1/match`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        from: ends[i % 6],
        to: ends[(i + 1 + (i % 5)) % 6],
        need: { water: 'cold', minLengthIn: 5 + (i % 60) },
        rules: { ...rules, ...(i % 20 === 0 ? { weights: weights(i) } : {}) },
        k: 1 + (i % 8),
      }),
    }).then((r) => r.arrayBuffer());
  for (let i = from; i < matches; i += 8) await Promise.all(Array.from({ length: Math.min(8, matches - i) }, (_, n) => ask(i + n)));
  const { readFileSync } = await import('node:fs');
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;
}
