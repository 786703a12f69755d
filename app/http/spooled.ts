/** A body that is too large to be held: laid down as a file while it is read, and gone afterwards. */
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createInterface } from 'node:readline';
import { Readable, Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { TooLargeError } from './guard.ts';

/** Largest file of a whole shop, bytes. */
export const MAX_SHOP_FILE = 8_000_000_000;

/**
 * Has a body's lines read from a file, as often as wanted.
 *
 * @throws TooLargeError, and whatever `work` throws
 */
export async function spooled<T>(request: Request, work: (lines: () => AsyncIterable<string>) => Promise<T>, limit = MAX_SHOP_FILE): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'brass-nut-'));
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
    return await work(() => createInterface({ input: createReadStream(path, 'utf8'), crlfDelay: Number.POSITIVE_INFINITY }));
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
