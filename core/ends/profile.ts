import type { End, SocketEnd, ThreadEnd, TubeEnd } from './code.ts';
import type { ThreadFamily } from './threads.ts';

/** x along the axis (opening at 0, body at x < 0), y the radius; inches. */
export type Point = [x: number, y: number];

export type SectionMaterial = 'brass' | 'plastic' | 'rubber' | 'braid' | 'copper' | 'tube' | 'steel';

export interface Piece {
  points: Point[];
  material: SectionMaterial;
}

/** The upper half of an end's section, in its own coordinates. */
export interface EndProfile {
  /** Outline of the body from the opening to where it goes on into the part. */
  outer: Point[];
  inner: Point[];
  /** From the opening to the end of the outline. */
  lengthIn: number;
  boreRadiusIn: number;
  bodyRadiusIn: number;
  /** How far a mating end comes in past the opening; of a male, how far it goes into its mate. */
  depthIn: number;
  material: SectionMaterial;
  /** A swivel nut and its washer, which are not of one piece with the body. */
  extra: Piece[];
}

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
const WASHER_IN = 0.08;
const NUT_BACK_IN = 0.1;

/** Depth of a tube in its socket, inches: a ferrule joint's stop, and the usual push depths by size. */
export const FERRULE_DEPTH_IN = 0.3;
const PUSH_DEPTH_IN: Record<string, number> = { '1/4': 0.6875, '5/16': 0.75, '3/8': 0.8125, '1/2': 0.9375, '5/8': 1, '7/8': 1.125 };

/** The engaged length in whole pitches, inches. */
export function engagedIn(end: ThreadEnd): number {
  const pitch = 1 / end.thread.threadsPerIn;
  return Math.max(2, Math.round(ENGAGED_IN[end.family] / pitch)) * pitch;
}

/** Height of the thread's teeth, inches: 0.6134 p for 60 degrees (truncated V), 0.6403 p for the Whitworth form. */
function toothIn(end: ThreadEnd): number {
  return (end.thread.includedAngleDeg === 55 ? 0.6403 : 0.6134) / end.thread.threadsPerIn;
}

/**
 * Crest line of a thread along the axis: `count` teeth from x = 0 toward the body, starting in the middle of a crest.
 *
 * @param majorRadius radius of the male crest (and of the female root) at a place x <= 0
 */
