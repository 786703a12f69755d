/** Pictures in pieces: lost answers, broken lines, two devices, what is no picture. */
import assert from 'node:assert/strict';
import { createHash, randomBytes } from 'node:crypto';
import { after, before, describe, it } from 'node:test';
import { gzipSync } from 'node:zlib';
import sharp from 'sharp';
import { v7 as uuidv7 } from 'uuid';
import { PictureError } from '../../record/picture/strip.ts';
import type { KeptPicture } from '../../sync/device-schema.ts';
import { pushPictures, type SendPiece } from '../../sync/push-pictures.ts';
import { FIRST_SHOP } from '../database/connection.ts';
import { beginShop } from '../shops.ts';
import { type TestDatabase, testDatabase } from '../testing.ts';
import { blackPng, bombProfile } from './hostile-pictures.ts';
import { forgetOldPieces, PieceError, pictureOf, takePiece } from './pictures.ts';

const AT = new Date('2026-03-10T12:00:00Z');
let db: TestDatabase;
before(async () => {
  db = await testDatabase();
});
after(() => db.end());

const sha = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');
/** Of some 1.5 MB, each with its own noise. */
async function taken(more: (s: sharp.Sharp) => sharp.Sharp = (s) => s.png()): Promise<Buffer> {
  return more(sharp(randomBytes(700 * 700 * 3), { raw: { width: 700, height: 700, channels: 3 } })).toBuffer();
}
const piece = (content: Uint8Array, at: number, to: number, id = sha(content)) =>
  takePiece(db.sql, FIRST_SHOP, { id, at, size: content.length, content: content.subarray(at, to) }, AT);

/** The pictures of a device in memory, and a line to the store that breaks as told. */
function device(pictures: Buffer[]) {
  const kept: KeptPicture[] = pictures.map((p) => ({
    id: sha(p),
    type: 'image/png',
    size: p.length,
    content: new Uint8Array(p).buffer,
    small: null,
    have: 0,
    status: 'waiting',
  }));
  return {
    kept,
    outbox: {
      next: async () => kept.find((p) => p.status === 'waiting'),
      change: async (id: string, change: Partial<KeptPicture>) => void Object.assign(kept.find((p) => p.id === id)!, change),
    },
  };
}
const line =
  (breaks: (n: number) => 'before' | 'after' | null): SendPiece =>
  async (id, at, size, content) => {
    n += 1;
    const how = breaks(n);
    if (how === 'before') return null;
    try {
      const said = await takePiece(db.sql, FIRST_SHOP, { id, at, size, content: new Uint8Array(content) }, AT);
      return how === 'after' ? null : { status: 200, text: JSON.stringify(said) };
    } catch (error) {
      if (error instanceof PieceError) return { status: 409, text: JSON.stringify({ type: '/problems/other-piece', have: error.have }) };
      if (error instanceof PictureError) return { status: 422, text: JSON.stringify({ type: '/problems/picture', detail: error.message }) };
      throw error;
    }
  };
let n = 0;

