/** Sections of swivel nuts, and of the rubber in them. */
import type { ThreadEnd } from '../code.ts';
import type { EndProfile, Piece, Point } from './piece.ts';
import { boreRadius, engagedIn, madeOf, sizeIn, teeth, toothIn } from './thread-profile.ts';

const WASHER_IN = 0.08;
const NUT_BACK_IN = 0.1;

/** A swivel nut over a flanged spigot, with its washer between. */
export function nutProfile(end: ThreadEnd, insertRadius = Number.POSITIVE_INFINITY): EndProfile {
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
