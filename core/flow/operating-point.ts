/** What an appliance gets at the end of its line. */
import { finite } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { GRAVITY, M_PER_FT, M3_S_PER_GPM, PA_PER_PSI, pressure, said, speed, threeDigits } from '../units/index.ts';
import { type Bored, bored, lossPa, type Piece, reynoldsOf, speedFtS } from './piece.ts';
import { decreasingRoot } from './root.ts';
import { type Supply, type SupplyCurve, supplyCurve, supplyPa } from './supply.ts';
import { type Water, waterAt } from './water.ts';

/** An appliance's valve: it passes Kv sqrt(p), set by its design flow at its rated pressure, and never more than its own regulator lets through. */
export interface ApplianceCurve {
  designGpm: number;
  /** Flowing, at its inlet. */
  designPsi: number;
  capGpm?: number;
  /** The most its inlet bears standing; 80 unless given. */
  maxPsi?: number;
}

export interface FlowLine extends Supply {
  tempF: number;
  /** Of the appliance's inlet above the place where the source's pressure is read. */
  riseFt: number;
  /** In the order of the water; a name is used in words. */
  pieces: readonly (Piece & { name?: string })[];
  appliance: ApplianceCurve;
}

/** 'enough': the flowing pressure its maker asks is there. */
export type FlowVerdict = 'enough' | 'weak' | 'none';

export interface OperatingPoint {
  gpm: number;
  /** Flowing, at the appliance. */
  inletPsi: number;
  /** In the order of the pieces. */
  losses: { piece: number; psi: number }[];
  reynolds: number[];
  verdict: FlowVerdict;
  because: Reason[];
  speedFtS: number[];
  /** What the supply still gives while that flows. */
  supplyPsi: number;
  /** What the height takes. */
  risePsi: number;
  /** At the inlet with nothing running. */
  staticPsi: number;
  /** Its own regulator is what holds it back. */
  isCapped: boolean;
}

/** A line ready to be solved, SI. */
export interface FlowModel {
  water: Water;
  curve: SupplyCurve;
  pieces: Bored[];
  risePa: number;
  /** Pa over (m3/s)2: what the appliance's valve takes. */
  valve: number;
  capM3S: number;
  capGpm?: number;
}

/** A house's heights, ft. */
const MOST_RISE_FT = 2000;

/** The valve of an appliance: Pa over the square of m3/s. @throws InputError */
export function valveOf({ designGpm, designPsi, capGpm }: ApplianceCurve): { valve: number; capM3S: number } {
  const flow = finite('appliance.designGpm', designGpm, { above: 0, atMost: 1000 }) * M3_S_PER_GPM;
  const valve = (finite('appliance.designPsi', designPsi, { above: 0, atMost: 1000 }) * PA_PER_PSI) / (flow * flow);
  const capM3S = capGpm === undefined ? Number.POSITIVE_INFINITY : finite('appliance.capGpm', capGpm, { above: 0, atMost: 1000 }) * M3_S_PER_GPM;
  return { valve, capM3S };
}

export const risePaOf = (riseFt: number, water: Water): number =>
  finite('riseFt', riseFt, { atLeast: -MOST_RISE_FT, atMost: MOST_RISE_FT }) * M_PER_FT * water.density * GRAVITY;

/** @throws InputError naming the field */
export function bindModel(line: FlowLine): FlowModel {
  const water = waterAt(line.tempF);
  return { water, curve: supplyCurve(line), pieces: bored(line.pieces), risePa: risePaOf(line.riseFt, water), ...valveOf(line.appliance) };
}

/** What is left at the appliance's inlet while so much flows, Pa. */
export function residualPa(s: Pick<FlowModel, 'curve' | 'risePa' | 'pieces' | 'water'>, flow: number): number {
  let left = supplyPa(s.curve, flow) - s.risePa;
  for (const piece of s.pieces) left -= lossPa(piece, flow, s.water);
  return left;
}

/** Where the line's curve and the appliance's cross, m3/s. */
export function solveFlow(s: FlowModel): number {
  const standing = residualPa(s, 0);
  if (standing <= 0) return 0;
  // Without a line the valve would pass this: with one, never more.
  const most = Math.min(s.capM3S, Math.sqrt(standing / s.valve));
  const beyond = (flow: number) => residualPa(s, flow) - s.valve * flow * flow;
  return beyond(most) >= 0 ? most : decreasingRoot(beyond, 0, most);
}

/**
 * What an appliance gets: where what its line leaves and what its valve asks are the same.
 *
 * Friction by Darcy and Weisbach with Colebrook and White's factor, shapes by their loss coefficients, height by the water's weight.
 *
 * @throws InputError naming the field, the value and what will do
 */
