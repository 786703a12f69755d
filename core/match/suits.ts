import type { HouseRules } from '../house/index.ts';
import { type Reason, reason } from '../reason.ts';
import { diameter, length, pressure, type Said, said, temperature } from '../units/index.ts';
import { isLine, type Part } from './part.ts';
import { COIL_ALLOWANCE_IN, type FullNeed, RISER_ALLOWANCE_IN } from './query.ts';
import { FIGURE, IS } from './search/figures.ts';

interface Demand {
  rule: string;
  fails: (part: Part, need: FullNeed) => boolean;
  why: (part: Part, need: FullNeed) => string | Said;
  figures?: (part: Part, need: FullNeed) => Record<string, number | string>;
}

/** What a part must be whatever its place in a chain, in the order in which a refusal names it. */
const DEMANDS: Demand[] = [
  { rule: 'saddle', fails: (p) => p.tags.includes('saddle'), why: () => 'A saddle valve is never proposed: it is a hazard to be replaced.' },
  { rule: 'water', fails: (p, n) => !p.waters.includes(n.water), why: (_, n) => `It is not for ${n.water} water.` },
  {
    rule: 'temperature',
    fails: (p, n) => p.maxF < n.tempF,
    why: (p, n) => said`It is rated to ${temperature(p.maxF)}, the water is ${temperature(n.tempF)}.`,
    figures: (p, n) => ({ maxF: p.maxF, tempF: n.tempF }),
  },
  {
    rule: 'pressure',
    fails: (p, n) => p.maxPsi < n.pressurePsi,
    why: (p, n) => said`It is rated to ${pressure(p.maxPsi)}, the pressure is ${pressure(n.pressurePsi)}.`,
    figures: (p) => ({ maxPsi: p.maxPsi }),
  },
  { rule: 'potable', fails: (p, n) => n.potable && !p.potable, why: () => 'It is not for drinking water.' },
  {
    rule: 'avoid',
    fails: (p, n) => avoided(p.tags, n).length > 0,
    why: (p, n) => `It is ${avoided(p.tags, n).join(' and ')}, which is to be avoided here.`,
  },
  {
    rule: 'hidden-flexible',
    fails: (p, n) => p.flexible && !n.reachable && !p.tags.includes('concealable'),
    why: () => 'No flexible piece where it cannot be reached afterwards, but a coil that may run in a wall.',
  },
  {
    rule: 'needs-access',
    fails: (p, n) => !n.reachable && p.tags.includes('needs-access'),
    why: () => 'It has to be reached afterwards, to be turned, opened or renewed.',
  },
  {
    rule: 'bore',
    fails: (p, n) => n.minBoreIn !== null && p.boreIn !== undefined && p.boreIn < n.minBoreIn,
    why: (p, n) => said`Its bore is ${diameter(p.boreIn as number)}, the appliance's flow asks for ${diameter(n.minBoreIn as number)}.`,
    figures: (p, n) => ({ boreIn: p.boreIn as number, minBoreIn: n.minBoreIn as number }),
  },
  { rule: 'cut-length', fails: (p, n) => p.cutToLength && n.minLengthIn === null, why: () => 'It is cut to length: say how far it must reach.' },
  {
    rule: 'too-short',
    fails: (p, n) => p.cutToLength && n.minLengthIn !== null && p.maxLengthIn !== undefined && cutLengthIn(p, n.minLengthIn) > p.maxLengthIn,
    why: (p, n) =>
      said`It comes ${length(p.maxLengthIn as number)} long, ${length(cutLengthIn(p, n.minLengthIn as number))} are needed with the allowance.`,
    figures: (p, n) => ({ needIn: cutLengthIn(p, n.minLengthIn as number) }),
  },
  {
    rule: 'too-short',
    fails: (p, n) => isLine(p) && !p.cutToLength && n.minLengthIn !== null && (p.lengthIn ?? 0) < n.minLengthIn,
    why: (p, n) => said`It is ${length(p.lengthIn ?? 0)} long, at least ${length(n.minLengthIn as number)} are needed.`,
    figures: (p) => ({ lengthIn: p.lengthIn ?? 0 }),
  },
];

