import { boreIn, type EndCode, isHoseNut, parseEnd } from '../../ends/index.ts';
import type { Reason } from '../../reason.ts';
import type { SealId } from '../../rows/index.ts';
import { isLine, type Part, type PartEnd } from '../part.ts';
import { type Branch, type Chain, type ChainJoint, SCALDS_F } from '../query.ts';
import { stubCautions } from '../stub.ts';
import { notPreferred } from '../suits.ts';
import { chainReason } from '../told/sayings.ts';
import { withFound } from './found-nut.ts';
import { piecePriceCents } from './pricing.ts';
import { callbackRateOf, looseShort, partShort, type Setting } from './setting.ts';

/** One part as a chain uses it. */
export interface Step {
  part: Part;
  inEnd: PartEnd;
  outEnd: PartEnd;
  branches: Branch[];
  lengthIn: number;
  cutLengthIn: number | null;
}

/** Puts the chosen steps together as a chain, with every figure worked out afresh and exactly. */
export function buildChain(s: Setting, steps: Step[]): Chain {
  const { weights } = s.rules;
  const joints = jointsOf(s, steps);
  const branches = steps.flatMap((o) => o.branches);
  const loose = countLoose(joints, branches);
  const caps = branches.filter((b) => b.use === 'cap').length;
  const rates = [...joints.map((j) => callbackRateOf(s, j.mating)), ...Array<number>(caps).fill(s.rates.cap)];
  const priceCents =
    steps.reduce((sum, o) => sum + piecePriceCents(o.part, o.cutLengthIn), 0) +
    Object.entries(loose).reduce((sum, [code, n]) => sum + n * (s.loosePrice.get(code) ?? 0), 0);
  const minutes = steps.reduce((sum, o) => sum + o.part.minutes, 0);
  const offVan = [
    ...steps.filter((o) => partShort(s, o.part.id)).map((o) => o.part.id),
    ...Object.entries(loose).flatMap(([code, n]) => (looseShort(s, code, n) ? [code] : [])),
  ];
  const cost = {
    price: priceCents / 100,
    minutes: minutes * weights.minuteDollars,
    callbacks: rates.reduce((sum, r) => sum + r, 0) * weights.callbackDollars,
    trip: offVan.length > 0 ? weights.tripDollars : 0,
    preference: steps.filter((o) => notPreferred(o.part, s.rules, s.need.outOf)).length * weights.notPreferredDollars,
  };
  return {
    parts: steps.map((o) => o.part.id),
    path: steps.map((o) => ({
      part: o.part.id,
      inEnd: o.inEnd.id,
      outEnd: o.outEnd.id,
      ...(o.cutLengthIn === null ? {} : { cutLengthIn: o.cutLengthIn }),
    })),
    branches,
    joints,
    loose,
    lengthIn: steps.reduce((sum, o) => sum + o.lengthIn, 0),
    priceCents,
    leakRisk: 1 - rates.reduce((dry, r) => dry * (1 - r), 1),
    minutes,
    offVan,
    cautions: cautionsOf(s, steps, joints),
    cost: { total: cost.price + cost.minutes + cost.callbacks + cost.trip + cost.preference, ...cost },
  };
}

/** A chain that falls below this share of the bore of both its ends is worth a word: a fifth of the area. */
const NARROW = 0.45;

function narrowing(s: Setting, steps: Step[]): Reason[] {
  const least = Math.min(...steps.flatMap((o) => [boreIn(o.inEnd.code), boreIn(o.outEnd.code)]));
  const ends = Math.min(boreIn(s.from), boreIn(s.to));
  if (least >= NARROW * ends) return [];
  return [chainReason('narrow', { boreIn: Number(least.toFixed(2)), endsIn: Number(ends.toFixed(2)) })];
}

function jointsOf(s: Setting, steps: Step[]): ChainJoint[] {
  const outs: EndCode[] = [s.from, ...steps.map((o) => o.outEnd.code)];
  const ins: EndCode[] = [...steps.map((o) => o.inEnd.code), s.to];
  const pairs = outs.map((a, i) => [a, ins[i] as EndCode] as const);
  for (const b of steps.flatMap((o) => o.branches)) if (b.use === 'rejoin') pairs.push([b.code, s.rejoin as EndCode]);
  const found = (a: EndCode, b: EndCode) => withFound(a, b, s.mating, s.rules);
  const last = outs.length - 1;
  return pairs.map(([a, b], i) => ({ n: i + 1, a, b, mating: i === 0 ? found(a, b) : i >= last ? found(b, a) : s.mating(a, b) }));
}

