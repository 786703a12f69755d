/** Sections of tubes and of what tubes go into or onto. */
import type { SocketEnd, TubeEnd } from '../code.ts';
import { tubeJointOf } from '../tables/tube-joints.ts';
import type { EndProfile, Point, SectionMaterial } from './piece.ts';
import { madeOf } from './thread-profile.ts';

export function tubeProfile(end: TubeEnd): EndProfile {
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

export function socketProfile(end: SocketEnd): EndProfile {
  const tube = end.odIn / 2;
  if (end.family === 'crimp' || end.family === 'expand') return barbProfile(end, tube - 0.078);
  if (end.family === 'nose') return noseProfile(end, tube);
  const push = end.family === 'ptc';
  const depthIn = push ? (tubeJointOf(end.size)?.pushIn ?? 1) : Math.max(0.3, end.odIn * 0.9);
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
