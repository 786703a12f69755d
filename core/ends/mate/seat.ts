import { type EndCode, parseEnd } from '../code.ts';
import type { ThreadFamily } from '../tables/threads.ts';

const THREAD_SEATS: Record<ThreadFamily, [male: string, female: string]> = {
  comp: ['takes tube with nut and ferrule, or a nut with its own rubber', 'swivel nut, seals by its own rubber'],
  flare: ['45 degree flare seat', 'nut over flared tube'],
  npt: ['seals on its taper thread; its flat end takes a washer nut', 'seals on its taper thread'],
  npsm: ['flat end or cone inside, for a washer', 'swivel nut, seals by its own washer'],
  bc: ['shank, for a washer or a cone', 'nut, seals by its own washer'],
  ght: ['flat face, for a hose washer', 'swivel nut, seals by its own washer'],
  aer: ['aerator with its washer', 'aerator with its washer'],
  g: ['flat face, for a washer', 'swivel nut, seals by its own washer'],
  m: ['flat face or O-ring', 'flat face or port for an O-ring'],
};

/**
 * How an end seals, in words: no end is spoken of without it, for one thread may carry several seats.
 *
 * @throws EndCodeError for a code that does not read
 */
export function endSeat(code: EndCode): string {
  const end = parseEnd(code);
  if (end.kind === 'tube') return 'plain tube: whatever grips it seals on its outside';
  if (end.kind === 'thread') {
    if (end.family === 'm' && (end.size === '8x1' || end.size === '10x1'))
      return end.gender === 'm' ? 'hose tail, seals by its O-ring' : 'port for a hose tail with an O-ring';
    return THREAD_SEATS[end.family][end.gender === 'm' ? 0 : 1];
  }
  const sockets = {
    ptc: 'O-ring and grab ring inside',
    cup: 'solder',
    crimp: 'crimp or clamp ring over the tube',
    expand: 'expanded tube and its ring',
    nose: 'cone washer',
  };
  return sockets[end.family];
}
