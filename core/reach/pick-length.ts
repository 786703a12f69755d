import { finite, InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { length, said } from '../units/index.ts';
import { type HoseQuestion, type HoseShape, type HoseVerdict, hoseShape, type LineEnd } from './hose-shape.ts';
import { type CoilSpace, type SlackCoil, slackCoil } from './slack-coil.ts';

/** What the line must stay clear of, inches in the elevation; a side left out is open. */
export interface Room {
  leftIn?: number;
  rightIn?: number;
  floorIn?: number;
  topIn?: number;
}

export type Side = 'wall' | 'right' | 'floor' | 'top';

export interface LengthQuestion extends Omit<HoseQuestion, 'lengthIn'> {
  lengthsIn: readonly number[];
  /** Where the inlet is when the appliance stands pulled out; left out: it does not move. */
  pulledOut?: LineEnd;
  /** Outside diameter of the line: its body, not its middle, must clear the room. */
  odIn?: number;
  room?: Room;
  /** Behind an appliance that moves: what is over may be coiled there. */
  coilSpace?: Omit<CoilSpace, 'odIn' | 'minBendRadiusIn'>;
}

export interface LengthPick {
  lengthIn: number;
  /** As the worse of the two states allows; 'touches': it lies against the room. */
  verdict: HoseVerdict | 'touches';
  /** At rest, the appliance home. */
  shape: HoseShape;
  pulledOut: HoseShape | null;
  /** How what is over is laid behind an appliance, where it does not lie by itself. */
  coil: SlackCoil | null;
  touches: Side[];
  because: Reason[];
}

/** From what fits to what does not, the nearest to fitting first. */
const RANK: Record<LengthPick['verdict'], number> = { fits: 0, taut: 1, touches: 2, kinks: 3, 'too-short': 4 };

/**
 * Standard lengths, ranked: the shortest that fits first, then the next ones that fit, then what does not, with why.
 *
 * A line to an appliance that moves must reach with it pulled out, and lie without a kink with it home, by itself or coiled.
 *
 * @throws InputError  for no length at all, or where a figure cannot be
 */
export function pickLength(q: LengthQuestion): LengthPick[] {
  if (q.lengthsIn.length === 0) throw new InputError('lengthsIn', '', 'Give at least one length.');
  const picks = [...new Set(q.lengthsIn)].map((lengthIn) => judge(q, lengthIn));
  return picks.sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || (a.verdict === 'too-short' ? b.lengthIn - a.lengthIn : a.lengthIn - b.lengthIn));
}

function judge(q: LengthQuestion, lengthIn: number): LengthPick {
  const shape = hoseShape({ ...q, lengthIn });
  const pulledOut = q.pulledOut ? hoseShape({ ...q, to: q.pulledOut, lengthIn }) : null;
  const touches = shape.verdict === 'too-short' ? [] : touched(q, shape);
  const base = { lengthIn, shape, pulledOut, touches };
  if (pulledOut && (pulledOut.verdict === 'too-short' || pulledOut.verdict === 'taut')) {
    const words =
      pulledOut.verdict === 'too-short'
        ? said`Pulled out it is ${length(-pulledOut.slackIn)} short.`
        : said`Pulled out it pulls on its nuts: ${length(pulledOut.slackIn)} is over.`;
    return { ...base, verdict: pulledOut.verdict, coil: null, because: [reason(`pulled-out-${pulledOut.verdict}`, words), ...pulledOut.because] };
  }
  const isBad = shape.verdict === 'kinks' || touches.length > 0;
  if (isBad && q.coilSpace && shape.slackIn > 0) {
    const coil = slackCoil({
      ...q.coilSpace,
      slackIn: shape.slackIn,
      odIn: finite('odIn', q.odIn ?? 0, { atLeast: 0 }),
      minBendRadiusIn: q.minBendRadiusIn,
    });
    if (coil) return { ...base, touches: [], verdict: 'fits', coil, because: coil.because };
  }
  if (shape.verdict === 'fits' && touches.length > 0) {
    return {
      ...base,
      verdict: 'touches',
      coil: null,
      because: [reason('touches', `It lies against the ${touches.join(' and the ')}.`), ...shape.because],
    };
  }
  return { ...base, verdict: shape.verdict, coil: null, because: shape.because };
}

function touched({ room = {}, odIn = 0 }: LengthQuestion, { points }: HoseShape): Side[] {
  const half = odIn / 2;
  // The ends stand where they were measured, however near the wall that is.
  const inner = points.slice(1, -1);
  const reach = (axis: 0 | 1, sign: 1 | -1) => Math.max(...inner.map((p) => sign * p[axis]!)) + half;
  const sides: [Side, boolean][] = [
    ['wall', room.leftIn !== undefined && reach(0, -1) > -room.leftIn],
    ['right', room.rightIn !== undefined && reach(0, 1) > room.rightIn],
    ['floor', room.floorIn !== undefined && reach(1, -1) > -room.floorIn],
    ['top', room.topIn !== undefined && reach(1, 1) > room.topIn],
  ];
  return sides.filter(([, does]) => does).map(([side]) => side);
}