export function operatingPoint(line: FlowLine): OperatingPoint {
  const s = bindModel(line);
  const flow = solveFlow(s);
  const losses = s.pieces.map((p, piece) => ({ piece, psi: lossPa(p, flow, s.water) / PA_PER_PSI }));
  const gpm = flow / M3_S_PER_GPM;
  const inletPsi = Math.max(0, residualPa(s, flow)) / PA_PER_PSI;
  const verdict: FlowVerdict = flow === 0 ? 'none' : inletPsi < line.appliance.designPsi * (1 - 1e-9) ? 'weak' : 'enough';
  const point = {
    gpm,
    inletPsi,
    losses,
    reynolds: s.pieces.map((p) => reynoldsOf(p, flow, s.water)),
    verdict,
    speedFtS: s.pieces.map((p) => speedFtS(p, flow)),
    supplyPsi: supplyPa(s.curve, flow) / PA_PER_PSI,
    risePsi: s.risePa / PA_PER_PSI,
    staticPsi: residualPa(s, 0) / PA_PER_PSI,
    isCapped: flow > 0 && flow >= s.capM3S,
  };
  return { ...point, because: reasonsOf(line, point) };
}

/** The model codes' limit on what stands at an outlet. */
const STATIC_LIMIT_PSI = 80;
/** From here on it is heard and wears the tube. @source copper tube: 8 ft/s cold, 5 ft/s hot from 140 F; trade practice */
const NOISY = { coldFtS: 8, hotFtS: 5, hotFromF: 140 };

function reasonsOf(line: FlowLine, p: Omit<OperatingPoint, 'because'>): Reason[] {
  const { designGpm, designPsi, maxPsi = STATIC_LIMIT_PSI } = line.appliance;
  const kv = designGpm / Math.sqrt(designPsi);
  const lost = p.losses.reduce((sum, l) => sum + l.psi, 0);
  const out: Reason[] = [];
  if (p.verdict === 'none') {
    out.push(
      reason('flow-none', said`Nothing flows: ${pressure(line.sourcePsi)} at the source does not lift the water to the inlet.`, {
        figures: { risePsi: threeDigits(p.risePsi) },
        source: 'rho g h',
      }),
    );
  } else {
    const figures = {
      supplyPsi: threeDigits(p.supplyPsi),
      risePsi: threeDigits(p.risePsi),
      lossPsi: threeDigits(lost),
      inletPsi: threeDigits(p.inletPsi),
      kv: threeDigits(kv),
    };
    const sum = said`Supply less rise less losses is what the valve asks: ${pressure(p.supplyPsi)} - ${pressure(p.risePsi)} - ${pressure(lost)} = ${pressure(p.inletPsi)}${p.isCapped ? ', and its own regulator holds it to less' : ''}.`;
    out.push(reason('flow-crossing', sum, { figures, source: 'Darcy and Weisbach; Colebrook and White; q = Kv sqrt(p)' }));
  }
  if (p.verdict === 'weak') {
    out.push(
      reason('flow-weak', said`${pressure(p.inletPsi)} flowing is under the ${pressure(designPsi)} its maker asks.`, {
        figures: { gpm: threeDigits(p.gpm), designGpm },
      }),
    );
  }
  if (p.staticPsi > maxPsi) {
    out.push(
      reason(
        'flow-over',
        said`Standing, ${pressure(p.staticPsi)} at the inlet is over ${pressure(maxPsi)}: a pressure-reducing valve is asked for.`,
        { figures: { maxPsi }, source: 'model plumbing codes: 80 psi' },
      ),
    );
  }
  const most = Math.max(0, ...p.speedFtS);
  const limit = line.tempF >= NOISY.hotFromF ? NOISY.hotFtS : NOISY.coldFtS;
  // It is a run of tube that is heard, not the foot of a connector.
  const loud = p.speedFtS.findIndex((v, i) => v > limit && line.pieces[i]!.lengthIn >= LONG_ENOUGH_IN);
  if (loud >= 0) {
    out.push(
      reason(
        'flow-noise',
        said`Water runs at ${speed(p.speedFtS[loud]!)} in ${line.pieces[loud]!.name ? `the ${line.pieces[loud]!.name}` : `piece ${loud + 1}`}: over ${speed(limit)} it is heard, and would wear copper.`,
        { figures: { fastestFtS: threeDigits(most), limitFtS: limit }, source: 'typical: 8 ft/s cold, 5 ft/s hot' },
      ),
    );
  }
  return out;
}
/** Shorter than this it is nobody's noise, in. */
const LONG_ENOUGH_IN = 24;
