/** Where the water for a run may be taken from, compared by what each way costs in money, time and trust. */
import type { EndCode } from '../ends/index.ts';
import { finite, InputError } from '../errors.ts';
import { defaultRules } from '../house/index.ts';
import { type Chain, type MatchQuery, matchChains, type Part, type Stub, stockForCut } from '../match/index.ts';
import type { Through } from '../reach/index.ts';
import { type Reason, reason } from '../reason.ts';
import type { SourceWork } from './rows.ts';

export interface SourceCandidate {
  id: string;
  name: string;
  kind: 'idle-line' | 'stop' | 'pipe' | 'manifold' | 'tank' | 'saddle';
  /** What the chain begins at: the capped line's end, the stop's outlet, one side of the cut pipe. */
  end: EndCode;
  /** What was parted there and must be joined again: the old line's nut, the other side of the cut. */
  rejoin?: EndCode;
  /** From there to the inlet, along the way the line will lie. */
  lengthIn: number;
  holes: { through: Through; inTheWay?: string }[];
  shut: 'nothing' | 'stop' | 'branch' | 'main';
  /** Whether the pipe can be got dry: a low point that keeps weeping cannot. */
  dry: 'yes' | 'no' | 'unknown';
  /** What an idle line was proved to hold. */
  holds?: 'cold' | 'hot' | 'unproved' | 'no water';
  afterOsmosis?: boolean;
  stub?: Omit<Stub, 'side'>;
}

/** `stock` as it is counted: pieces, of a coil inches. */
export interface SourceQuestion extends Omit<MatchQuery, 'from' | 'rejoin' | 'parts'> {
  candidates: SourceCandidate[];
  parts: Part[];
  work: SourceWork[];
}

export interface SourceOption {
  id: string;
  chain: Chain;
  joints: number;
  /** The line and what the holes, the shutting and the source itself take. */
  minutes: number;
  priceCents: number;
  leakRisk: number;
  dollars: number;
  skills: string[];
  tools: string[];
  /** Of the first: what speaks for it; of the others: what they lose by. */
  because: Reason[];
  cautions: Reason[];
}

export interface SourcesCompared {
  ranked: SourceOption[];
  refused: { id: string; because: Reason[] }[];
}

/** Parts without a cup, by the list they are of: the same list for the same, so that what is worked out for it is found again. */
const solderless = new WeakMap<Part[], Part[]>();

function withoutSolder(parts: Part[]): Part[] {
  const known = solderless.get(parts) ?? parts.filter((p) => !p.ends.some((e) => e.code.startsWith('cup-')));
  solderless.set(parts, known);
  return known;
}

/**
 * Every candidate's best chain, with what it takes to get there, cheapest first by expected money; each that loses says by what.
 *
 * Never a saddle valve, never a line that is not proved to hold this water; no solder where the pipe may stay wet; after reverse osmosis no copper
 * or brass. Each run gets a stop of its own, unless nothing is asked to be shut off there (a manifold's port is one).
 *
 * @throws InputError  where a candidate's figures cannot be, or the rows of work lack one of its kinds
 */
export function compareSources({ candidates, work, parts, need, ...query }: SourceQuestion): SourcesCompared {
  const { weights } = query.rules ?? defaultRules;
  const refused: SourcesCompared['refused'] = [];
  const ranked: SourceOption[] = [];
  for (const candidate of candidates) {
    const no = notAtAll(candidate, need.water);
    if (no) {
      refused.push({ id: candidate.id, because: [no] });
      continue;
    }
    const isWet = candidate.dry !== 'yes';
    const avoid = [...(need.avoid ?? []), ...(candidate.afterOsmosis ? ['copper', 'brass'] : []), ...(isThrough(candidate) ? ['hose'] : [])];
    const minLengthIn = finite(`${candidate.name}, length`, candidate.lengthIn, { above: 0, atMost: 3600 });
    const { chains, unreachable } = matchChains({
      ...query,
      ...(query.stock ? { stock: stockForCut(query.stock, parts, minLengthIn) } : {}),
      from: candidate.end,
      ...(candidate.rejoin === undefined ? {} : { rejoin: candidate.rejoin }),
      parts: isWet ? withoutSolder(parts) : parts,
      k: 1,
      need: {
        stop: candidate.kind !== 'manifold',
        ...need,
        ...(avoid.length > 0 ? { avoid } : {}),
        minLengthIn,
        ...(candidate.stub ? { stub: { side: 'from', ...candidate.stub } } : {}),
      },
    });
    const [chain] = chains;
    if (!chain) {
      refused.push({ id: candidate.id, because: unreachable ?? [] });
      continue;
    }
    const steps = stepsOf(candidate, work);
    const minutes = steps.reduce((sum, s) => sum + s.minutes, 0);
    ranked.push({
      id: candidate.id,
      chain,
      joints: chain.joints.length,
      minutes: chain.minutes + minutes,
      priceCents: chain.priceCents,
      leakRisk: chain.leakRisk,
      dollars: chain.cost.total + minutes * weights.minuteDollars,
      skills: [...new Set([...steps.map((s) => s.skill), ...(chain.joints.some((j) => j.mating.seal === 'solder') ? ['soldering'] : [])])].filter(
        Boolean,
      ),
      tools: [...new Set(steps.flatMap((s) => s.tools))],
      because: [],
      cautions: [...cautionsOf(candidate, isWet), ...chain.cautions],
    });
  }
  ranked.sort((a, b) => a.dollars - b.dollars || a.joints - b.joints || a.id.localeCompare(b.id));
  const [first] = ranked;
  const byId = new Map(candidates.map((c) => [c.id, c]));
  for (const option of ranked) option.because = option === first ? standsFirst(option) : losesBy(option, first!, byId, work);
  return { ranked, refused };
}

