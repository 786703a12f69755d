/**
 * A picture without what it does not show: where and when it was taken, by which device, previews, and whatever hangs on behind it. What is seen is left
 * as it was, byte for byte; of a JPEG the way it is held is kept too. Used before a picture leaves a device, and again where it comes in.
 *
 * Sources: JPEG: ITU-T T.81, annex B; Exif 2.32; PNG: ISO/IEC 15948, chapter 5 and 11; WebP: its container specification.
 */
export type PictureType = 'image/jpeg' | 'image/png' | 'image/webp';

export interface Stripped {
  type: PictureType;
  /** As it is held, pixels. */
  width: number;
  height: number;
  bytes: Uint8Array;
}

/** It is no picture that is taken, in words for a person. */
export class PictureError extends Error {
  override readonly name = 'PictureError';
}

/** More than any camera of a telephone writes into 12 MB: a file that claims more is a trap for whoever draws it. */
const MOST_PIXELS = 50_000_000;
const DAMAGED = 'The picture is damaged: it ends before it should. Take it again.';

/** @throws PictureError for what is no whole JPEG, PNG or WebP, or is too large to be drawn */
export function stripped(bytes: Uint8Array): Stripped {
  const read = READERS.find((r) => r.is(bytes));
  if (!read) throw new PictureError('That is no picture in JPEG, PNG or WebP. Choose or take another.');
  const picture = readWhole(read, bytes);
  const { width, height } = picture;
  if (width * height > MOST_PIXELS) throw new PictureError(`That picture is ${width} by ${height} pixels: more than is drawn here. Take it smaller.`);
  return picture;
}

function readWhole(read: (typeof READERS)[number], bytes: Uint8Array): Stripped {
  try {
    return read.strip(bytes);
  } catch (error) {
    // Read past its end.
    if (error instanceof RangeError) throw new PictureError(DAMAGED);
    throw error;
  }
}

const view = (bytes: Uint8Array) => new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
const text = (bytes: Uint8Array, at: number, length: number): string => String.fromCharCode(...bytes.subarray(at, at + length));

function joined(pieces: Uint8Array[]): Uint8Array {
  const all = new Uint8Array(pieces.reduce((sum, p) => sum + p.length, 0));
  let at = 0;
  for (const piece of pieces) {
    all.set(piece, at);
    at += piece.length;
  }
  return all;
}

/** A piece that must be there whole. */
function slice(bytes: Uint8Array, from: number, to: number): Uint8Array {
  if (to > bytes.length || to < from) throw new PictureError(DAMAGED);
  return bytes.subarray(from, to);
}

const SOS = 0xda;
const EOI = 0xd9;
const APP0 = 0xe0;
const APP1 = 0xe1;
const APP2 = 0xe2;
const APP14 = 0xee;
const COMMENT = 0xfe;
const isFrame = (marker: number) => marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
const hasNoLength = (marker: number) => marker === 0x01 || (marker >= 0xd0 && marker <= 0xd8);

function stripJpeg(bytes: Uint8Array): Stripped {
  const data = view(bytes);
  const kept: Uint8Array[] = [];
  let size: [number, number] | null = null;
  let held = 1;
  let at = 2;
  for (;;) {
    if (data.getUint8(at) !== 0xff) throw new PictureError(DAMAGED);
    while (data.getUint8(at + 1) === 0xff) at += 1;
    const marker = data.getUint8(at + 1);
    if (marker === EOI) break;
    if (hasNoLength(marker)) {
      kept.push(slice(bytes, at, at + 2));
      at += 2;
      continue;
    }
    const end = at + 2 + data.getUint16(at + 2);
    const segment = slice(bytes, at, end);
    if (marker === APP1 && text(bytes, at + 4, 4) === 'Exif') held = orientationOf(segment.subarray(10)) ?? held;
    if (isFrame(marker)) size = [data.getUint16(at + 7), data.getUint16(at + 5)];
    if (isSeen(marker, segment)) kept.push(segment);
    at = end;
    if (marker === SOS) {
      const from = at;
      at = endOfScan(bytes, at);
      kept.push(slice(bytes, from, at));
    }
  }
  if (!size || size[0] === 0 || size[1] === 0) throw new PictureError(DAMAGED);
  const [width, height] = held >= 5 ? [size[1], size[0]] : size;
  const start = Uint8Array.of(0xff, 0xd8);
  // What a reader must know of how to hold it stands first, and nothing else of what the camera wrote.
  const head = held === 1 ? [start] : [start, orientation(held)];
  return { type: 'image/jpeg', width, height, bytes: joined([...head, ...kept, Uint8Array.of(0xff, EOI)]) };
}

/** Of what a program adds only what changes the colours. */
function isSeen(marker: number, segment: Uint8Array): boolean {
  if (marker === APP0) return text(segment, 4, 4) === 'JFIF';
  if (marker === APP2) return text(segment, 4, 11) === 'ICC_PROFILE';
  if (marker === COMMENT) return false;
  return marker < APP0 || marker > 0xef || marker === APP14;
}