function teeth(end: ThreadEnd, count: number, majorRadius: (x: number) => number): Point[] {
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
function sizeIn(end: End): number {
  const [top, bottom] = end.size.split('/').map(Number);
  return (top as number) / (bottom ?? 1);
}

const madeOf = (end: ThreadEnd | SocketEnd): SectionMaterial => (end.material === 'plastic' ? 'plastic' : 'brass');

function boreRadius(end: ThreadEnd): number {
  if (end.family === 'comp' || end.family === 'flare') return Math.max(0.05, sizeIn(end) / 2 - 0.045);
  return Math.max(0.05, end.thread.externalMajorIn / 2 - toothIn(end) - WALL_IN);
}

function maleProfile(end: ThreadEnd): EndProfile {
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
function portProfile(end: ThreadEnd): EndProfile {
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

/** A swivel nut over a flanged spigot, with its washer between. */
function nutProfile(end: ThreadEnd, insertRadius = Number.POSITIVE_INFINITY): EndProfile {
  const depthIn = engagedIn(end);
  const face = -(depthIn + WASHER_IN);
  const bore = Math.min(boreRadius(end), insertRadius);
  const spigot = bore + 0.05;
  const back = face - 0.05 - NUT_BACK_IN;
  const length = -back + 0.08;
  const flange = Math.max(spigot + 0.02, end.thread.externalMajorIn / 2 - toothIn(end) - 0.03);
  const seal: Piece[] = end.family === 'flare' ? [] : [{ points: rubber(end, face, bore, flange), material: 'rubber' }];
  return {
    outer: [
      [face, flange],
      [face - 0.05, flange],
      [face - 0.05, spigot],
      [-length, spigot],
    ],
    inner: [
      [face, bore],
      [-length, bore],
    ],
    lengthIn: length,
    boreRadiusIn: bore,
    bodyRadiusIn: spigot,
    depthIn,
    material: 'brass',
    extra: [{ points: nutOutline(end, back, spigot + 0.008), material: madeOf(end) }, ...seal],
  };
}

/** A nut from its mouth at x = 0 to `back`, with a back wall bored to `hole`; clearance keeps crest and root apart on paper. */
export function nutOutline(end: ThreadEnd, back: number, hole: number): Point[] {
  const root = end.thread.externalMajorIn / 2 + 0.004;
  const outside = root + (end.material === 'plastic' ? 0.12 : 0.075);
  const pitch = 1 / end.thread.threadsPerIn;
  const count = Math.round(engagedIn(end) / pitch) + 1;
  const wall = Math.min(back + NUT_BACK_IN, -count * pitch);
  return [[0, outside], [0, root], ...teeth(end, count, () => root), [wall, root], [wall, hole], [back, hole], [back, outside]];
}

/** The rubber: a cone that goes into a compression body, else a flat washer. */
function rubber(end: ThreadEnd, face: number, bore: number, flange: number): Point[] {
  if (end.family === 'comp') {
    const tip = Math.min(sizeIn(end) / 2, bore + 0.035);
    return [
      [face, bore],
      [face, flange],
      [face + WASHER_IN, flange],
      [face + WASHER_IN + 0.16, tip],
      [face + WASHER_IN + 0.16, bore],
    ];
  }
  return [
    [face, bore],
    [face, flange],
    [face + WASHER_IN, flange],
    [face + WASHER_IN, bore],
  ];
}

function tubeProfile(end: TubeEnd): EndProfile {
  const material: SectionMaterial = end.tube.material === 'copper' ? 'copper' : end.tube.material === 'steel' ? 'steel' : 'tube';
  const [outerR, innerR] = [end.tube.odIn / 2, end.tube.idIn / 2];
  return {
    outer: [
      [0, outerR],
      [-0.7, outerR],
    ],
    inner: [
      [0, innerR],
      [-0.7, innerR],
    ],
    lengthIn: 0.7,
    boreRadiusIn: innerR,
    bodyRadiusIn: outerR,
    depthIn: 0,
    material,
    extra: [],
  };
}

function socketProfile(end: SocketEnd): EndProfile {
  const tube = end.odIn / 2;
  if (end.family === 'crimp' || end.family === 'expand') return barbProfile(end, tube - 0.078);
  if (end.family === 'nose') return noseProfile(end, tube);
  const push = end.family === 'ptc';
  const depthIn = push ? (PUSH_DEPTH_IN[end.size] ?? 1) : Math.max(0.3, end.odIn * 0.9);
  const wall = push ? 0.11 : 0.045;
  const bore = tube - 0.04;
  const length = depthIn + 0.12;
  const collar: Point[] = push
    ? [
        [0, tube + 0.05],
        [-0.08, tube + 0.05],
        [-0.08, tube + wall],
      ]
    : [[0, tube + wall]];
  return {
    outer: [...collar, [-length, tube + wall]],
    inner: [
      [0, tube + 0.006],
      [-depthIn, tube + 0.006],
      [-depthIn, bore],
      [-length, bore],
    ],
    lengthIn: length,
    boreRadiusIn: bore,
    bodyRadiusIn: tube + wall,
    depthIn,
    material: push ? madeOf(end) : 'copper',
    extra: push
      ? [
          {
            points: [
              [-0.3, tube + 0.006],
              [-0.3, tube + 0.06],
              [-0.38, tube + 0.06],
              [-0.38, tube + 0.006],
            ],
            material: 'rubber',
          },
        ]
      : [],
  };
}

/** An insert barb goes into the tube; its mate comes as far as the shoulder. */
function barbProfile(end: SocketEnd, inside: number): EndProfile {
  const depthIn = 0.55;
  const ridges: Point[] = [0, 1, 2].flatMap((i): Point[] => [
    [-i * 0.16, inside - 0.012],
    [-i * 0.16 - 0.1, inside + 0.012],
    [-i * 0.16 - 0.1, inside - 0.012],
  ]);
  const bore = inside - 0.06;
  return {
    outer: [...ridges, [-depthIn, inside], [-depthIn, end.odIn / 2 + 0.05], [-depthIn - 0.15, end.odIn / 2 + 0.05]],
    inner: [
      [0, bore],
      [-depthIn - 0.15, bore],
    ],
    lengthIn: depthIn + 0.15,
    boreRadiusIn: bore,
    bodyRadiusIn: end.odIn / 2 + 0.05,
    depthIn: 0,
    material: madeOf(end),
    extra: [],
  };
}

function noseProfile(end: SocketEnd, tube: number): EndProfile {
  const bore = tube - 0.04;
  return {
    outer: [
      [0, tube - 0.02],
      [-0.1, tube + 0.05],
      [-0.2, tube + 0.05],
      [-0.24, tube],
      [-0.7, tube],
    ],
    inner: [
      [0, bore],
      [-0.7, bore],
    ],
    lengthIn: 0.7,
    boreRadiusIn: bore,
    bodyRadiusIn: tube,
    depthIn: 0.2,
    material: madeOf(end) === 'plastic' ? 'plastic' : 'copper',
    extra: [
      {
        points: [
          [-0.02, tube - 0.016],
          [-0.1, tube + 0.05],
          [-0.1, tube + 0.13],
          [-0.02, tube + 0.06],
        ],
        material: 'rubber',
      },
    ],
  };
}

/**
 * The section of an end, drawn from its thread, tube or socket geometry at 1:1.
 *
 * @param insertRadiusIn bore of the insert behind a swivel nut where it is smaller than the thread would allow, as on a hose
 */
export function endProfile(end: End, insertRadiusIn?: number): EndProfile {
  if (end.kind === 'tube') return tubeProfile(end);
  if (end.kind === 'socket') return socketProfile(end);
  if (end.gender === 'm') return maleProfile(end);
  return end.family === 'npt' ? portProfile(end) : nutProfile(end, insertRadiusIn);
}
