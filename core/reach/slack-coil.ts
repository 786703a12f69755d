import { finite } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { diameter, length, said } from '../units/index.ts';

export interface CoilSpace {
  /** Behind the appliance: across, up, and from the wall to its back, inches. */
  widthIn: number;
  heightIn: number;
  depthIn: number;
  odIn: number;
  minBendRadiusIn: number;
}

export interface SlackCoil {
  turns: number;
  radiusIn: number;
  because: Reason[];
}

/**
 * How what is over of a line is laid in round turns flat behind an appliance.
 *
 * As few turns as the space lets lie: each as wide as it can be, none tighter than the line allows, one behind the other.
 *
 * @param c.slackIn  what is over, inches, > 0
 * @returns          null where no number of turns lies in the space
 */
export function slackCoil(c: CoilSpace & { slackIn: number }): SlackCoil | null {
  const { slackIn, widthIn, heightIn, depthIn, odIn, minBendRadiusIn } = c;
  finite('slackIn', slackIn, { above: 0 });
  for (const [field, value] of Object.entries({ widthIn, heightIn, depthIn })) finite(field, value, { above: 0 });
  finite('odIn', odIn, { atLeast: 0 });
  finite('minBendRadiusIn', minBendRadiusIn, { above: 0 });
  const widest = (Math.min(widthIn, heightIn) - odIn) / 2;
  const turns = Math.max(1, Math.ceil(slackIn / (2 * Math.PI * Math.max(widest, 1e-9)) - 1e-9));
  const radiusIn = slackIn / (2 * Math.PI * turns);
  if (radiusIn < minBendRadiusIn || radiusIn > widest + 1e-9 || turns * odIn > depthIn) return null;
  const words = said`${length(slackIn)} over lies in ${turns === 1 ? 'one turn' : `${turns} turns`} ${length(2 * radiusIn)} across behind it; bent ${diameter(radiusIn, 1)}, allowed ${diameter(minBendRadiusIn, 1)}.`;
  return { turns, radiusIn, because: [reason('coiled', words, { figures: { slackIn, turns, radiusIn } })] };
}

/**
 * How far the back of an appliance stays off the wall so that the line leaving it square is not crushed.
 *
 * What stands out stiff (the inlet's nut, an elbow, an arrestor), the line's own straight end, its bend, half its body; or the coil's turns, where
 * those are thicker.
 *
 * @returns inches
 */
export function clearanceBehind(c: { standsOutIn: number; endStraightIn: number; minBendRadiusIn: number; odIn: number; turns?: number }): number {
  const { standsOutIn, endStraightIn, minBendRadiusIn, odIn, turns = 0 } = c;
  for (const [field, value] of Object.entries({ standsOutIn, endStraightIn, minBendRadiusIn, odIn, turns })) finite(field, value, { atLeast: 0 });
  return Math.max(standsOutIn + endStraightIn + minBendRadiusIn + odIn / 2, turns * odIn);
}
