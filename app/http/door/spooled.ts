/** A body that is too large to be held: laid down as a file while it is read, and gone afterwards. */
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { BodyError, NOT_UTF8, TooLargeError } from './guard.ts';

/** Largest file of a whole shop, bytes. */
export const MAX_SHOP_FILE = 8_000_000_000;
/** Largest file of a book, bytes: it is held while it is read. */
export const MAX_BOOK_FILE = 200_000_000;

/** A body in another encoding is not turned into question marks. */
async function refuseOther(path: string): Promise<void> {
  const decoder = new TextDecoder('utf-8', { fatal: true });
  try {
    for await (const chunk of createReadStream(path)) decoder.decode(chunk as Buffer, { stream: true });
    decoder.decode();
  } catch (error) {
    if (error instanceof TypeError) throw new BodyError(400, NOT_UTF8);
    throw error;
  }
}

const PREFIX = 'brass-nut-body-';
/** Of this program, and of those before, which did not say whose they were. */
const LEFT = /^brass-nut-(?:body-(\d+)-)?[A-Za-z0-9]{6}$/;

/** Removes bodies that a process left which was ended by force. */
export async function forgetLeftBodies(): Promise<void> {
  for (const name of await readdir(tmpdir())) {
    const found = LEFT.exec(name);
    if (!found || (found[1] !== undefined && lives(Number(found[1])))) continue;
    await rm(join(tmpdir(), name), { recursive: true, force: true });
  }
}

function lives(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM';
  }
}

/**
 * Has a body's lines read from a file, as often as wanted.
 *
 * @throws TooLargeError, and whatever `work` throws
 */
export async function spooled<T>(request: Request, work: (lines: () => AsyncIterable<string>) => Promise<T>, limit = MAX_SHOP_FILE): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), `${PREFIX}${process.pid}-`));
  const path = join(folder, 'body');
  try {
    let size = 0;
    const measured = new Transform({
      transform(chunk: Buffer, _, done) {
        size += chunk.byteLength;
        done(size > limit ? new TooLargeError(limit) : null, chunk);
      },
    });
    await pipeline(request.body ? Readable.fromWeb(request.body as never) : Readable.from([]), measured, createWriteStream(path));
    await refuseOther(path);
    return await work(() => createInterface({ input: createReadStream(path, 'utf8'), crlfDelay: Number.POSITIVE_INFINITY }));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
