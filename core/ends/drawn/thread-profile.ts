/** Sections of threads cut into a body: males and rigid female ports. */
import type { End, SocketEnd, ThreadEnd } from '../code.ts';
import type { ThreadFamily } from '../tables/threads.ts';
import type { EndProfile, Point, SectionMaterial } from './piece.ts';

/** Engaged length of a made joint by family, inches (typical); drawn as whole pitches so that the teeth interlock. */
const ENGAGED_IN: Record<ThreadFamily, number> = {
  comp: 0.27,
  flare: 0.3,
  npt: 0.42,
  npsm: 0.38,
  bc: 0.38,
  ght: 0.37,
  aer: 0.22,
  g: 0.38,
  m: 0.28,
};

const BODY_IN = 0.26;
const WALL_IN = 0.085;

/** Depth of a tube in a compression body, inches: up to its stop. */
export const FERRULE_DEPTH_IN = 0.3;
/** The engaged length in whole pitches, inches. */
export function engagedIn(end: ThreadEnd): number {
  const pitch = 1 / end.thread.threadsPerIn;
  return Math.max(2, Math.round(ENGAGED_IN[end.family] / pitch)) * pitch;
}

/** Height of the thread's teeth, inches: 0.6134 p for 60 degrees (truncated V), 0.6403 p for the Whitworth form. */
export function toothIn(end: ThreadEnd): number {
  return (end.thread.includedAngleDeg === 55 ? 0.6403 : 0.6134) / end.thread.threadsPerIn;
}

/**
 * Crest line of a thread along the axis: `count` teeth from x = 0 toward the body, starting in the middle of a crest.
 *
 * @param majorRadius radius of the male crest (and of the female root) at a place x <= 0
 */
export function teeth(end: ThreadEnd, count: number, majorRadius: (x: number) => number): Point[] {
  const pitch = 1 / end.thread.threadsPerIn;
  const height = toothIn(end);
  const flank = height * Math.tan(((end.thread.includedAngleDeg / 2) * Math.PI) / 180);
  const flat = (pitch - 2 * flank) / 4;
  const out: Point[] = [];
  for (let i = 0; i < count; i++) {
    const x = -i * pitch;
    const at = (dx: number, down: number) => out.push([x - dx, majorRadius(x - dx) - down]);
    at(flat, 0);
    at(flat + flank, height);
    at(pitch - flat - flank, height);
    at(pitch - flat, 0);
  }
  return out;
}

/** Radius of the male crest: a taper thread's small end is at the opening and it grows by 1/32 in of radius per inch. */
function crestRadius(end: ThreadEnd): (x: number) => number {
  const nominal = end.thread.externalMajorIn / 2;
  if (!end.thread.tapered) return () => nominal;
  const small = end.thread.externalCrestMinIn / 2;
  return (x) => small - x / 32;
}

/** Outside diameter of the tube a compression or flare body is named for, inches. */
export function sizeIn(end: End): number {
  const [top, bottom] = end.size.split('/').map(Number);
  return (top as number) / (bottom ?? 1);
}

export function boreRadius(end: ThreadEnd): number {
  if (end.family === 'comp' || end.family === 'flare') return Math.max(0.05, sizeIn(end) / 2 - 0.045);
  return Math.max(0.05, end.thread.externalMajorIn / 2 - toothIn(end) - WALL_IN);
}

export const madeOf = (end: ThreadEnd | SocketEnd): SectionMaterial => (end.material === 'plastic' ? 'plastic' : 'brass');

export function maleProfile(end: ThreadEnd): EndProfile {
  const pitch = 1 / end.thread.threadsPerIn;
  const depthIn = engagedIn(end);
  const count = Math.round(depthIn / pitch) + 2;
  const threaded = count * pitch;
  const crest = crestRadius(end);
  const bore = boreRadius(end);
  const body = crest(-threaded) + 0.045;
  const length = threaded + BODY_IN;
  const mouth: Point[] =
    end.family === 'comp'
      ? compressionMouth(sizeIn(end) / 2, bore, length)
      : [
          [0, bore],
          [-length, bore],
        ];
  return {
    outer: [[0, crest(0) - toothIn(end)], ...teeth(end, count, crest), [-threaded, body], [-length, body]],
    inner: mouth,
    lengthIn: length,
    boreRadiusIn: bore,
    bodyRadiusIn: body,
    depthIn,
    material: madeOf(end),
    extra: [],
  };
}

/** A compression body is countersunk for the ferrule and bored to the tube's outside down to a stop. */
function compressionMouth(tubeRadius: number, bore: number, length: number): Point[] {
  return [
    [0, tubeRadius + 0.03],
    [-0.07, tubeRadius + 0.004],
    [-FERRULE_DEPTH_IN, tubeRadius + 0.004],
    [-FERRULE_DEPTH_IN, bore],
    [-length, bore],
  ];
}

/** A rigid female port: the thread is cut into the body itself. */
export function portProfile(end: ThreadEnd): EndProfile {
  const pitch = 1 / end.thread.threadsPerIn;
  const depthIn = engagedIn(end);
  const count = Math.round(depthIn / pitch) + 1;
  const threaded = count * pitch;
  const major = crestRadius(end);
  const mouthRadius = end.thread.externalMajorIn / 2;
  const root = (x: number) => mouthRadius + (major(x) - major(0)) * -1;
  const body = mouthRadius + WALL_IN;
  const bore = boreRadius(end);
  const length = threaded + 0.08;
  return {
    outer: [
      [0, body],
      [-length, body],
    ],
    inner: [[0, mouthRadius], ...teeth(end, count, end.thread.tapered ? root : () => mouthRadius), [-threaded, bore], [-length, bore]],
    lengthIn: length,
    boreRadiusIn: bore,
    bodyRadiusIn: body,
    depthIn,
    material: madeOf(end),
    extra: [],
  };
}
