/** Pictures made by an independent encoder, with what a telephone writes into them. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import sharp from 'sharp';
import { PictureError, stripped } from './strip.ts';

const WHERE = 'HILLTOP 47.1 N';
/** Noise, so that the coded data hold every byte. */
const noise = Uint8Array.from({ length: 64 * 48 * 3 }, (_, i) => (i * 7919 + (i >> 3) * 104_729) & 255);
const drawn = (progressive = false) => sharp(noise, { raw: { width: 64, height: 48, channels: 3 } }).jpeg({ quality: 92, progressive });
const notes = { IFD0: { Copyright: WHERE, Make: WHERE }, IFD3: { GPSLatitude: '47/1 6/1 0/1', GPSMapDatum: WHERE } };
const has = (bytes: Uint8Array, words: string) => Buffer.from(bytes).includes(words);
const pixels = (bytes: Uint8Array) => sharp(bytes).rotate().raw().toBuffer();

describe('a stripped picture', () => {
  for (const progressive of [false, true]) {
    it(`a ${progressive ? 'progressive' : 'plain'} JPEG is seen as before, held as before, and says nothing else`, async () => {
      const taken = await drawn(progressive).withExif(notes).withMetadata({ orientation: 6, exif: notes }).toBuffer();
      const behind = Buffer.concat([taken, Buffer.from(`a second picture, ${WHERE}`)]);
      assert.ok(has(taken, WHERE));
      const { bytes, type, width, height } = stripped(behind);
      assert.deepEqual([type, width, height], ['image/jpeg', 48, 64]);
      assert.ok(!has(bytes, WHERE));
      assert.equal((await sharp(bytes).metadata()).orientation, 6);
      assert.deepEqual(await pixels(bytes), await pixels(taken));
      assert.deepEqual(stripped(bytes).bytes, bytes);
    });
  }

  it('a comment, and notes of other programs, go; what the colours need stays', async () => {
    const plain = await drawn().withMetadata({ icc: 'p3' }).toBuffer();
    const segment = (marker: number, words: string) => Buffer.concat([Buffer.from([0xff, marker, 0, words.length + 2]), Buffer.from(words)]);
    const told = Buffer.concat([
      plain.subarray(0, 2),
      segment(0xfe, WHERE),
      segment(0xed, `Editor ${WHERE}`),
      segment(0xe1, `http://ns.example.com/notes ${WHERE}`),
      plain.subarray(2),
    ]);
    const { bytes } = stripped(told);
    assert.ok(!has(bytes, WHERE));
    assert.ok((await sharp(bytes).metadata()).icc);
  });

  it('a PNG loses its words and notes, not its pixels', async () => {
    const plain = await sharp(noise, { raw: { width: 64, height: 48, channels: 3 } })
      .png()
      .withExif(notes)
      .toBuffer();
    const { bytes, type, width, height } = stripped(Buffer.concat([plain, Buffer.from(WHERE)]));
    assert.deepEqual([type, width, height], ['image/png', 64, 48]);
    assert.ok(has(plain, WHERE) && !has(bytes, WHERE));
    assert.deepEqual(await pixels(bytes), await pixels(plain));
  });

  for (const [name, lossless] of [
    ['lossy', false],
    ['lossless', true],
  ] as const) {
    it(`a ${name} WebP too`, async () => {
      const base = sharp(noise, { raw: { width: 64, height: 48, channels: 3 } });
      const plain = await base.clone().webp({ lossless }).toBuffer();
      const told = await base.clone().webp({ lossless }).withExif(notes).toBuffer();
      for (const one of [plain, told]) {
        const { bytes, type, width, height } = stripped(one);
        assert.deepEqual([type, width, height], ['image/webp', 64, 48]);
        assert.ok(!has(bytes, WHERE));
        assert.deepEqual(await pixels(bytes), await pixels(one));
        assert.equal((await sharp(bytes).metadata()).exif, undefined);
      }
      assert.ok(has(told, WHERE));
    });
  }
});

describe('what is no whole picture', () => {
  it('is refused in words, whatever it is', async () => {
    assert.throws(() => stripped(Buffer.from('%PDF-1.7')), PictureError);
    assert.throws(() => stripped(new Uint8Array()), PictureError);
    const whole = [
      await drawn().toBuffer(),
      await sharp(noise, { raw: { width: 64, height: 48, channels: 3 } })
        .png()
        .toBuffer(),
      await sharp(noise, { raw: { width: 64, height: 48, channels: 3 } })
        .webp()
        .toBuffer(),
    ];
    for (const picture of whole) {
      fc.assert(
        fc.property(fc.integer({ min: 0, max: picture.length - 2 }), (length) => {
          assert.throws(() => stripped(picture.subarray(0, length)), PictureError);
        }),
        { numRuns: 200 },
      );
      fc.assert(
        fc.property(fc.integer({ min: 3, max: picture.length - 1 }), fc.integer({ min: 0, max: 255 }), (at, byte) => {
          const spoilt = Uint8Array.from(picture);
          spoilt[at] = byte;
          try {
            stripped(spoilt);
          } catch (error) {
            assert.ok(error instanceof PictureError, String(error));
          }
        }),
        { numRuns: 500 },
      );
    }
  });
});
