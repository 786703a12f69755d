import { finite, InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { length, said } from '../units/index.ts';

export interface TubeRoute {
  /** From corner to corner as measured; the first and last from where the tube ends. */
  legsIn: number[];
  /** Between the legs: how far it turns and how wide, degrees and inches at the tube's middle. */
  bends: { deg: number; radiusIn: number }[];
  /** What goes into the fitting at each end. */
  insertsIn?: [number, number];
  /** Left over at each end to be cut off in place; 6 unless given. */
  allowanceIn?: number;
  minBendRadiusIn?: number;
}

export interface RouteCut {
  /** Along the tube's middle between its fittings. */
  alongIn: number;
  /** What is cut from the coil. */
  cutIn: number;
  /** Where each bend begins and ends, from the tube's first end, allowance included. */
  bendsAtIn: { fromIn: number; toIn: number }[];
  because: Reason[];
}

/**
 * How much tube a way in straight legs and bends takes.
 *
 * A bend of radius R through the angle a cuts its corner: two tangents of R tan(a/2) are saved, an arc of R a is spent.
 *
 * @throws InputError  where a leg is too short for the bends at its ends, or a bend is tighter than the tube allows
 * @source             plane geometry; allowance typical, 6 in at each end
 */
export function tubeRoute(r: TubeRoute): RouteCut {
  const { legsIn, bends, insertsIn = [0, 0], allowanceIn = 6 } = r;
  if (legsIn.length === 0 || bends.length !== legsIn.length - 1) throw new InputError('bends', bends.length, 'Give one bend between each two legs.');
  finite('allowanceIn', allowanceIn, { atLeast: 0, atMost: 120 });
  const inserts = insertsIn.map((v, i) => finite(`insertsIn[${i}]`, v, { atLeast: 0, atMost: 12 }));
  const turned = bends.map(({ deg, radiusIn }, i) => {
    const angle = (finite(`bends[${i}].deg`, deg, { above: 0, atMost: 170 }) * Math.PI) / 180;
    finite(`bends[${i}].radiusIn`, radiusIn, { above: 0, atMost: 240 });
    if (radiusIn < (r.minBendRadiusIn ?? 0)) throw new InputError(`bends[${i}].radiusIn`, radiusIn, `The tube kinks under ${r.minBendRadiusIn} in.`);
    return { tangent: radiusIn * Math.tan(angle / 2), arc: radiusIn * angle };
  });
  const straight = legsIn.map((leg, i) => {
    finite(`legsIn[${i}]`, leg, { above: 0, atMost: 3600 });
    const taken = (turned[i - 1]?.tangent ?? 0) + (turned[i]?.tangent ?? 0);
    if (leg < taken - 1e-9) throw new InputError(`legsIn[${i}]`, leg, `Its bends take ${taken.toFixed(1)} in of it: a longer leg or a tighter bend.`);
    return leg - taken;
  });
  let at = allowanceIn + inserts[0]!;
  const bendsAtIn = turned.map(({ arc }, i) => {
    const fromIn = at + straight[i]!;
    at = fromIn + arc;
    return { fromIn, toIn: at };
  });
  const alongIn = straight.reduce((a, b) => a + b, 0) + turned.reduce((a, b) => a + b.arc, 0);
  const cutIn = alongIn + inserts[0]! + inserts[1]! + 2 * allowanceIn;
  const corners = legsIn.reduce((a, b) => a + b, 0);
  const words = said`Corner to corner ${length(corners)}; its bends save ${length(corners - alongIn)}, fittings take ${length(inserts[0]! + inserts[1]!)}, ${length(allowanceIn)} is left at each end.`;
  return { alongIn, cutIn, bendsAtIn, because: [reason('tube-cut', words, { figures: { cornersIn: corners, alongIn, cutIn } })] };
}

export interface CoilCuts {
  /** Which coil, and what is cut from it in order; 'new' for one that is bought. */
  coil: string;
  cuts: { name: string; lengthIn: number }[];
  leftIn: number;
}

/** More cuts than this are laid by the longest first alone. */
const EXACT_CUTS = 12;

/**
 * Cuts laid on coils so that as few new coils as can be are bought, and among those ways with as little as can be taken from coils that are whole.
 *
 * Up to twelve cuts every way is weighed (a branch that cannot be better is left); more are laid longest first, where each fits most tightly.
 *
 * @param newCoilIn  length of a coil in the shop
 * @throws InputError  where a cut is longer than any coil
 */
export function cutList(cuts: { name: string; lengthIn: number }[], coils: { id: string; leftIn: number }[], newCoilIn: number): CoilCuts[] {
  finite('newCoilIn', newCoilIn, { above: 0 });
  const longest = Math.max(newCoilIn, ...coils.map((c) => c.leftIn));
  const order = [...cuts].sort((a, b) => b.lengthIn - a.lengthIn);
  for (const { name, lengthIn } of order) {
    finite(`cut ${name}`, lengthIn, { above: 0 });
    if (lengthIn > longest)
      throw new InputError(`cut ${name}`, lengthIn, `No coil is longer than ${longest} in: join it where it can be reached, or order a longer one.`);
  }
  let best: CoilCuts[] | null = null;
  const open: CoilCuts[] = [...coils].sort((a, b) => a.leftIn - b.leftIn).map((c) => ({ coil: c.id, cuts: [], leftIn: c.leftIn }));
  const isNew = (c: CoilCuts) => c.coil === 'new';
  const bought = (all: CoilCuts[]) => all.filter(isNew).length;
  const lay = (at: number) => {
    if (best && bought(open) >= bought(best)) return;
    if (at === order.length) {
      best = open.filter((c) => c.cuts.length > 0).map((c) => ({ ...c, cuts: [...c.cuts] }));
      return;
    }
    const cut = order[at]!;
    const fits = open.filter((c) => c.leftIn >= cut.lengthIn - 1e-9).sort((a, b) => a.leftIn - b.leftIn);
    // Coils with the same left over are the same choice.
    const choices = fits.filter((c, i) => i === 0 || c.leftIn !== fits[i - 1]!.leftIn);
    for (const coil of order.length > EXACT_CUTS ? choices.slice(0, 1) : choices) {
      coil.cuts.push(cut);
      coil.leftIn -= cut.lengthIn;
      lay(at + 1);
      coil.leftIn += cut.lengthIn;
      coil.cuts.pop();
    }
    if ((order.length <= EXACT_CUTS || choices.length === 0) && cut.lengthIn <= newCoilIn) {
      open.push({ coil: 'new', cuts: [cut], leftIn: newCoilIn - cut.lengthIn });
      lay(at + 1);
      open.pop();
    }
  };
  lay(0);
  return best ?? [];
}
