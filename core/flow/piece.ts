/** A piece of a line, and what water loses in it. */
import { finite } from '../errors.ts';
import { boreArea, M_PER_FT, M_PER_IN } from '../units/index.ts';
import { frictionFactor } from './friction.ts';
import type { Water } from './water.ts';

/** In the trade's units, as it crosses the border. */
export interface Piece {
  boreIn: number;
  lengthIn: number;
  roughnessMm: number;
  /** What its shape costs, in velocity heads of its own bore; 0 unless given. */
  k?: number;
}

/** In SI, ready to be reckoned with. */
export interface Bored {
  areaM2: number;
  boreM: number;
  lengthM: number;
  roughness: number;
  k: number;
}

/** More pieces than any line has: a list of this length is a mistake. */
const MOST_PIECES = 500;

/** @throws InputError naming the piece and its field */
export function bored(pieces: readonly Piece[]): Bored[] {
  finite('pieces', pieces.length, { atMost: MOST_PIECES });
  return pieces.map((p, i) => {
    const at = `pieces[${i}]`;
    const boreM = finite(`${at}.boreIn`, p.boreIn, { above: 0, atMost: 12 }) * M_PER_IN;
    const roughness = (finite(`${at}.roughnessMm`, p.roughnessMm, { atLeast: 0, atMost: 5 }) * 1e-3) / boreM;
    return {
      boreM,
      areaM2: boreArea(boreM),
      lengthM: finite(`${at}.lengthIn`, p.lengthIn, { atLeast: 0, atMost: 120_000 }) * M_PER_IN,
      roughness: finite(`${at}.roughnessMm over its bore`, roughness, { atMost: 0.05 }),
      k: finite(`${at}.k`, p.k ?? 0, { atLeast: 0, atMost: 1e6 }),
    };
  });
}

export const reynoldsOf = (p: Bored, flow: number, water: Water): number => (water.density * flow * p.boreM) / (p.areaM2 * water.viscosity);

/**
 * Pressure that a piece takes off, Pa: friction along it and what its shape costs.
 *
 * @param flow m3/s, >= 0
 * @source Darcy and Weisbach
 */
export function lossPa(p: Bored, flow: number, water: Water): number {
  if (flow <= 0) return 0;
  const speed = flow / p.areaM2;
  const heads = p.lengthM > 0 ? (frictionFactor(reynoldsOf(p, flow, water), p.roughness) * p.lengthM) / p.boreM + p.k : p.k;
  return (heads * water.density * speed * speed) / 2;
}

export const speedFtS = (p: Bored, flow: number): number => flow / p.areaM2 / M_PER_FT;