function notAtAll({ kind, name, holds }: SourceCandidate, water: 'cold' | 'hot'): Reason | null {
  if (kind === 'saddle')
    return reason('no-saddle', `${name}: a saddle valve is never built on; it weeps, clogs, and is taken out.`, {
      source: 'trade practice: valves and where water comes from',
    });
  if (kind !== 'idle-line' || holds === undefined || holds === 'unproved') return null;
  if (holds === 'no water')
    return reason('not-water', `${name} does not hold water: it is left alone, and its owner asked what it is.`, {
      source: 'trade practice',
    });
  return holds === water ? null : reason('other-water', `${name} holds ${holds} water; ${water} is wanted.`);
}

/** What getting there takes besides the chain. */
/** Through a floor or a wall goes tube, never a braided hose. */
const isThrough = ({ holes }: SourceCandidate): boolean => holes.some((h) => h.through !== 'cabinet');

function stepsOf({ kind, holes, shut }: SourceCandidate, work: SourceWork[]): SourceWork[] {
  const row = (of: SourceWork['of'], id: string) => {
    const found = work.find((w) => w.of === of && w.id === id);
    if (!found) throw new InputError(of, id, 'The rows of work do not know it.');
    return found;
  };
  return [row('kind', kind), row('shut', shut), ...holes.map((h) => row('hole', h.through))];
}

function cautionsOf({ kind, holds, name, holes, dry, afterOsmosis }: SourceCandidate, isWet: boolean): Reason[] {
  const out: Reason[] = [];
  if (kind === 'idle-line' && (holds === undefined || holds === 'unproved')) {
    const words = `${name} may hold heating water, glycol, irrigation, reclaimed water or gas: proved to be cold drinking water before anything is joined, then flushed long.`;
    out.push(reason('idle-unproved', words, { source: 'trade practice' }));
  }
  if (isWet && (kind === 'pipe' || dry === 'no')) {
    out.push(
      reason(
        'wet',
        dry === 'no' ? 'It keeps weeping: no solder, a joint that bears water.' : 'Whether it drains dry is not known: planned without solder.',
      ),
    );
  }
  if (afterOsmosis)
    out.push(
      reason('after-osmosis', 'After reverse osmosis: plastic or stainless alone.', { source: 'trade practice: valves and where water comes from' }),
    );
  for (const hole of holes) {
    if (hole.inTheWay) out.push(reason('in-the-way', `In the way of the ${hole.through} hole: ${hole.inTheWay}. The hole moves to the next bay.`));
  }
  return out;
}

const dollars = (n: number): string => `$${n.toFixed(0)}`;
const several = (n: number, word: string): string => `${n} ${word}${n === 1 ? '' : 's'}`;

function standsFirst(option: SourceOption): Reason[] {
  const words = `${several(option.joints, 'joint')}, ${option.minutes} min, ${dollars(option.priceCents / 100)} of parts: ${dollars(option.dollars)} all told.`;
  return [reason('cheapest', words, { figures: { dollars: option.dollars, minutes: option.minutes, joints: option.joints } })];
}

/** By what it is dearer than the first, the heaviest first; the parts add up to the whole. */
function losesBy(option: SourceOption, first: SourceOption, byId: Map<string, SourceCandidate>, work: SourceWork[]): Reason[] {
  const more = option.dollars - first.dollars;
  const stepMinutes = (o: SourceOption) => stepsOf(byId.get(o.id)!, work).reduce((sum, s) => sum + s.minutes, 0);
  const spent = (o: SourceOption) => ({ ...o.chain.cost, access: o.dollars - o.chain.cost.total });
  const [own, best] = [spent(option), spent(first)];
  const terms: [dollars: number, words: string][] = [
    [own.price - best.price, 'parts'],
    [own.minutes - best.minutes, `joining (${several(option.joints - first.joints, 'joint')} more)`],
    [own.access - best.access, `getting there (${stepMinutes(option)} min against ${stepMinutes(first)})`],
    [own.callbacks - best.callbacks, 'leaks to be expected'],
    [own.trip - best.trip, 'a trip for a part'],
    [own.preference - best.preference, 'a line the house does not prefer'],
  ];
  const told = terms.filter(([d]) => Math.abs(d) >= 0.5).sort((a, b) => b[0] - a[0]);
  const words = told.map(([d, what]) => `${d > 0 ? '' : 'less '}${dollars(Math.abs(d))} ${what}`).join(', ');
  return [reason('dearer', `${dollars(more)} more${words ? `: ${words}` : ''}.`, { figures: { dollars: more } })];
}
