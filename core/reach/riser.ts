import { finite } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { diameter, length, said } from '../units/index.ts';

export interface RiserQuestion {
  /** From the face of the stop's outlet up to the face of the shank, and sideways between their middles, inches. */
  riseIn: number;
  offsetIn: number;
  /** How far the tube goes in below and above. */
  insertBelowIn: number;
  insertAboveIn: number;
  /** Straight tube that each joint needs outside its fitting, for nut, ferrule and bend block. */
  straightBelowIn: number;
  straightAboveIn: number;
  /** Of the bender or the hand, at the tube's middle. */
  bendRadiusIn: number;
}

export interface RiserMarks {
  /** Both bends alike, degrees; 0: no bend. */
  bendDeg: number;
  /** Marks on the straight tube, from its lower end: each bend from and to, then where it is cut. */
  firstBend: { fromIn: number; toIn: number } | null;
  secondBend: { fromIn: number; toIn: number } | null;
  cutIn: number;
  because: Reason[];
}

/** Angles that are marked on hand benders; the gentlest that does is taken. */
const ANGLES = [15, 22.5, 30, 45, 60, 75, 90];

/**
 * Where a rigid riser is bent and cut: an offset of two bends that turn alike and back, so that both ends stay in line with their fittings.
 *
 * Two bends of radius R through a, with d straight between, go sideways 2 R (1 - cos a) + d sin a and up 2 R sin a + d cos a, and take 2 R a + d of
 * tube. The gentlest angle whose rise leaves both ends their straight tube is taken; the bends lie as high as they can, where a nut slides below.
 *
 * @returns  null where no offset of that width lies in that rise: a flexible line is wanted
 * @source   plane geometry
 */
export function riserMarks(q: RiserQuestion): RiserMarks | null {
  for (const [field, value] of Object.entries(q)) finite(field, value, { atLeast: field === 'offsetIn' ? -60 : 0, atMost: 120 });
  finite('riseIn', q.riseIn, { above: 0 });
  finite('bendRadiusIn', q.bendRadiusIn, { above: 0 });
  const { riseIn, bendRadiusIn: r, insertBelowIn, insertAboveIn } = q;
  const offset = Math.abs(q.offsetIn);
  const free = riseIn - q.straightBelowIn - q.straightAboveIn;
  if (free < 0) return null;
  const cut = (alongIn: number) => insertBelowIn + alongIn + insertAboveIn;
  if (offset < 1 / 32) {
    const words = said`Straight: ${length(riseIn)} between the faces, ${length(insertBelowIn)} goes in below, ${length(insertAboveIn)} above.`;
    return { bendDeg: 0, firstBend: null, secondBend: null, cutIn: cut(riseIn), because: [reason('riser-straight', words)] };
  }
  for (const bendDeg of angles(offset, r)) {
    const a = (bendDeg * Math.PI) / 180;
    const between = (offset - 2 * r * (1 - Math.cos(a))) / Math.sin(a);
    if (between < -1e-9) continue;
    const up = 2 * r * Math.sin(a) + between * Math.cos(a);
    if (up > free + 1e-9) continue;
    const fromIn = insertBelowIn + riseIn - q.straightAboveIn - up;
    const firstBend = { fromIn, toIn: fromIn + r * a };
    const secondBend = { fromIn: firstBend.toIn + between, toIn: firstBend.toIn + between + r * a };
    const words = said`Two bends of ${bendDeg.toFixed(1).replace(/\.0$/, '')} degrees on ${diameter(r, 2)} carry it ${length(offset)} across in ${length(up)} of rise; ${length(insertBelowIn)} goes in below, ${length(insertAboveIn)} above.`;
    return {
      bendDeg,
      firstBend,
      secondBend,
      cutIn: secondBend.toIn + q.straightAboveIn + insertAboveIn,
      because: [reason('riser-offset', words, { figures: { bendDeg, upIn: up } })],
    };
  }
  return null;
}

/** The marked angles, and for a small offset the one at which the two bends meet without anything straight between. */
function angles(offset: number, r: number): number[] {
  const meet = offset < 2 * r ? (Math.acos(1 - offset / (2 * r)) * 180) / Math.PI : 90;
  return [...ANGLES.filter((a) => a < meet), Math.min(meet, 90)];
}
