/** What a shut line's falling pressure says of a leak. */
import { finite, InputError } from '../../errors.ts';
import { type Reason, reason } from '../../reason.ts';
import { pressure, said, threeDigits, withQuantities } from '../../units/index.ts';
import { type Fall, fallPerMl, type LetOut } from './give.ts';
import { twoSided } from './normal.ts';
import { type PressureReading, type Slope, sigmaAfter, slopeOf } from './slope.ts';

export interface Band {
  low: number;
  mid: number;
  high: number;
}

export interface Decay {
  /** Below nought where the pressure rises: something feeds the line. */
  mlPerDay: Band;
  giveMlPerPsi: Band;
  verdict: 'tight' | 'leaking' | 'undecided';
  /** Shortest further wait that would decide, minutes; null where it is decided, or where time cannot decide it. */
  minutesMore: number | null;
  because: Reason[];
}

export interface DecayQuestion {
  /** A shut line's gauge, in order. */
  readings: readonly PressureReading[];
  /** A measured volume let out: the line's give, trapped air and hoses in it. */
  letOut: readonly LetOut[];
  /** Of one reading, psi. */
  gaugeSigmaPsi: number;
  /** Of one of the readings before and after a let-out, where the others are means; as the others unless given. */
  letOutSigmaPsi?: number;
  /** Of a let-out volume, as a part of it; 0.03 unless given. */
  mlSigmaPart?: number;
  /** mL a day; 10 unless given. */
  targetMlPerDay?: number;
  confidence?: number;
}

const MINUTES_A_DAY = 1440;
/** Nobody waits longer, minutes. */
const LONGEST_WAIT = 30 * MINUTES_A_DAY;
/** Squared correlation above which the temperature moves in step with time. */
const IN_STEP = 0.999;
/** Readings scatter more than the gauge by so many standard errors: then the scatter is what it has, and is taken. */
const TOO_MUCH = 4;

/**
 * The leak of a shut line from its pressure, with its interval, or an honest "undecided".
 *
 * The pressure falls by s = q c: the leak times what a millilitre takes off. s comes from the readings, what the temperature does taken out; c from a
 * measured volume let out. Both are normally distributed, so that q is their ratio: its interval is Fieller's, and holds the leak as often as it says,
 * the error of the give included.
 *
 * @throws InputError naming the reading, the volume or the gauge
 * @source E. C. Fieller, J. R. Stat. Soc. B 16 (1954); least squares with a known error
 */
export function pressureDecay(d: DecayQuestion): Decay {
  const target = finite('targetMlPerDay', d.targetMlPerDay ?? 10, { above: 0 }) / MINUTES_A_DAY;
  const z = twoSided(d.confidence ?? 0.95);
  const slope = slopeOf(d.readings, d.gaugeSigmaPsi);
  const fall = fallPerMl(
    d.letOut,
    finite('letOutSigmaPsi', d.letOutSigmaPsi ?? d.gaugeSigmaPsi, { above: 0 }),
    finite('mlSigmaPart', d.mlSigmaPart ?? 0.03, { atLeast: 0, atMost: 1 }),
  );
  if (fall.psiPerMl <= z * fall.sigma)
    throw new InputError('letOut', fall.psiPerMl, 'The fall cannot be told from the error of the gauge: let more out, or more often.');
  const scatters = slope.scatter ** 2 > 1 + TOO_MUCH * Math.sqrt(2 / (slope.count - 3));
  const wider = scatters ? slope.scatter : 1;
  const mlPerMin = ratio(slope.psiPerMin, slope.sigma * wider, fall, z);
  const isLeaking = mlPerMin.low > 0;
  const verdict = isLeaking ? 'leaking' : mlPerMin.high <= target ? 'tight' : 'undecided';
  const decides = (more: number) => {
    const sigma = sigmaAfter(slope, more, d.gaugeSigmaPsi) * wider;
    const then = ratio(slope.psiPerMin, sigma, fall, z);
    return then.low > 0 || then.high <= target;
  };
  const minutesMore = verdict === 'undecided' && slope.inStep < IN_STEP ? shortestWait(slope, decides) : null;
  const mlPerDay = scaled(mlPerMin, MINUTES_A_DAY);
  const giveMlPerPsi = { low: 1 / (fall.psiPerMl + z * fall.sigma), mid: 1 / fall.psiPerMl, high: 1 / (fall.psiPerMl - z * fall.sigma) };
  return { mlPerDay, giveMlPerPsi, verdict, minutesMore, because: reasons({ slope, scatters, mlPerDay, giveMlPerPsi, verdict, minutesMore }) };
}

