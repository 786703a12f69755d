/** Where a line begins and ends, as a plumber says it: from the wall, from the floor, to the side, and which way each end faces. */
import { finite, InputError } from '../errors.ts';
import type { LineEnd } from './hose-shape.ts';
import type { LengthQuestion } from './pick-length.ts';

/** Which way an opening faces; `side`: toward the inlet's side, `other-side`: away from it. */
export const WAYS = {
  up: { name: 'up', headingDeg: 90, climbDeg: 0 },
  'up-out': { name: 'up and away from the wall', headingDeg: 45, climbDeg: 0 },
  out: { name: 'away from the wall', headingDeg: 0, climbDeg: 0 },
  'down-out': { name: 'down and away from the wall', headingDeg: -45, climbDeg: 0 },
  down: { name: 'down', headingDeg: -90, climbDeg: 0 },
  'down-wall': { name: 'down and toward the wall', headingDeg: -135, climbDeg: 0 },
  wall: { name: 'toward the wall', headingDeg: 180, climbDeg: 0 },
  'up-wall': { name: 'up and toward the wall', headingDeg: 135, climbDeg: 0 },
  side: { name: 'to the side of the other end', headingDeg: 0, climbDeg: 90 },
  'other-side': { name: 'to the other side', headingDeg: 0, climbDeg: -90 },
} as const;
export type Way = keyof typeof WAYS;

/** An end as it is measured, inches: out from the wall, up from the floor. */
export interface MeasuredEnd {
  outIn: number;
  upIn: number;
  faces: Way;
}

export interface Setting {
  stop: MeasuredEnd;
  inlet: MeasuredEnd;
  /** How far the inlet stands to the side of the stop. */
  sideIn: number;
  /** How far the appliance is pulled out; null where it does not move. */
  pulledOutIn: number | null;
  /** Behind it, where what is over may be coiled; null where there is no such place. */
  behind: { widthIn: number; heightIn: number; depthIn: number } | null;
}

/** The line that is to be laid: of a hose in tubes.csv, or as its maker says. */
export interface LineKind {
  odIn: number;
  minBendRadiusIn: number;
  endStraightIn: number;
}

/**
 * What is asked of a line in a setting.
 *
 * Wall and floor are nought, and the line stays clear of both. In the plane of wall and floor where nothing stands or faces to the side, else in space.
 *
 * @throws InputError  where a figure is out of the room
 */
export function lengthQuestion(s: Setting, line: LineKind, lengthsIn: readonly number[]): LengthQuestion {
  const sideIn = finite('sideIn', s.sideIn, { atLeast: 0, atMost: 240 });
  const flat = sideIn === 0 && WAYS[wayOf(s.stop.faces)].climbDeg === 0 && WAYS[wayOf(s.inlet.faces)].climbDeg === 0;
  const stop = at('stop', s.stop, flat ? null : 0, 1);
  const inlet = (outIn: number) => at('inlet', { ...s.inlet, outIn }, flat ? null : sideIn, -1);
  const pulled = s.pulledOutIn === null ? null : finite('pulledOutIn', s.pulledOutIn, { atLeast: 0, atMost: 240 });
  return {
    from: stop,
    to: inlet(s.inlet.outIn),
    ...(pulled === null ? {} : { pulledOut: inlet(s.inlet.outIn + pulled) }),
    ...line,
    lengthsIn,
    room: { leftIn: 0, floorIn: 0 },
    ...(s.behind && pulled !== null ? { coilSpace: s.behind } : {}),
  };
}

function wayOf(faces: string): Way {
  if (!Object.hasOwn(WAYS, faces)) throw new InputError('faces', faces, `Say one of ${Object.keys(WAYS).join(', ')}.`);
  return faces as Way;
}

/** A line leaves an outlet the way it faces, and comes to an inlet against that. */
function at(name: string, { outIn, upIn, faces }: MeasuredEnd, z: number | null, sign: 1 | -1): LineEnd {
  const { headingDeg, climbDeg } = WAYS[wayOf(faces)];
  const out = { x: finite(`${name}.outIn`, outIn, { atLeast: 0, atMost: 480 }), y: finite(`${name}.upIn`, upIn, { atLeast: 0, atMost: 480 }) };
  // To the side of the other end is one way at the stop and the other at the inlet.
  const heading = climbDeg === 0 && sign === -1 ? headingDeg + 180 : headingDeg;
  return z === null ? { ...out, headingDeg: heading } : { ...out, z, headingDeg: heading, climbDeg };
}
