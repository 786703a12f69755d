/** The water that stands in a line: how much, how long until it is gone, what heat is left behind in it. */
import { finite } from '../errors.ts';
import { boreArea, celsius, J_PER_BTU, M_PER_IN, M3_PER_GAL } from '../units/index.ts';
import { waterAt } from './water.ts';

/** Of a wall's material: kg/m3 and J/(kg K). @source engineering handbooks, typical */
const WALLS: Record<string, { density: number; heat: number }> = {
  copper: { density: 8940, heat: 385 },
  steel: { density: 7850, heat: 470 },
  pex: { density: 940, heat: 2300 },
  pe: { density: 950, heat: 2300 },
  cpvc: { density: 1550, heat: 900 },
  polybutylene: { density: 930, heat: 2000 },
  braided: { density: 1300, heat: 1600 },
  rubber: { density: 1200, heat: 1700 },
};
/** J/(kg K), within 1 % from 0 to 100 C. */
const WATER_HEAT = 4184;

/** Gallons a minute and seconds. */
export const fillSeconds = (gallons: number, gpm: number): number =>
  (finite('gallons', gallons, { atLeast: 0, atMost: 1e6 }) * 60) / finite('gpm', gpm, { above: 0, atMost: 1000 });

/** A length of tube that stands full. */
export interface Held {
  boreIn: number;
  lengthIn: number;
  /** Outside, in, and of what its wall is: for the heat it takes up. */
  odIn?: number;
  material?: string;
}

const metres3 = (p: Held): number => boreArea(p.boreIn * M_PER_IN) * p.lengthIn * M_PER_IN;

/** @returns gallons that stand in them */
export const heldGal = (pieces: readonly Held[]): number => pieces.reduce((sum, p) => sum + metres3(p), 0) / M3_PER_GAL;

export interface HotWait {
  /** Cooled water that runs away first, and with it what the tube's walls take up before they are warm, gal. */
  volumeGal: number;
  wastedGal: number;
  seconds: number;
  /** Left in the line after each draw, as water and wall cool down again. */
  lostBtu: number;
}

/**
 * How long one waits for hot water, and what the waiting costs.
 *
 * The water in the line goes first; the wall cools what follows until it is warm itself, as if the line held more by the wall's heat over the water's.
 * Mixing along the tube is left out: it makes the water come warm a little sooner and hot a little later.
 *
 * @param pieces  from the heater, or from where hot water goes round, to the outlet
 * @param gpm     what runs, > 0
 * @param hotF    of the water that comes, F
 * @param roomF   of the line when it has stood, F
 * @throws InputError
 * @source heat balance of water and wall
 */
export function hotWait(pieces: readonly Held[], gpm: number, hotF: number, roomF: number): HotWait {
  finite('gpm', gpm, { above: 0, atMost: 1000 });
  const rise = celsius(finite('hotF', hotF, { atLeast: 32, atMost: 212 })) - celsius(finite('roomF', roomF, { atLeast: 32, atMost: hotF }));
  const density = waterAt(roomF).density;
  const waterHeat = pieces.reduce((sum, p) => sum + metres3(p) * density * WATER_HEAT, 0);
  const wallHeat = pieces.reduce((sum, p) => {
    const wall = p.odIn === undefined || p.material === undefined ? undefined : WALLS[p.material];
    if (!wall) return sum;
    const area = boreArea(p.odIn! * M_PER_IN) - boreArea(p.boreIn * M_PER_IN);
    return sum + Math.max(0, area) * p.lengthIn * M_PER_IN * wall.density * wall.heat;
  }, 0);
  const volumeGal = heldGal(pieces);
  const wastedGal = waterHeat === 0 ? 0 : volumeGal * (1 + wallHeat / waterHeat);
  return { volumeGal, wastedGal, seconds: fillSeconds(wastedGal, gpm), lostBtu: ((waterHeat + wallHeat) * rise) / J_PER_BTU };
}
