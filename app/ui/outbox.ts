/** What was entered and not yet kept by the server: in IndexedDB first, sent in order, safe to repeat. */
import { openDB } from 'idb';
import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../../core/record/entry.ts';

export interface Waiting {
  entry: Entry;
  /** Set when the server would not have it. */
  refused: string | null;
}

const STORE = 'waiting';
const open = () =>
  openDB('brass-nut', 1, {
    upgrade(db) {
      db.createObjectStore(STORE, { keyPath: 'entry.id' });
    },
  });

/** This device's own id, made once. */
export function deviceId(): string {
  let id = localStorage.getItem('brass-nut-device');
  if (!id) {
    id = uuidv7();
    localStorage.setItem('brass-nut-device', id);
  }
  return id;
}

/** Keeps entries on this device before anything else happens. */
export async function keep(entries: Entry[]): Promise<void> {
  const tx = (await open()).transaction(STORE, 'readwrite');
  await Promise.all([...entries.map((entry) => tx.store.put({ entry, refused: null } satisfies Waiting)), tx.done]);
}

/** What waits, oldest first: ids are made in time. */
export async function waiting(): Promise<Waiting[]> {
  const all = (await (await open()).getAll(STORE)) as Waiting[];
  return all.sort((a, b) => (a.entry.id < b.entry.id ? -1 : 1));
}

export async function drop(ids: string[]): Promise<void> {
  const tx = (await open()).transaction(STORE, 'readwrite');
  await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done]);
}

export type SendResult = { sent: { id: string; sentAt: string; recordedAt: string }[]; refused: { id: string; why: string }[]; connected: boolean };

type Answer = { results: { id: string; status: 'kept' | 'known' | 'refused'; recordedAt?: string; why?: string }[] };

/** Sends what waits, in order; one tab at a time. Without a connection everything stays where it is. */
export async function send(): Promise<SendResult> {
  const run = () => sendAll();
  return navigator.locks ? navigator.locks.request('brass-nut-outbox', run) : run();
}

async function sendAll(): Promise<SendResult> {
  const out: SendResult = { sent: [], refused: [], connected: true };
  for (;;) {
    const batch = (await waiting()).filter((w) => w.refused === null).slice(0, 50);
    if (batch.length === 0) return out;
    const sentAt = new Date().toISOString();
    const answer = await post(batch.map((w) => ({ ...w.entry, sentAt })));
    if (answer === null) return { ...out, connected: false };
    const gone: string[] = [];
    for (const r of answer.results) {
      if (r.status === 'refused') {
        const entry = batch.find((w) => w.entry.id === r.id)?.entry;
        const why = r.why ?? 'It was not taken.';
        if (entry) await (await open()).put(STORE, { entry, refused: why } satisfies Waiting);
        out.refused.push({ id: r.id, why });
      } else {
        gone.push(r.id);
        out.sent.push({ id: r.id, sentAt, recordedAt: r.recordedAt as string });
      }
    }
    await drop(gone);
    if (answer.results.length === 0) return out;
  }
}

async function post(entries: Entry[]): Promise<Answer | null> {
  try {
    const response = await fetch('/api/v1/entries', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ entries }),
    });
    if (response.ok) return (await response.json()) as Answer;
    if (response.status >= 500) return null;
    const problem = (await response.json().catch(() => ({ detail: response.statusText }))) as { detail: string };
    return { results: entries.map((e) => ({ id: e.id, status: 'refused' as const, why: problem.detail })) };
  } catch {
    return null;
  }
}
