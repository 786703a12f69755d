/** Many at one thing: a run on which ten thousand entries are recorded, and one premises written to by five doors at once. */
import { v7 as uuidv7 } from 'uuid';
import type { Entry, VisitSheet } from '../record/index.ts';
import { FIRST_SHOP, type Sql } from '../store/database/index.ts';
import { visitSheet } from '../store/queries/index.ts';
import { at, line, sorted } from './figures.ts';
import { todaysVisit } from './record.ts';

const MANY = 10_000;
const BATCH = 500;
const WRITES = 500;

const post = (address: string, path: string, body: unknown): Promise<Response> =>
  fetch(`${address}/api/v1/${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', origin: address },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });

function entryOf(sheet: VisitSheet, runAt: number, deviceId: string, seq: number, text: string): Entry {
  const now = new Date().toISOString();
  const of = { visitId: sheet.visit.id, runId: sheet.runs[runAt % sheet.runs.length]!.id, jointId: null, checkPointId: null, correctsId: null };
  return { id: uuidv7(), ...of, deviceId, seq, seenAt: now, sentAt: now, recordedAt: null, kind: 'noted', body: { text } } as Entry;
}

const bookEntry = (kind: string, id: string, change: string, body: object) => {
  const now = new Date().toISOString();
  return {
    id: uuidv7(),
    deviceId: uuidv7(),
    seq: 1,
    seenAt: now,
    sentAt: now,
    recordedAt: null,
    correctsId: null,
    subject: { kind, id },
    change,
    body,
  };
};

/** Milliseconds that one more entry takes over HTTP on a run of ten thousand, sorted. */
export async function oneOfMany(address: string, sql: Sql): Promise<void> {
  const sheet = await todaysVisit(sql);
  const deviceId = uuidv7();
  for (let n = 0; n < MANY; n += BATCH) {
    await post(address, 'entries', { entries: Array.from({ length: BATCH }, (_, i) => entryOf(sheet, 0, deviceId, n + i + 1, `note ${n + i}`)) });
  }
  const times: number[] = [];
  for (let i = 0; i < 60; i++) {
    const began = performance.now();
    const response = await post(address, 'entries', { entries: [entryOf(sheet, 0, deviceId, MANY + i + 1, 'one more')] });
    const { results } = (await response.json()) as { results: { status: string }[] };
    if (results[0]?.status !== 'kept') throw new Error(`Not kept: ${JSON.stringify(results)}`);
    times.push(performance.now() - began);
  }
  const told = sorted(times);
  line(
    `one entry of a run of ${MANY.toLocaleString('en')}, median (under 100 ms)`,
    `${at(told, 0.5).toFixed(0)} ms (95 %: ${at(told, 0.95).toFixed(0)})`,
  );
}

/** How each of so many writes to one premises was answered, by status. */
export async function fiveDoors(address: string, sql: Sql): Promise<void> {
  const sheet = await todaysVisit(sql);
  const { visit } = sheet;
  const premisesId = visit.premises.id;
  const water = await (await fetch(`${address}/api/v1/premises/${premisesId}/water`)).text();
  const visitFile = await (await fetch(`${address}/api/v1/visits/${visit.id}/file`)).text();
  const device = uuidv7();
  const doors: ((i: number) => Promise<Response>)[] = [
    (i) => post(address, 'entries', { entries: [entryOf(sheet, i, device, i + 1, `at once ${i}`)] }),
    (i) => post(address, 'book', { entries: [bookEntry('premises', premisesId, 'changed', { address: `Road ${i}` })] }),
    (i) => post(address, 'book', { entries: [bookEntry('visit', visit.id, 'noted', { text: `note ${i}` })] }),
    () => post(address, `premises/${premisesId}/water`, water),
    () => post(address, 'visits', visitFile),
  ];
  const statuses = new Map<string, number>();
  const began = performance.now();
  await Promise.all(
    Array.from({ length: WRITES }, async (_, i) => {
      const response = await doors[i % doors.length]!(i);
      const body = await response.text();
      const isKept = !body.includes('"results"') || body.includes('"kept"');
      const status = `${(i % doors.length) + 1}: ${response.status}${isKept ? '' : ` ${body.slice(0, 200)}`}`;
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
    }),
  );
  const took = (performance.now() - began) / 1000;
  const kept = await visitSheet(sql, FIRST_SHOP, visit.id);
  const notes = kept!.entries.filter((e) => e.deviceId === device).length;
  line(
    `${WRITES} writes at once to one premises by five doors (no 5xx)`,
    `${[...statuses]
      .sort()
      .map(([status, n]) => `${n} x ${status}`)
      .join(', ')}; ${notes} of ${WRITES / 5} entries there, ${took.toFixed(1)} s`,
  );
}

export async function crowd(address: string, sql: Sql): Promise<void> {
  await fiveDoors(address, sql);
  await oneOfMany(address, sql);
}