const scaled = ({ low, mid, high }: Band, by: number): Band => ({ low: low * by, mid: mid * by, high: high * by });

/** Fieller's interval of one normal figure over another that is surely above nought. */
function ratio(top: number, topSigma: number, { psiPerMl: bottom, sigma }: Fall, z: number): Band {
  const a = bottom ** 2 - (z * sigma) ** 2;
  const b = top * bottom;
  const root = z * Math.sqrt(Math.max(0, (bottom * topSigma) ** 2 + (top * sigma) ** 2 - (z * topSigma * sigma) ** 2));
  return { low: (b - root) / a, mid: top / bottom, high: (b + root) / a };
}

/** Fewest readings more that would decide, as minutes; null where none in a month do. */
function shortestWait(slope: Slope, decides: (more: number) => boolean): number | null {
  const most = Math.floor(LONGEST_WAIT / slope.everyMin);
  let high = 1;
  while (high <= most && !decides(high)) high *= 2;
  if (high > most && !(most > 0 && decides(most))) return null;
  let low = Math.floor(high / 2);
  high = Math.min(high, most);
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (decides(middle)) high = middle;
    else low = middle;
  }
  return high * slope.everyMin;
}

function reasons(of: Pick<Decay, 'mlPerDay' | 'giveMlPerPsi' | 'verdict' | 'minutesMore'> & { slope: Slope; scatters: boolean }): Reason[] {
  const { slope, scatters, mlPerDay, giveMlPerPsi: give, verdict, minutesMore } = of;
  const all: Reason[] = [
    reason(
      'give',
      `The line gives ${threeDigits(give.mid)} mL a psi (${threeDigits(give.low)} to ${threeDigits(give.high)}), as what was let out shows: trapped air and hoses are in it.`,
    ),
    reason('fall', withQuantities(`Its pressure falls by ${threeDigits(slope.psiPerMin * 60)} psi an hour, over ${slope.count} readings.`), {
      figures: { psiPerMin: slope.psiPerMin, sigmaPsiPerMin: slope.sigma },
    }),
  ];
  all.push(reason('at', said`Watched at about ${pressure(slope.meanPsi)}: under more pressure a leak runs faster, about as its root.`));
  if (slope.psiPerF !== null)
    all.push(reason('temperature', `The temperature moved: ${threeDigits(slope.psiPerF)} psi for each degree F was taken out.`));
  if (scatters)
    all.push(
      reason(
        'scatter',
        `The readings scatter ${threeDigits(slope.scatter)} times as much as the gauge should: the interval is made wider by it. A valve passing, or air that moves?`,
      ),
    );
  if (mlPerDay.high < 0) all.push(reason('rises', 'The pressure rises: something feeds the line. A valve passes.'));
  const bounds = `${threeDigits(mlPerDay.low)} to ${threeDigits(mlPerDay.high)} mL a day`;
  if (verdict === 'leaking') all.push(reason('leaking', `It leaks, by ${bounds}.`));
  if (verdict === 'tight') all.push(reason('tight', `No leak is seen, and none above ${threeDigits(Math.max(0, mlPerDay.high))} mL a day is left.`));
  if (verdict === 'undecided') {
    const how =
      minutesMore === null
        ? 'Waiting longer does not decide it: a leak and the temperature could both explain what is seen.'
        : `About ${Math.ceil(minutesMore)} min more would decide it.`;
    all.push(reason('undecided', `Undecided: ${bounds}. ${how}`));
  }
  return all;
}
