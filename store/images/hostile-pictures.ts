/** Files that pass for pictures and are traps, made for tests. */
import { deflateSync } from 'node:zlib';

const CRC = Array.from({ length: 256 }, (_, n) => {
  let c = n;
  for (let k = 0; k < 8; k++) c = c & 1 ? 0xedb88320 ^ (c >>> 1) : c >>> 1;
  return c >>> 0;
});

function chunk(name: string, data: Uint8Array): Buffer {
  const out = Buffer.alloc(12 + data.length);
  out.writeUInt32BE(data.length, 0);
  out.write(name, 4, 'latin1');
  out.set(data, 8);
  const sum = out.subarray(4, 8 + data.length).reduce((c, x) => CRC[(c ^ x) & 255]! ^ (c >>> 8), 0xffffffff);
  out.writeUInt32BE((sum ^ 0xffffffff) >>> 0, 8 + data.length);
  return out;
}

interface Png {
  width: number;
  height: number;
  bits?: 1 | 8 | 16;
  /** Grey, or red, green, blue and alpha. */
  channels?: 1 | 4;
  isInterlaced?: boolean;
  /** Fewer than its height: it ends before its time. */
  rows?: number;
  more?: Buffer[];
}

/** All black: small as a file, as large as is wanted once it is unpacked. */
export function blackPng({ width, height, bits = 8, channels = 1, isInterlaced = false, rows = height, more = [] }: Png): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([bits, channels === 1 ? 0 : 6, 0, 0, isInterlaced ? 1 : 0], 8);
  // Interlaced rows each have their filter's byte, seven times over in part.
  const raw = rows * (Math.ceil((width * bits * channels) / 8) + 1) + (isInterlaced ? 4 * rows : 0);
  return Buffer.concat([
    Buffer.from('\x89PNG\r\n\x1a\n', 'latin1'),
    chunk('IHDR', head),
    ...more,
    chunk('IDAT', deflateSync(Buffer.alloc(raw))),
    chunk('IEND', Buffer.alloc(0)),
  ]);
}

/** A colour profile that is a thousand times what it is in the file. */
export const bombProfile = (): Buffer => chunk('iCCP', Buffer.concat([Buffer.from('x\0\0', 'latin1'), deflateSync(Buffer.alloc(200_000_000))]));
