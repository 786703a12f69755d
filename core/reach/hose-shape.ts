import { finite, InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { diameter, length, said } from '../units/index.ts';
import { FINENESS, settle } from './least.ts';
import type { Plane } from './plane.ts';
import type { Held } from './rod.ts';
import { tightest } from './tightest.ts';

/** Where a line ends and which way it travels there, from `from` to `to`: inches and degrees, x to the right, y up, z to the viewer. */
export interface LineEnd {
  x: number;
  y: number;
  z?: number;
  /** 0 along x, 90 up. */
  headingDeg: number;
  /** Out of the plane of x and y. */
  climbDeg?: number;
}

export interface HoseQuestion {
  from: LineEnd;
  to: LineEnd;
  lengthIn: number;
  /** Nut and crimp sleeve at each end: no bend begins in it. */
  endStraightIn: number;
  minBendRadiusIn: number;
  /** Left out: the line is stiff enough that its weight bends it no more. */
  hangs?: { lbPerFt: number; stiffnessLbIn2: number };
  /** Least number of links of the chain that stands for the line; twice as many are taken until that moves nothing. 64 unless given. */
  segments?: number;
}

export type HoseVerdict = 'too-short' | 'taut' | 'fits' | 'kinks';

export interface HoseShape {
  verdict: HoseVerdict;
  /** From `from` to `to`, straight ends included; of a line that is too short, as far as it comes. */
  points: number[][];
  /** Tightest bend, inches; at most 1,000,000: straight. 0 where it does not reach. */
  minRadiusIn: number;
  /** Which of the points is at the tightest bend. */
  tightestAt: number;
  lengthIn: number;
  /** What is over past the straight way between the nuts; below nought: what is missing. */
  slackIn: number;
  because: Reason[];
}

const STRAIGHT_IN = 1e6;
/** Ours: a line with less over than this part of its way pulls on its nuts when anything moves; never less than an eighth of an inch. */
const TAUT_PART = 0.01;
const TAUT_IN = 0.125;

/**
 * The shape that a flexible line takes between two ends, and whether it may lie so.
 *
 * Straight at both ends for its nut and sleeve, between them the rod of least bending energy for its length; in a plane when neither end has z or
 * climb, else in space. What is held in one plane lies in it.
 *
 * @throws InputError  where a figure is not finite, or not positive where it must be
 * @source             trade practice: length and path; the equations stand in rod.ts
 */
export function hoseShape(h: HoseQuestion): HoseShape {
  const ends = readEnds(h);
  const { lengthIn, endStraightIn: straight } = h;
  const free = lengthIn - 2 * straight;
  const first = ends.from.at.map((c, a) => c + straight * ends.from.along[a]!);
  const last = ends.to.at.map((c, a) => c - straight * ends.to.along[a]!);
  const chord = Math.hypot(...first.map((c, a) => last[a]! - c));
  const slackIn = free - chord;
  const over = { lengthIn, slackIn };
  if (slackIn < -1e-9 || free <= 0) {
    return {
      verdict: 'too-short',
      points: asFarAs(ends, first, last, lengthIn, straight),
      minRadiusIn: 0,
      tightestAt: 0,
      ...over,
      because: [tooShort(-slackIn, chord, straight)],
    };
  }
  const { held, rest, plane } = settle(heldOf(h, ends, first, last, free), h.segments ?? 64, free);
  const { curvature, at } = tightest(held, rest);
  const radius = Math.min(STRAIGHT_IN, free / curvature);
  const inner = curve(rest.links, held.dims, first, free, plane);
  inner[inner.length - 1] = last;
  const points = straight > 0 ? [ends.from.at, ...inner, ends.to.at] : inner;
  const verdict: HoseVerdict = slackIn < Math.max(TAUT_IN, TAUT_PART * chord) ? 'taut' : radius < 0.995 * h.minBendRadiusIn ? 'kinks' : 'fits';
  return { verdict, points, minRadiusIn: radius, tightestAt: at + (straight > 0 ? 1 : 0), ...over, because: [bends(verdict, h, radius, slackIn)] };
}

interface Ends {
  dims: 2 | 3;
  from: { at: number[]; along: number[] };
  to: { at: number[]; along: number[] };
}

function readEnds(h: HoseQuestion): Ends {
  const inSpace = [h.from, h.to].some((e) => e.z !== undefined || e.climbDeg !== undefined);
  const read = (name: string, e: LineEnd) => {
    for (const [field, value] of Object.entries({ x: e.x, y: e.y, z: e.z ?? 0 })) finite(`${name}.${field}`, value, { atLeast: -1200, atMost: 1200 });
    const heading = (finite(`${name}.headingDeg`, e.headingDeg) * Math.PI) / 180;
    const climb = (finite(`${name}.climbDeg`, e.climbDeg ?? 0) * Math.PI) / 180;
    const flat = [Math.cos(heading) * Math.cos(climb), Math.sin(heading) * Math.cos(climb)];
    return inSpace ? { at: [e.x, e.y, e.z ?? 0], along: [...flat, Math.sin(climb)] } : { at: [e.x, e.y], along: flat };
  };
  finite('lengthIn', h.lengthIn, { above: 0, atMost: 3600 });
  finite('endStraightIn', h.endStraightIn, { atLeast: 0, atMost: 60 });
  finite('minBendRadiusIn', h.minBendRadiusIn, { above: 0, atMost: 1000 });
  if (h.segments !== undefined && !FINENESS.includes(h.segments)) throw new InputError('segments', h.segments, `Give one of ${FINENESS.join(', ')}.`);
  if (h.hangs) {
    finite('hangs.lbPerFt', h.hangs.lbPerFt, { atLeast: 0, atMost: 20 });
    finite('hangs.stiffnessLbIn2', h.hangs.stiffnessLbIn2, { above: 0 });
  }
  return { dims: inSpace ? 3 : 2, from: read('from', h.from), to: read('to', h.to) };
}

/** In rod lengths. */
function heldOf(h: HoseQuestion, { dims, from, to }: Ends, first: number[], last: number[], free: number): Held {
  return {
    dims,
    leaves: from.along,
    arrives: to.along,
    span: first.map((c, a) => (last[a]! - c) / free),
    weight: h.hangs ? ((h.hangs.lbPerFt / 12) * free ** 3) / h.hangs.stiffnessLbIn2 : 0,
    up: dims === 2 ? [0, 1] : [0, 1, 0],
  };
}

function curve(links: Float64Array, dims: number, first: number[], free: number, plane: Plane | null): number[][] {
  const link = (free * dims) / links.length;
  const points = [first];
  let at = first;
  for (let i = 0; i < links.length; i += dims) {
    const way = Array.from(links.subarray(i, i + dims));
    const step = plane ? plane.out(way) : way;
    at = at.map((c, a) => c + step[a]! * link);
    points.push(at);
  }
  return points;
}

/** A line that does not reach, drawn toward its end as far as it comes. */
function asFarAs({ from }: Ends, first: number[], last: number[], lengthIn: number, straight: number): number[][] {
  const lead = Math.min(straight, lengthIn);
  if (lead === lengthIn) return [from.at, from.at.map((c, a) => c + lead * from.along[a]!)];
  const far = Math.hypot(...first.map((c, a) => last[a]! - c)) || 1;
  return [from.at, first, first.map((c, a) => c + ((last[a]! - c) / far) * (lengthIn - lead))];
}

const SOURCE =
  'elastica: least bending energy at fixed length (Love, ch. XIX); straight ends and smallest radius are typical, the maker’s sheet wins';

function tooShort(missing: number, chord: number, straight: number): Reason {
  const words = said`${length(missing)} short: the straight way between the nuts is ${length(chord)}, and each end stays straight for ${length(straight)}.`;
  return reason('too-short', words, { source: SOURCE, figures: { missingIn: missing, chordIn: chord } });
}

function bends(verdict: HoseVerdict, h: HoseQuestion, radius: number, slack: number): Reason {
  const figures = { minRadiusIn: radius, minBendRadiusIn: h.minBendRadiusIn, slackIn: slack };
  const bend = radius >= STRAIGHT_IN ? 'It lies straight.' : said`Tightest bend ${diameter(radius, 1)}, allowed ${diameter(h.minBendRadiusIn, 1)}.`;
  return reason(verdict, bend, { source: SOURCE, figures });
}
