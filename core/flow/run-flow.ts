/** What an appliance gets through a chain, by the pressures that were read at its place. */

import type { Part } from '../match/index.ts';
import type { Appliance } from '../rows/index.ts';
import { type LinePiece, type LossRow, linePieces, type PathStep, withSteps } from './line-pieces.ts';
import { type ApplianceCurve, type FlowLine, type OperatingPoint, operatingPoint } from './operating-point.ts';

/** What was read where the line begins. */
export interface PressuresRead {
  staticPsi?: number;
  runningPsi?: number;
  /** A bucket at the open stop: what ran while the pressure was read running. */
  bucket?: { gallons: number; seconds: number };
}

export interface RunFlow {
  point: OperatingPoint;
  pieces: LinePiece[];
  line: Omit<FlowLine, 'pieces'>;
  /** The standing pressure was read; else a usual one is taken. */
  isRead: boolean;
}

/** Where nobody read it, psi. Typical. */
export const USUAL_PSI = 60;
/** Cold as the ground gives it, hot as it is kept, F. Typical. */
export const USUAL_F = { cold: 60, hot: 120 } as const;

/** What an appliance asks, and what its own valve passes at most; the code's limit for a house stands over what the appliance itself bears. */
export const curveOf = (a: Pick<Appliance, 'designGpm' | 'capGpm' | 'minFlowPsi' | 'maxStaticPsi'>): ApplianceCurve => ({
  designGpm: a.designGpm,
  designPsi: a.minFlowPsi,
  maxPsi: Math.min(HOUSE_LIMIT_PSI, a.maxStaticPsi),
  ...(a.capGpm === null ? {} : { capGpm: a.capGpm }),
});

/** @source model plumbing codes */
const HOUSE_LIMIT_PSI = 80;

/**
 * The operating point of a run: its chain from the stop on, at the pressures read there.
 *
 * @throws InputError where what was read cannot be
 */
export function runFlow(
  appliance: Pick<Appliance, 'designGpm' | 'capGpm' | 'minFlowPsi' | 'maxStaticPsi'>,
  water: 'cold' | 'hot',
  read: PressuresRead,
  path: readonly PathStep[],
  parts: readonly Part[],
  losses: readonly LossRow[],
): RunFlow {
  const { staticPsi, runningPsi, bucket } = read;
  const sourcePsi = staticPsi ?? USUAL_PSI;
  const running =
    staticPsi !== undefined && runningPsi !== undefined && runningPsi <= staticPsi && bucket
      ? { psi: runningPsi, gpm: (bucket.gallons * 60) / bucket.seconds }
      : undefined;
  const line = {
    sourcePsi,
    ...(running ? { running } : {}),
    tempF: USUAL_F[water],
    riseFt: 0,
    appliance: curveOf(appliance),
  };
  const pieces = linePieces(path, parts, losses);
  return { point: operatingPoint({ ...line, pieces: withSteps(pieces) }), pieces, line, isRead: staticPsi !== undefined };
}