function countLoose(joints: ChainJoint[], branches: Chain['branches']): Record<string, number> {
  const out: Record<string, number> = {};
  const codes = [...joints.flatMap((j) => j.mating.loose), ...branches.flatMap((b) => (b.use === 'cap' ? [`cap-${b.code}`] : []))];
  for (const code of codes) out[code] = (out[code] ?? 0) + 1;
  return out;
}

/** What a joint asks care of, by how it seals. */
const BY_SEAL: Record<SealId, Reason[]> = {
  washer: [],
  'washer-on-taper': [chainReason('washer-on-taper')],
  'washer-plastic': [],
  'washer-hose': [],
  'washer-aerator': [],
  ferrule: [],
  'ferrule-large': [],
  'ferrule-plastic': [],
  taper: [],
  'taper-plastic': [],
  'o-ring': [],
  flare: [],
  cone: [],
  push: [],
  'push-small': [],
  crimp: [],
  expansion: [],
  solder: [chainReason('fire'), chainReason('solder-first')],
};

/** Why a joint holds only with care: told of the chain once, however many of its joints it is true of. */
const OF_JOINTS = ['metal-into-plastic', 'push-small-copper', 'old-ferrule', 'old-ferrule-never'] as const;

/** Copper by itself on a thread that may be plain steel: a found one, or one of a part that is. */
function isCopperOnThread(steps: Step[]): boolean {
  const isCopper = ({ tags }: Part) => tags.includes('copper') && !tags.includes('brass') && !tags.includes('dielectric');
  const isThread = (code: EndCode) => parseEnd(code).family === 'npt' && !code.endsWith(':plastic');
  return steps.some((o, i) => {
    if (!isCopper(o.part)) return false;
    const [before, after] = [steps[i - 1]?.part, steps[i + 1]?.part];
    const isSteel = (part: Part | undefined) => (part === undefined ? true : part.tags.includes('steel'));
    return (isThread(o.inEnd.code) && isSteel(before)) || (isThread(o.outEnd.code) && isSteel(after));
  });
}

/** What can be trusted to hurt or to leak, each said once, where its hazard is in the chain. */
function cautionsOf(s: Setting, steps: Step[], joints: ChainJoint[]): Reason[] {
  const out: Reason[] = [];
  if (joints.some((j) => j.mating.verdict === 'marginal')) {
    out.push(chainReason('marginal'));
  }
  for (const side of [s.from, s.to]) {
    if (parseEnd(side).family === 'ptc') {
      out.push(chainReason('push-found'));
    }
  }
  for (const seal of new Set(joints.flatMap((j) => j.mating.seal ?? []))) out.push(...BY_SEAL[seal]);
  for (const rule of OF_JOINTS) out.push(...joints.flatMap((j) => j.mating.because.filter((r) => r.rule === rule)).slice(0, 1));
  if (isCopperOnThread(steps)) out.push(chainReason('steel-copper'));
  out.push(...stubOf(s, steps, joints));
  if (steps.at(-1)?.part.tags.includes('hose') && isHoseNut(s.to)) {
    out.push(chainReason('hose-on-hose'));
  }
  if (steps.filter((o) => isLine(o.part)).length > 1) out.push(chainReason('two-lines'));
  out.push(...tooLong(s, steps));
  out.push(...narrowing(s, steps));
  if (steps.some((o) => o.branches.some((b) => b.use === 'free'))) {
    out.push(chainReason('outlet-free'));
  }
  if (s.need.water === 'hot' && s.need.tempF > SCALDS_F) {
    out.push(chainReason('scald', { tempF: s.need.tempF }));
  }
  return out;
}

/** A hose this much longer than asked, in, and by this factor, loops. */
const LOOPS = { moreIn: 24, times: 2 };

/** Does a line of this length loop over this distance? */
export const loops = (lengthIn: number, minLengthIn: number): boolean =>
  lengthIn >= minLengthIn * LOOPS.times && lengthIn >= minLengthIn + LOOPS.moreIn;

function tooLong({ need: { minLengthIn } }: Setting, steps: Step[]): Reason[] {
  const hose = steps.find((o) => o.part.flexible && o.cutLengthIn === null);
  if (!hose || minLengthIn === null || !loops(hose.lengthIn, minLengthIn)) return [];
  return [chainReason('long-line', { lengthIn: hose.lengthIn, minLengthIn })];
}

function stubOf(s: Setting, steps: Step[], joints: ChainJoint[]): Reason[] {
  const { stub } = s.need;
  if (stub === null) return [];
  const joint = joints[stub.side === 'from' ? 0 : steps.length];
  return joint ? stubCautions(stub, s[stub.side], joint.mating) : [];
}
