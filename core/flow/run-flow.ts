/** What an appliance gets through a chain, by the pressures that were read at its place. */

import type { Part } from '../match/index.ts';
import type { Appliance } from '../rows/index.ts';
import { type LinePiece, type LossRow, linePieces, type PathStep, withSteps } from './line-pieces.ts';
import { type FlowLine, type OperatingPoint, operatingPoint } from './operating-point.ts';

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

/**
 * The operating point of a run: its chain from the stop on, at the pressures read there.
 *
 * @throws InputError where what was read cannot be
 */
export function runFlow(
  appliance: Pick<Appliance, 'designGpm' | 'minFlowPsi' | 'maxStaticPsi'>,
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
    appliance: { designGpm: appliance.designGpm, designPsi: appliance.minFlowPsi, maxPsi: Math.min(80, appliance.maxStaticPsi) },
  };
  const pieces = linePieces(path, parts, losses);
  return { point: operatingPoint({ ...line, pieces: withSteps(pieces) }), pieces, line, isRead: staticPsi !== undefined };
}
