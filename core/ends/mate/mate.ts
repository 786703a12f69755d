import { defaultRules, type HouseRules } from '../../house/index.ts';
import { type Reason, reason } from '../../reason.ts';
import { type SealId, type SealTurns, sealById } from '../../rows/index.ts';
import { turns24 } from '../../units/index.ts';
import { type End, type EndCode, parseEnd, type SocketEnd, type ThreadEnd } from '../code.ts';
import { jointReason } from '../sayings.ts';
import { type Fit, type LooseCode, refuse, type Verdict } from './joint.ts';
import { threadJoint } from './thread-joint.ts';
import { noseJoint, tubeJoint } from './tube-joint.ts';

/** Whether and how two ends make a joint. */
export interface Mating {
  verdict: Verdict;
  /** Row of seals.csv; null unless it seals, or does so marginally. */
  seal: SealId | null;
  sealant: 'none' | 'tape' | 'paste' | 'trace of paste' | null;
  loose: LooseCode[];
  /** Turns past hand-tight, each a whole number of 24ths; null where nothing is screwed. */
  turns: SealTurns | null;
  bindsAfterTurns?: number;
  /** Id of the rule that names a near miss. */
  nearMiss?: string;
  because: Reason[];
}

/**
 * Judges one end against another, by geometry and seat.
 *
 * Symmetric in its two ends. Never 'seals' without a seat, nor with unequal pitch or flanks.
 *
 * @throws EndCodeError for a code that does not read
 * @source thread standards: ASME B1.20.1 and B1.20.7, SAE J512, ISO 228-1; trade practice: how joints seal; the tables of threads, tubes and seals
 */
export function mate(a: EndCode, b: EndCode, rules: HouseRules = defaultRules): Mating {
  const [first, second] = a <= b ? [parseEnd(a), parseEnd(b)] : [parseEnd(b), parseEnd(a)];
  const fit = judge(first, second);
  if (fit.seal === null)
    return withMisses({ verdict: fit.verdict, seal: null, sealant: null, loose: fit.loose, turns: null, because: fit.because }, fit);
  return finish(fit, fit.seal, first, second, rules);
}

/** Adds what names a near miss, where there is any. */
function withMisses(mating: Mating, fit: Fit): Mating {
  if (fit.nearMiss !== undefined) mating.nearMiss = fit.nearMiss;
  if (fit.bindsAfterTurns !== undefined) mating.bindsAfterTurns = fit.bindsAfterTurns;
  return mating;
}

function judge(a: End, b: End): Fit {
  if (a.kind === 'thread' && b.kind === 'thread') return threadJoint(a, b);
  if (a.kind === 'tube' && b.kind === 'tube') {
    return refuse(reason('tube-tube', 'Two plain tubes need a coupling between them.'));
  }
  if (a.kind === 'tube') return tubeJoint(a, b as ThreadEnd | SocketEnd);
  if (b.kind === 'tube') return tubeJoint(b, a as ThreadEnd | SocketEnd);
  if (a.kind === 'socket' && b.kind === 'thread' && a.family === 'nose') return noseJoint(a, b);
  if (b.kind === 'socket' && a.kind === 'thread' && b.family === 'nose') return noseJoint(b, a);
  return refuse(reason('no-tube', 'A socket takes tube: there is none between these two.'));
}

/** Adds material, turns and sealant to a joint that has a seal. */
function finish(fit: Fit, seal: SealId, a: End, b: End, rules: HouseRules): Mating {
  const plastic = [a, b].some((e) => e.kind !== 'tube' && e.material === 'plastic');
  const id = plastic ? (ON_PLASTIC[seal].is ?? seal) : seal;
  const because = [...fit.because];
  let verdict = fit.verdict;
  if (plastic && id === 'flare') {
    verdict = 'marginal';
    because.push(jointReason('flare-plastic'));
  }
  if (id === 'taper-plastic') because.push(...taperPlastic(a, b));
  const turns = plastic ? softened(id) : sealById(id).turns;
  const chosen = turns && houseTurns(id, turns, rules);
  const mating: Mating = {
    verdict,
    seal: id,
    sealant: sealant(id, rules, because),
    loose: fit.loose,
    turns: chosen?.turns ?? null,
    because: chosen ? [...because, ...chosen.because] : because,
  };
  return withMisses(mating, fit);
}

/** What a seal is on a plastic body: another one, or turned no further than another, or just as another is. */
const ON_PLASTIC: Record<SealId, { is?: SealId; asFarAs?: SealId; turnedAs?: SealId }> = {
  washer: { is: 'washer-plastic' },
  'washer-on-taper': { is: 'washer-plastic' },
  'washer-plastic': {},
  'washer-hose': {},
  'washer-aerator': {},
  ferrule: { asFarAs: 'ferrule-plastic' },
  'ferrule-large': { asFarAs: 'ferrule-plastic' },
  'ferrule-plastic': {},
  taper: { is: 'taper-plastic' },
  'taper-plastic': {},
  'o-ring': {},
  flare: {},
  cone: { turnedAs: 'washer-plastic' },
  push: {},
  'push-small': {},
  crimp: {},
  expansion: {},
  solder: {},
};

function softened(id: SealId): SealTurns | null {
  const { asFarAs, turnedAs } = ON_PLASTIC[id];
  const own = sealById(turnedAs ?? id).turns;
  const cap = asFarAs && sealById(asFarAs).turns;
  if (!own || !cap) return own;
  const least = (key: keyof SealTurns) => Math.min(own[key], cap[key]);
  return { from: least('from'), to: least('to'), default: least('default'), nudge: least('nudge'), most: least('most') };
}

function taperPlastic(a: End, b: End): Reason[] {
  const [male, female] = (a as ThreadEnd).gender === 'm' ? [a as ThreadEnd, b as ThreadEnd] : [b as ThreadEnd, a as ThreadEnd];
  const out = [jointReason('plastic-tape')];
  if (male.material === 'metal' && female.material === 'plastic') {
    out.push(jointReason('metal-into-plastic'));
  }
  return out;
}

function houseTurns(id: SealId, table: SealTurns, rules: HouseRules): { turns: SealTurns; because: Reason[] } {
  const { from, to, default: usual, most } = table;
  const typical = jointReason('turns', { from, to, default: usual, most });
  const house = rules.turns[id];
  if (house === undefined) return { turns: { ...table }, because: [typical] };
  const wanted = Math.max(0, turns24(house)) / 24;
  const used = Math.min(wanted, most);
  return { turns: { ...table, default: used }, because: [typical, jointReason('house-turns', { turns: used, wanted, most })] };
}

/** Notes the house rule it used. */
function sealant(id: SealId, rules: HouseRules, because: Reason[]): Mating['sealant'] {
  if (id === 'taper-plastic') return 'tape';
  if (id === 'taper') {
    because.push(jointReason('house-thread-sealant', { sealant: rules.threadSealant }));
    return rules.threadSealant;
  }
  if (id === 'ferrule' || id === 'ferrule-large' || id === 'cone') {
    because.push(jointReason('house-ferrule', { ferrule: rules.ferrule }));
    return rules.ferrule === 'dry' ? 'none' : 'trace of paste';
  }
  return 'none';
}
