/** What every entry goes through, of a run or of the book: append, never edit; the same twice is once; each whole or not at all, with its own answer. */
import type { Refusal, Stamped } from '../../record/index.ts';
import { inShop, moveCursor, type Sql, type Tx } from '../database/index.ts';

export type Answer =
  | { id: string; status: 'kept' | 'known'; recordedAt: string; position?: number }
  | { id: string; status: 'refused'; rule: string; why: string };

export type Sent = Stamped & { sentAt: string };
export type Placed<E> = E & { sentAt: string; recordedAt: string; position: number };

/** What a sort of entries asks of the record, and does to it. */
export interface Ingestion<E extends Sent> {
  /** What is on record under the ids of entries, of whatever sort: when, and whether it says the same. */
  known: (tx: Tx, shopId: string, entries: E[]) => Promise<Map<string, Known<E>>>;
  /** All that the entries ask of the record as it stands. */
  open: (tx: Tx, shopId: string, entries: E[], at: Date) => Promise<AtHand<E>>;
  insert: (tx: Tx, shopId: string, good: Placed<E>[]) => Promise<void>;
  /** Whether two of one id say the same. */
  isSame: (known: E, sent: E) => boolean;
  /** Where a batch is cut, so that what came before an entry stands in the tables when it is judged. */
  isCutBefore?: (entry: E) => boolean;
}

export interface Known<E> {
  recordedAt: string;
  isSame: (sent: E) => boolean;
}

export interface AtHand<E> {
  judge: (entry: E) => Refusal | null;
  /** It was found good, and counts for those after it. */
  take: (entry: Placed<E>) => void;
  /** Brings the derived tables up to what was kept. */
  derive: (tx: Tx, kept: Placed<E>[]) => Promise<void>;
}

const OTHER_CONTENT: Refusal = {
  rule: 'other-content',
  why: 'An entry with this id is on record with other content. It was not overwritten.',
};
const SEQ_USED: Refusal = {
  rule: 'seq-used',
  why: 'Another entry of this device has that number already: its store was copied or set back. It is sent again under a new name of the device.',
};
const NOT_TAKEN: Refusal = {
  rule: 'not-taken',
  why: 'The database would not take it: it names something that is not on record, or holds what cannot be kept.',
};

/**
 * Takes entries in the order given, each with its own answer.
 *
 * All of a call is one transaction: when the connection to the database is lost nothing of it is answered, and it is sent again.
 *
 * @throws OtherProgramError, BusyError: for later
 */
export async function ingest<E extends Sent>(sql: Sql, shopId: string, entries: E[], at: Date, desk: Ingestion<E>): Promise<Answer[]> {
  if (entries.length === 0) return [];
  try {
    return await inShop(sql, shopId, (tx, position) => take(tx, { shopId, at, desk, position }, cut(entries, desk), together));
  } catch (error) {
    if (!isNotTaken(error)) throw error;
    // One of them the database would not have: found by taking each by itself.
    const single = entries.map((e) => [e]);
    return inShop(sql, shopId, (tx, position) => take(tx, { shopId, at, desk, position }, single, alone));
  }
}

interface Taking<E extends Sent> {
  shopId: string;
  at: Date;
  desk: Ingestion<E>;
  /** Of the newest entry. */
  position: number;
}

/** How a part of a batch goes in: with all others or not at all; or, by itself, in or refused. */
type Way = <E extends Sent>(tx: Tx, part: E[], work: (tx: Tx) => Promise<Answer[]>) => Promise<Answer[]>;

const together: Way = (tx, _, work) => work(tx);

/** Nothing of it stays where the database would not have it, nor what was derived from it. */
const alone: Way = async (tx, [entry], work) => {
  try {
    return (await tx.savepoint((sp) => work(sp))) as Answer[];
  } catch (error) {
    if (!isNotTaken(error)) throw error;
    return [{ id: entry!.id, status: 'refused', ...NOT_TAKEN }];
  }
};

async function take<E extends Sent>(tx: Tx, taking: Taking<E>, parts: E[][], way: Way): Promise<Answer[]> {
  const begun = taking.position;
  const answers: Answer[] = [];
  for (const part of parts) answers.push(...(await way(tx, part, (on) => takePart(on, taking, part))));
  if (taking.position > begun) await moveCursor(tx, taking.shopId, taking.position);
  return answers;
}

/** What was found good of it is on record, and the derived tables are up to it; the rest is answered and leaves nothing. */
async function takePart<E extends Sent>(tx: Tx, taking: Taking<E>, part: E[]): Promise<Answer[]> {
  const { shopId, at, desk } = taking;
  const [known, used] = await Promise.all([desk.known(tx, shopId, part), usedNumbers(tx, shopId, part)]);
  const atHand = await desk.open(tx, shopId, part, at);
  let { position } = taking;
  const good: Placed<E>[] = [];
  const recordedAt = at.toISOString();
  const answers = part.map((entry): Answer => {
    const before = known.get(entry.id);
    if (before?.isSame(entry)) return { id: entry.id, status: 'known', recordedAt: before.recordedAt };
    const refusal = before ? OTHER_CONTENT : used.has(numberOf(entry)) ? SEQ_USED : atHand.judge(entry);
    if (refusal) return { id: entry.id, status: 'refused', ...refusal };
    position += 1;
    const placed: Placed<E> = { ...entry, recordedAt, position };
    known.set(entry.id, { recordedAt, isSame: (sent) => desk.isSame(entry, sent) });
    used.add(numberOf(entry));
    atHand.take(placed);
    good.push(placed);
    return { id: entry.id, status: 'kept', recordedAt, position };
  });
  if (good.length === 0) return answers;
  await desk.insert(tx, shopId, good);
  await atHand.derive(tx, good);
  taking.position = position;
  return answers;
}

function cut<E extends Sent>(entries: E[], { isCutBefore }: Ingestion<E>): E[][] {
  const parts: E[][] = [];
  for (const entry of entries) {
    const last = parts.at(-1);
    if (last && !isCutBefore?.(entry)) last.push(entry);
    else parts.push([entry]);
  }
  return parts;
}

/** The database cannot store it (class 22), or it breaks what ties the rows together (class 23). */
function isNotTaken(error: unknown): boolean {
  const { code } = error as { code?: unknown };
  return typeof code === 'string' && /^(22|23)\w{3}$/.test(code);
}

/** An entry without a number has none that could be used. */
const numberOf = (e: Pick<Stamped, 'deviceId' | 'seq' | 'id'>): string => `${e.deviceId} ${e.seq ?? e.id}`;

async function usedNumbers(tx: Tx, shopId: string, entries: Sent[]): Promise<Set<string>> {
  const counted = entries.filter((e) => e.seq !== undefined);
  const rows = await tx<{ device_id: string; seq: number }[]>`
    select e.device_id, e.seq
    from unnest(${counted.map((e) => e.deviceId)}::uuid[], ${counted.map((e) => e.seq!)}::int[]) as asked (device_id, seq)
    join entry e on e.shop_id = ${shopId} and e.device_id = asked.device_id and e.seq = asked.seq`;
  return new Set(rows.map((r) => `${r.device_id} ${r.seq}`));
}
