/** A reverse-osmosis tank that fades as it empties. */
import { finite, InputError } from '../errors.ts';
import { ATM_PA, M3_PER_GAL, M3_S_PER_GPM, PA_PER_PSI } from '../units/index.ts';
import { bindModel, type FlowLine, type FlowModel, solveFlow } from './operating-point.ts';

export interface OsmosisTank {
  /** Water and air together, gal. */
  shellGal: number;
  /** Of its air with no water in it, psi gauge. */
  prechargePsi: number;
  /** Of the full tank: where its membrane's shutoff stops, psi gauge. */
  fullPsi: number;
}

export interface Fading {
  /** Water in the full tank, gal. */
  holdsGal: number;
  /** As it empties. */
  points: { drawnGal: number; seconds: number; psi: number; gpm: number }[];
}

/** Below it a glass takes too long to be called filling, of the flow with the tank full. */
const SPENT = 0.02;
const STEPS = 200;

/**
 * What comes out of a tank whose air pushes, from full until it hardly runs.
 *
 * The air keeps pressure times volume (it has the time to stay as warm as the room); each slice of water is drawn at the flow the line gives at the
 * pressure in its middle.
 *
 * @param line the line from the tank to the outlet: its own supply is not used
 * @throws InputError where the tank cannot be
 * @source Boyle's law; the operating point of the line
 */
export function fading(tank: OsmosisTank, line: Omit<FlowLine, 'sourcePsi' | 'running' | 'regulatorPsi'>): Fading {
  const shell = finite('tank.shellGal', tank.shellGal, { above: 0, atMost: 1000 });
  const low = finite('tank.prechargePsi', tank.prechargePsi, { atLeast: 0, atMost: 150 }) * PA_PER_PSI + ATM_PA;
  const high = finite('tank.fullPsi', tank.fullPsi, { above: 0, atMost: 300 }) * PA_PER_PSI + ATM_PA;
  if (high <= low) throw new InputError('tank.fullPsi', tank.fullPsi, 'A tank holds water only above the pressure of its air when it is empty.');
  const holdsGal = shell * (1 - low / high);
  const { tempF, riseFt, pieces, appliance } = line;
  const base = bindModel({ tempF, riseFt, pieces, appliance, sourcePsi: tank.fullPsi });
  const at = (drawnGal: number) => {
    const air = shell - (holdsGal - drawnGal);
    const psi = ((low * shell) / air - ATM_PA) / PA_PER_PSI;
    const s: FlowModel = { ...base, curve: { staticPa: Math.max(0, psi) * PA_PER_PSI, fall: 0, mostPa: Number.POSITIVE_INFINITY } };
    return { psi, gpm: solveFlow(s) / M3_S_PER_GPM };
  };
  const first = at(0);
  const points = [{ drawnGal: 0, seconds: 0, ...first }];
  const slice = holdsGal / STEPS;
  for (let i = 1; i <= STEPS; i++) {
    const middle = at((i - 0.5) * slice);
    if (middle.gpm <= first.gpm * SPENT) break;
    const last = points.at(-1)!;
    points.push({ drawnGal: i * slice, seconds: last.seconds + (slice * M3_PER_GAL) / (middle.gpm * M3_S_PER_GPM), ...at(i * slice) });
  }
  return { holdsGal, points };
}
