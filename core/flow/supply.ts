/** What a house's water gives where the line begins, by how much is taken. */
import { finite, InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { M3_S_PER_GPM, PA_PER_PSI, pressure, said, threeDigits } from '../units/index.ts';

export interface Supply {
  /** With nothing running, psi. */
  sourcePsi: number;
  /** What is left while something runs: measured beside the static pressure, it shows how weak the main is. */
  running?: { gpm: number; psi: number };
  /** Behind a regulator: never more than this, however strong the main. The other figures are then the main's own. */
  regulatorPsi?: number;
}

/** Pressure by flow, SI: it falls with the square of what is taken. */
export interface SupplyCurve {
  staticPa: number;
  /** Pa over (m3/s)2 */
  fall: number;
  mostPa: number;
}

/** @throws InputError for figures that cannot be: more pressure running than standing */
export function supplyCurve({ sourcePsi, running, regulatorPsi }: Supply): SupplyCurve {
  const staticPa = finite('sourcePsi', sourcePsi, { atLeast: 0, atMost: 1000 }) * PA_PER_PSI;
  const mostPa =
    regulatorPsi === undefined ? Number.POSITIVE_INFINITY : finite('regulatorPsi', regulatorPsi, { above: 0, atMost: 1000 }) * PA_PER_PSI;
  if (!running) return { staticPa, fall: 0, mostPa };
  const flow = finite('running.gpm', running.gpm, { above: 0, atMost: 1000 }) * M3_S_PER_GPM;
  const runningPa = finite('running.psi', running.psi, { atLeast: 0, atMost: 1000 }) * PA_PER_PSI;
  if (runningPa > staticPa)
    throw new InputError('running.psi', running.psi, 'While water runs the pressure is no higher than standing: read both gauges again.');
  return { staticPa, fall: (staticPa - runningPa) / (flow * flow), mostPa };
}

/** Pa, gauge; below nought where no main gives so much. @param flow m3/s */
export const supplyPa = ({ staticPa, fall, mostPa }: SupplyCurve, flow: number): number => Math.min(mostPa, staticPa - fall * flow * flow);

/** Readings scatter more than a gauge does, psi: then no one curve of this kind went through them. */
const GAUGE_PSI = 2;

export interface SupplyFit {
  supply: Supply;
  /** How far the readings lie from the curve, root mean square, psi. */
  offPsi: number;
  because: Reason[];
}

/**
 * A supply's curve from readings of pressure and flow, nothing running among them or not.
 *
 * p = P - c q2 by least squares, c not below nought. Two readings lie on it; with three and more, how far they lie off tells whether that is what the
 * supply does: a regulator, a stop half shut or another tap open bends it.
 *
 * @param readings flow in gpm (0: nothing runs) and pressure in psi; two at different flows at least
 * @throws InputError where they do not tell a curve
 */
export function fitSupply(readings: readonly { gpm: number; psi: number }[]): SupplyFit {
  finite('readings', readings.length, { atLeast: 2, atMost: 200 });
  const points = readings.map((r, i) => ({
    x: finite(`readings[${i}].gpm`, r.gpm, { atLeast: 0, atMost: 1000 }) ** 2,
    psi: finite(`readings[${i}].psi`, r.psi, { atLeast: 0, atMost: 1000 }),
  }));
  const mean = (of: (p: { x: number; psi: number }) => number) => points.reduce((sum, p) => sum + of(p), 0) / points.length;
  const [mx, mp] = [mean((p) => p.x), mean((p) => p.psi)];
  const spread = mean((p) => (p.x - mx) ** 2);
  if (spread <= 1e-9)
    throw new InputError('readings', readings.length, 'Read the pressure at two different flows: with nothing running, and with a tap open.');
  const slope = Math.min(0, mean((p) => (p.x - mx) * (p.psi - mp)) / spread);
  const sourcePsi = mp - slope * mx;
  const offPsi = Math.sqrt(mean((p) => (p.psi - sourcePsi - slope * p.x) ** 2));
  const most = Math.max(...points.map((p) => p.x));
  const supply: Supply = { sourcePsi, ...(slope < 0 ? { running: { gpm: Math.sqrt(most), psi: Math.max(0, sourcePsi + slope * most) } } : {}) };
  const figures = { staticPsi: threeDigits(sourcePsi), fallPsiPerGpm2: threeDigits(-slope), readings: points.length };
  const because = [
    reason('supply-fit', said`${pressure(sourcePsi)} standing; at twice the flow it falls four times as far.`, {
      figures,
      source: 'least squares; loss by the square of the flow',
    }),
    ...(offPsi > GAUGE_PSI
      ? [
          reason(
            'supply-bent',
            said`The readings lie ${pressure(offPsi)} off that curve: a regulator, a stop half shut or another tap bends it. Read again with nothing else open.`,
            { figures: { offPsi: threeDigits(offPsi) } },
          ),
        ]
      : []),
  ];
  return { supply, offPsi, because };
}