/** Coded data ends at the next marker that is none of its own. */
function endOfScan(bytes: Uint8Array, from: number): number {
  for (let at = bytes.indexOf(0xff, from); at !== -1; at = bytes.indexOf(0xff, at + 1)) {
    const next = bytes[at + 1];
    if (next !== 0 && next !== 0xff && next !== undefined && !(next >= 0xd0 && next <= 0xd7)) return at;
  }
  throw new PictureError(DAMAGED);
}

/** How the picture is held, 1 to 8, from the first directory of a camera's notes; null where they do not say. */
function orientationOf(tiff: Uint8Array): number | null {
  try {
    const data = view(tiff);
    const isLittle = text(tiff, 0, 2) === 'II';
    const at = data.getUint32(4, isLittle);
    for (let i = 0; i < data.getUint16(at, isLittle); i++) {
      const entry = at + 2 + i * 12;
      if (data.getUint16(entry, isLittle) !== 0x0112) continue;
      const held = data.getUint16(entry + 8, isLittle);
      return held >= 1 && held <= 8 ? held : null;
    }
  } catch {
    // Notes that do not read say nothing.
  }
  return null;
}

/** Notes that say nothing but how it is held. */
const orientation = (held: number): Uint8Array =>
  Uint8Array.of(
    0xff,
    APP1,
    0,
    34,
    0x45,
    0x78,
    0x69,
    0x66,
    0,
    0,
    0x4d,
    0x4d,
    0,
    42,
    0,
    0,
    0,
    8,
    0,
    1,
    1,
    0x12,
    0,
    3,
    0,
    0,
    0,
    1,
    0,
    held,
    0,
    0,
    0,
    0,
    0,
    0,
  );

/** Beside those that must be there (a capital first) what changes how it looks. */
const PNG_KEPT = new Set(['tRNS', 'gAMA', 'cHRM', 'sRGB', 'iCCP', 'sBIT', 'bKGD', 'pHYs', 'acTL', 'fcTL', 'fdAT']);

function stripPng(bytes: Uint8Array): Stripped {
  const data = view(bytes);
  const kept = [slice(bytes, 0, 8)];
  for (let at = 8, name = ''; name !== 'IEND'; ) {
    const end = at + 12 + data.getUint32(at);
    name = text(slice(bytes, at, end), 4, 4);
    if (/^[A-Z]/.test(name) || PNG_KEPT.has(name)) kept.push(bytes.subarray(at, end));
    at = end;
  }
  return { type: 'image/png', width: data.getUint32(16), height: data.getUint32(20), bytes: joined(kept) };
}

const WEBP_KEPT = new Set(['VP8 ', 'VP8L', 'VP8X', 'ALPH', 'ANIM', 'ANMF', 'ICCP']);
/** Bits of its first chunk that say there are notes. */
const WEBP_NOTES = 0b0000_1100;

function stripWebp(bytes: Uint8Array): Stripped {
  const data = view(bytes);
  const whole = 8 + data.getUint32(4, true);
  const kept: Uint8Array[] = [];
  let size: [number, number] | null = null;
  for (let at = 12; at < whole; ) {
    const name = text(bytes, at, 4);
    const length = data.getUint32(at + 4, true);
    const end = at + 8 + length + (length % 2);
    const chunk = slice(bytes, at, end).slice();
    if (name === 'VP8X') chunk[8] = chunk[8]! & ~WEBP_NOTES;
    size ??= webpSize(name, view(chunk));
    if (WEBP_KEPT.has(name)) kept.push(chunk);
    at = end;
  }
  if (!size) throw new PictureError(DAMAGED);
  const body = joined(kept);
  const head = slice(bytes, 0, 12).slice();
  view(head).setUint32(4, body.length + 4, true);
  return { type: 'image/webp', width: size[0], height: size[1], bytes: joined([head, body]) };
}

function webpSize(name: string, chunk: DataView): [number, number] | null {
  if (name === 'VP8X') return [1 + (chunk.getUint32(12, true) & 0xffffff), 1 + (chunk.getUint32(14, true) >>> 8)];
  if (name === 'VP8 ') return [chunk.getUint16(14, true) & 0x3fff, chunk.getUint16(16, true) & 0x3fff];
  if (name !== 'VP8L') return null;
  const bits = chunk.getUint32(9, true);
  return [1 + (bits & 0x3fff), 1 + ((bits >>> 14) & 0x3fff)];
}

const READERS: { is: (bytes: Uint8Array) => boolean; strip: (bytes: Uint8Array) => Stripped }[] = [
  { is: (b) => b[0] === 0xff && b[1] === 0xd8 && b[2] === 0xff, strip: stripJpeg },
  { is: (b) => text(b, 0, 8) === '\x89PNG\r\n\x1a\n', strip: stripPng },
  { is: (b) => text(b, 0, 4) === 'RIFF' && text(b, 8, 4) === 'WEBP', strip: stripWebp },
];
