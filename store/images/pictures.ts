/** Pictures by their content: taken in pieces, each once, stripped of what they do not show, with a small one beside it. */
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { MOST_BYTES, PictureError, stripped } from '../../record/index.ts';
import type { Sql, Tx } from '../database/index.ts';

/** Longer side of a small picture, pixels. */
const SMALL_PX = 480;
/** What was begun and never ended is forgotten after so long, days. */
const FORGOTTEN_DAYS = 30;

/** A piece that does not follow on what is here. */
export class PieceError extends Error {
  override readonly name = 'PieceError';
  constructor(
    /** Bytes that are here: the next piece begins there. */
    readonly have: number,
  ) {
    super(`The next piece begins at byte ${have}.`);
  }
}

export interface Piece {
  /** SHA-256 of the whole. */
  id: string;
  /** Byte of the whole at which it begins. */
  at: number;
  /** Bytes of the whole. */
  size: number;
  content: Uint8Array;
}

/** Bytes of a picture that are here; all of them once it is whole. */
export async function takePiece(sql: Sql, shopId: string, piece: Piece, now: Date): Promise<{ have: number; isWhole: boolean }> {
  const { id, size } = piece;
  if (size > MOST_BYTES) throw new PictureError(`That is more than ${MOST_BYTES / 1_000_000} MB: take it smaller.`);
  const put = await withPicture(sql, shopId, id, (tx) => putPiece(tx, shopId, piece, now));
  if (put.state !== 'all here') return { have: put.have, isWhole: put.state === 'kept' };
  // Drawing takes a while, and may wait for another: nothing is locked meanwhile.
  const whole = await drawn(id, put.sent).catch(async (error) => {
    // A refused whole leaves nothing: it can be sent anew.
    if (error instanceof PictureError) await sql`delete from picture_piece where shop_id = ${shopId} and picture_id = ${id}`;
    throw error;
  });
  await withPicture(sql, shopId, id, (tx) => keepWhole(tx, shopId, id, whole, now));
  return { have: size, isWhole: true };
}

/** One at a time for a picture. */
const withPicture = <T>(sql: Sql, shopId: string, id: string, work: (tx: Tx) => Promise<T>): Promise<T> =>
  sql.begin(async (tx) => {
    await tx`select pg_advisory_xact_lock(hashtext(${`picture ${shopId} ${id}`}))`;
    return work(tx);
  }) as Promise<T>;

type Put = { state: 'kept' | 'begun'; have: number } | { state: 'all here'; sent: Buffer };

async function putPiece(tx: Tx, shopId: string, { id, at, size, content }: Piece, now: Date): Promise<Put> {
  const [there] = await tx`select 1 from picture where shop_id = ${shopId} and picture_id = ${id}`;
  if (there) return { state: 'kept', have: size };
  const have = await bytesHere(tx, shopId, id);
  // All had come, and the drawing was cut off.
  const isLast = have === size && at + content.length === size;
  if (!isLast && (at !== have || at + content.length > size)) throw new PieceError(have);
  if (!isLast && content.length > 0) {
    await tx`insert into picture_piece ${tx({ shop_id: shopId, picture_id: id, begins: at, content: Buffer.from(content), kept_at: now })}`;
  }
  if (at + content.length < size) return { state: 'begun', have: at + content.length };
  const pieces = await tx<{ content: Buffer }[]>`
    select content from picture_piece where shop_id = ${shopId} and picture_id = ${id} order by begins`;
  return { state: 'all here', sent: Buffer.concat(pieces.map((p) => p.content)) };
}

async function bytesHere(tx: Tx, shopId: string, id: string): Promise<number> {
  const [row] = await tx<{ have: string | null }[]>`
    select max(begins + length(content)) as have from picture_piece where shop_id = ${shopId} and picture_id = ${id}`;
  return Number(row?.have ?? 0);
}

interface Whole extends ReturnType<typeof stripped> {
  thumbnail: Buffer;
}

/** @throws PictureError for what is not the picture that was named, or is none */
async function drawn(id: string, sent: Buffer): Promise<Whole> {
  if (createHash('sha256').update(sent).digest('hex') !== id)
    throw new PictureError('What came is not the picture that was named: its SHA-256 is another.');
  const whole = stripped(sent);
  return { ...whole, thumbnail: await smallOf(whole.bytes) };
}

async function keepWhole(tx: Tx, shopId: string, id: string, { type, width, height, bytes, thumbnail }: Whole, now: Date): Promise<void> {
  await tx`delete from picture_piece where shop_id = ${shopId} and picture_id = ${id}`;
  const row = { shop_id: shopId, picture_id: id, type, width, height, content: Buffer.from(bytes), thumbnail, kept_at: now };
  await tx`insert into picture ${tx(row)} on conflict (shop_id, picture_id) do nothing`;
}

let drawing: Promise<unknown> = Promise.resolve();

/**
 * One after the other: one that is coded to be drawn whole, not line by line, takes some 400 MB at the most pixels that are taken.
 *
 * @throws PictureError for what cannot be drawn
 */
function smallOf(bytes: Uint8Array): Promise<Buffer> {
  const next = drawing.then(() => drawSmall(bytes));
  drawing = next.catch(() => {});
  return next;
}

async function drawSmall(bytes: Uint8Array): Promise<Buffer> {
  try {
    return await sharp(bytes).rotate().resize(SMALL_PX, SMALL_PX, { fit: 'inside', withoutEnlargement: true }).webp({ quality: 78 }).toBuffer();
  } catch {
    throw new PictureError('The picture cannot be drawn: it is damaged, or too large. Take it again.');
  }
}

/** Pieces of pictures that never became whole. */
export async function forgetOldPieces(sql: Sql, now: Date): Promise<void> {
  await sql`delete from picture_piece where kept_at < ${new Date(now.getTime() - FORGOTTEN_DAYS * 86_400_000)}`;
}

/** @returns null where it is not here, or not yet */
export async function pictureOf(sql: Sql, shopId: string, id: string, isSmall: boolean): Promise<{ type: string; content: Buffer } | null> {
  const column = isSmall ? sql`'image/webp' as type, thumbnail as content` : sql`type, content`;
  const [row] = await sql<{ type: string; content: Buffer }[]>`select ${column} from picture where shop_id = ${shopId} and picture_id = ${id}`;
  return row ?? null;
}