/** Tags of a part that are to be avoided. An appliance's own connectors are no hose where they are allowed, unless they are named. */
function avoided(tags: readonly string[], { avoid, ownConnectors }: Pick<FullNeed, 'avoid' | 'ownConnectors'>): string[] {
  const isInside = ownConnectors && tags.includes('tub-connector');
  return avoid.filter((tag) => tags.includes(tag) && !(tag === 'hose' && isInside));
}

/**
 * The demands again over the parts' figures, for a search that asks for thousands; a test holds the two equal.
 */
export class Suits {
  private readonly must: number;
  private readonly barred: number;
  private readonly least: number;
  private readonly avoids: boolean;

  constructor(
    private readonly parts: Part[],
    private readonly need: FullNeed,
  ) {
    this.must = IS[need.water] | (need.potable ? IS.potable : 0);
    this.barred = IS.saddle | (need.reachable ? 0 : IS.needsAccess) | (need.minLengthIn === null ? IS.cut : 0);
    this.least = need.minLengthIn ?? 0;
    this.avoids = need.avoid.length > 0;
  }

  /** May the part, whose figures stand at `at` of `row`, be in a chain for this need, whatever its place? */
  ok(row: Float64Array, at: number, part: number): boolean {
    const { need, least } = this;
    const is = row[at + FIGURE.is]!;
    if ((is & this.must) !== this.must || (is & this.barred) !== 0) return false;
    if (!need.reachable && (is & IS.flexible) !== 0 && (is & IS.concealable) === 0) return false;
    if (need.minBoreIn !== null && (this.parts[part]!.boreIn ?? need.minBoreIn) < need.minBoreIn) return false;
    if (row[at + FIGURE.maxF]! < need.tempF || row[at + FIGURE.maxPsi]! < need.pressurePsi) return false;
    if (this.avoids && avoided(this.parts[part]!.tags, need).length > 0) return false;
    if (need.minLengthIn === null || !(is & IS.line)) return true;
    // A coil without a greatest length (NaN) is never too short, a hose without a length always.
    if (is & IS.cut) return !(least + allowanceIn((is & IS.flexible) !== 0) > row[at + FIGURE.maxLengthIn]!);
    return row[at + FIGURE.lengthIn]! >= least;
  }
}

/** Why a part cannot be in any chain for this need; empty when it may. */
export function unsuited(part: Part, need: FullNeed): Reason[] {
  return DEMANDS.filter((d) => d.fails(part, need)).map((d) =>
    reason(d.rule, d.why(part, need), d.figures ? { figures: d.figures(part, need) } : {}),
  );
}

/** Length a coil or a riser is cut to for a distance, inches. */
export function cutLengthIn(part: Part, minLengthIn: number): number {
  return minLengthIn + allowanceIn(part.flexible);
}

/** What is cut beyond the distance, inches. */
export function allowanceIn(flexible: boolean): number {
  return flexible ? COIL_ALLOWANCE_IN : RISER_ALLOWANCE_IN;
}

/** Why a push end of a part may not be used here, by the house rule; null when it may. */
export function pushRefused(part: Part, need: FullNeed, rules: HouseRules): Reason | null {
  if (rules.push === 'never') return reason('house-push', 'House rule: no push-to-connect.');
  if (need.reachable) return null;
  if (rules.push === 'where reachable') return reason('house-push', 'House rule: push-to-connect only where it can be reached.');
  if (part.tags.includes('listed-hidden')) return null;
  return reason('house-push', 'House rule: hidden push-to-connect only where it is listed for it.');
}

/** The stop that does not turn the line the right way, by what it comes out of. */
export const WRONG_TURN = { wall: 'straight', floor: 'angle' } as const;

/** Is the part tagged as a line that the house does not prefer, or as a stop that turns the wrong way? Such cost `notPreferredDollars`. */
export function notPreferred(part: Part, rules: HouseRules, outOf: FullNeed['outOf']): boolean {
  if (outOf !== null && part.tags.includes(WRONG_TURN[outOf])) return true;
  for (const tag of part.tags) {
    if (!tag.startsWith('line:')) continue;
    const line = tag.slice(5);
    if (line !== rules.toiletLine && line !== rules.applianceLine) return true;
  }
  return false;
}