describe('a picture in pieces', () => {
  it('comes whole over a line that breaks before and after every other piece', async () => {
    const two = [await taken(), await taken()];
    const phone = device(two);
    const send = line((i) => (i % 4 === 1 ? 'before' : i % 4 === 3 ? 'after' : null));
    let rounds = 0;
    while ((await pushPictures(phone.outbox, send)).state === 'later') assert.ok(++rounds < 60);
    assert.ok(rounds > 4);
    assert.deepEqual(
      phone.kept.map((p) => [p.status, p.content]),
      [
        ['sent', null],
        ['sent', null],
      ],
    );
    for (const picture of two) {
      const whole = await pictureOf(db.sql, FIRST_SHOP, sha(picture), false);
      assert.deepEqual([whole?.type, sha(whole!.content)], ['image/png', sha(picture)]);
      const small = await sharp((await pictureOf(db.sql, FIRST_SHOP, sha(picture), true))!.content).metadata();
      assert.deepEqual([small.format, small.width], ['webp', 480]);
    }
    assert.equal((await db.sql`select 1 from picture_piece`).length, 0);
  });

  it('is taken once, whichever of two devices ends it; another shop has it not', async () => {
    const picture = await taken();
    await piece(picture, 0, 300_000);
    await assert.rejects(piece(picture, 0, 200_000), (e) => e instanceof PieceError && e.have === 300_000);
    assert.deepEqual(await piece(picture, 300_000, picture.length), { have: picture.length, isWhole: true });
    assert.deepEqual(await piece(picture, 0, 200_000), { have: picture.length, isWhole: true });
    const other = uuidv7();
    await beginShop(db.sql, other, AT);
    assert.equal(await pictureOf(db.sql, other, sha(picture), false), null);
  });

  it('loses where it was taken before it is kept, and is held as it was', async () => {
    const where = 'HILLTOP 47.1 N';
    const picture = await taken((s) =>
      s
        .resize(300, 200, { fit: 'fill' })
        .jpeg()
        .withMetadata({ orientation: 6, exif: { IFD0: { Copyright: where } } }),
    );
    assert.ok(picture.includes(where));
    await piece(picture, 0, picture.length);
    const kept = (await pictureOf(db.sql, FIRST_SHOP, sha(picture), false))!;
    assert.ok(!kept.content.includes(where));
    const small = await sharp((await pictureOf(db.sql, FIRST_SHOP, sha(picture), true))!.content).metadata();
    assert.deepEqual([small.width, small.height], [200, 300]);
  });

  it('another content than its name, no picture at all, or too large a one is refused, and nothing of it stays', async () => {
    const picture = await taken();
    await assert.rejects(piece(picture, 0, picture.length, sha(Buffer.from('another'))), PictureError);
    const words = Buffer.from('no picture');
    await assert.rejects(piece(words, 0, words.length), PictureError);
    await assert.rejects(takePiece(db.sql, FIRST_SHOP, { id: sha(words), at: 0, size: 12_000_001, content: words }, AT), /12 MB/);
    const phone = device([words]);
    assert.equal(
      (
        await pushPictures(
          phone.outbox,
          line(() => null),
        )
      ).state,
      'all sent',
    );
    assert.equal(phone.kept[0]!.status, 'refused');
    assert.match(phone.kept[0]!.why!, /no picture/);
  });

  it('that is a trap is refused in words, and takes little room while it is looked at', async () => {
    const before = process.memoryUsage().rss;
    let most = before;
    const watching = setInterval(() => {
      most = Math.max(most, process.memoryUsage().rss);
    }, 5);
    const whole = (bytes: Buffer) => piece(bytes, 0, bytes.length);
    const words = async (bytes: Buffer) =>
      whole(bytes).then(
        () => assert.fail('taken'),
        (e: Error) => (e instanceof PictureError ? e.message : assert.fail(String(e))),
      );
    assert.match(await words(blackPng({ width: 30_000, height: 30_000, bits: 1 })), /30000 by 30000 pixels/);
    assert.match(await words(blackPng({ width: 50_000_001, height: 1, bits: 1 })), /pixels/);
    assert.match(await words(blackPng({ width: 40, height: 30, more: [bombProfile()] })), /cannot be drawn/);
    const cut = await taken();
    assert.match(await words(cut.subarray(0, cut.length - 20_000)), /ends before it should/);
    // Whole by its pieces, but its rows end early.
    assert.match(await words(blackPng({ width: 400, height: 300, rows: 20 })), /cannot be drawn/);
    assert.match(await words(Buffer.from('<script>alert(1)</script>')), /no picture/);
    assert.match(await words(gzipSync(Buffer.alloc(50_000_000))), /no picture/);
    // Two large ones at once, the costliest way that they can be coded.
    await Promise.all([1, 2].map((n) => whole(blackPng({ width: 5000, height: 5000 + n, bits: 16, channels: 4, isInterlaced: true }))));
    clearInterval(watching);
    assert.ok(most - before < 600e6, `${Math.round((most - before) / 1e6)} MB more`);
    assert.equal((await db.sql`select 1 from picture_piece`).length, 0);
  });

  it('begun and never ended it is forgotten after a month; a kept one is never changed', async () => {
    const picture = await taken();
    await piece(picture, 0, 100_000);
    await forgetOldPieces(db.sql, new Date(AT.getTime() + 29 * 86_400_000));
    await assert.rejects(piece(picture, 0, 100_000), PieceError);
    await forgetOldPieces(db.sql, new Date(AT.getTime() + 31 * 86_400_000));
    assert.equal((await piece(picture, 0, 100_000)).have, 100_000);
    await assert.rejects(db.owner`update picture set type = 'image/webp'`);
    await assert.rejects(db.owner`delete from picture`);
  });
});
