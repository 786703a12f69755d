/** Ways to make a hookup, each once, with the lengths that serve in it. */
import { areTwins, bestChains, byCost } from './chains.ts';
import { isLine, type Part } from './part.ts';
import type { Chain, MatchQuery } from './query.ts';
import { indexParts, type PartIndex } from './search/catalogue-index.ts';
import { type Families, familiesOf, sideOf } from './search/families.ts';
import { STRIDE } from './search/figures.ts';
import { cutOf, lengthOf, piecePriceCents } from './search/pricing.ts';
import { partShort, type Setting, settingOf } from './search/setting.ts';
import { Suits } from './suits.ts';

/** A length that serves in a construction. */
export interface ServingLength {
  /** Part id. */
  part: string;
  lengthIn: number;
  /** Of the piece, cut where it is cut. */
  priceCents: number;
  onVan: boolean;
}

export interface Construction {
  best: Chain;
  /** Of its flexible or cut piece, the shortest first; [] where it has none. */
  lengths: ServingLength[];
}

/**
 * The best constructions: chains whose parts are alike in all but length, in the same order and entered and left by the same ends, are one.
 *
 * Exactly what grouping all chains of `matchChains` would give: the cheapest of each, and every length that stands in any of them.
 *
 * @returns [] where nothing joins the two ends: `matchChains` says what is missing
 * @throws InputError (EndCodeError) as `matchChains`
 */
export function constructions(q: MatchQuery): Construction[] {
  const s = settingOf(q);
  const found = constructionsOf(s, false);
  return found.length > 0 ? found : constructionsOf(s, true);
}

/** @param isMarginal  joints that only may hold are taken too */
export function constructionsOf(s: Setting, isMarginal: boolean): Construction[] {
  const of = new Grouping(s, isMarginal);
  for (let k = s.k; ; k *= 2) {
    const chains = bestChains({ ...s, k, byFamily: { van: s.stock } }, isMarginal);
    const isAll = chains.length < k;
    const dearest = chains.at(-1)?.cost.total ?? 0;
    const unlike = new Map<string, Chain>();
    for (const chain of chains) {
      // The same parts in the same order by other ends, at the same cost: one of the two is given.
      const isAgain = [...unlike.values()].some((before) => areTwins(before, chain) && before.parts.join(' ') === chain.parts.join(' '));
      if (!isAgain && !unlike.has(of.key(chain))) unlike.set(of.key(chain), chain);
    }
    const twinsOf = (chain: Chain) => chains.filter((other) => other !== chain && areTwins(other, chain)).map((other) => placesIn(chain, other));
    const found = [...unlike.values()].flatMap((chain) => of.bestLike(chain, twinsOf(chain)) ?? []).sort((a, b) => byCost(a.best, b.best));
    // A twin that another stands before is dearer than it was found: what was not looked at yet may come before it.
    const sure = isAll ? found : found.filter(({ best }) => best.cost.total <= dearest);
    if (sure.length >= s.k || isAll) return sure.slice(0, s.k).map((one) => ({ best: one.best, lengths: of.lengths(one) }));
  }
}

interface Found {
  best: Chain;
  /** Other orders of its parts that cost the same: which of them is given goes by the parts' ids. Each as the places of its parts in the chain. */
  twins: number[][];
}

const placesIn = (chain: Chain, twin: Chain): number[] => twin.parts.map((id) => chain.parts.indexOf(id));

/** Do these parts come before the same in every other order that costs as much? */
const comesFirst = (parts: readonly Part[], twins: readonly number[][]): boolean => {
  const ids = parts.map((p) => p.id).join(' ');
  return twins.every((places) => ids <= places.map((at) => parts[at]!.id).join(' '));
};

/** More ways than these of choosing one of each family are not gone through. */
const MOST_CHOICES = 500;

/** What belongs to one construction under one query. */
class Grouping {
  private readonly families: Families;
  private readonly place: Map<string, number>;
  private readonly suits: Suits;

  constructor(
    private readonly s: Setting,
    private readonly isMarginal: boolean,
  ) {
    this.families = familiesOf(s.index);
    this.place = placesOf(s.index);
    this.suits = new Suits(s.index.parts, s.need);
  }

  /** What two chains of one construction have in common. */
  key({ path }: Pick<Chain, 'path'>): string {
    return path
      .map(({ part, inEnd, outEnd }) => {
        const at = this.place.get(part)!;
        const code = (id: string) => this.s.index.parts[at]!.ends.find((e) => e.id === id)!.code;
        return `${this.families.of[at]}:${code(inEnd)}>${code(outEnd)}`;
      })
      .join(' ');
  }

  /** The cheapest chain of a construction: the one found, but where a twin is given instead of it. */
  bestLike(chain: Chain, twins: number[][]): Found | null {
    const parts = this.partsOf(chain);
    if (comesFirst(parts, twins)) return { best: chain, twins };
    const first = this.choices(parts.map((p) => this.alike(p))).filter((choice) => comesFirst(choice, twins));
    const [best] = first.flatMap((choice) => this.kept(choice, this.key(chain)) ?? []).sort(byCost);
    return best ? { best, twins } : null;
  }

  /** The members of the family of a chain's line that would stand in it, none of them idle. */
  lengths({ best, twins }: Found): ServingLength[] {
    const { s } = this;
    const parts = this.partsOf(best);
    const line = parts.findIndex(isLine);
    if (line < 0) return [];
    const own = parts[line]!;
    const key = this.key(best);
    // Where fewer of its parts make a chain too, which of them is idle goes by what each costs.
    const isPlain = this.madeOf(parts).length === 1;
    const side = (part: Part) => sideOf(s, this.place.get(part.id)!);
    const stands = (part: Part): boolean => {
      if (part === own) return true;
      const isSure = isPlain && side(part) === side(own);
      if (isSure && twins.length === 0) return true;
      const slots = parts.map((p, i) => (i === line ? [part] : twins.length > 0 ? this.alike(p) : this.cheapestBeside(p)));
      return this.choices(slots).some((choice) => comesFirst(choice, twins) && (isSure || this.kept(choice, key) !== null));
    };
    return this.alike(own)
      .filter(stands)
      .map((part) => ({
        part: part.id,
        lengthIn: lengthOf(s, part),
        priceCents: piecePriceCents(part, cutOf(s, part)),
        onVan: !partShort(s, part.id),
      }))
      .sort((a, b) => a.lengthIn - b.lengthIn || a.priceCents - b.priceCents || (a.part < b.part ? -1 : 1));
  }

  private partsOf({ parts }: Chain): Part[] {
    return parts.map((id) => this.s.index.parts[this.place.get(id)!]!);
  }

  /** Of a part's family what may be used at all. */
  private alike(part: Part): Part[] {
    const { index, without } = this.s;
    const { of, members } = this.families;
    return members[of[this.place.get(part.id)!]!]!.filter((at) => this.suits.ok(index.figures.row, at * STRIDE, at))
      .map((at) => index.parts[at]!)
      .filter((p) => !without?.has(p.id));
  }

  /** The part itself, and the cheapest of its family on the other side of what may stand for it. */
  private cheapestBeside(part: Part): Part[] {
    const { s } = this;
    const side = (p: Part) => sideOf(s, this.place.get(p.id)!);
    const dollars = (p: Part) => piecePriceCents(p, cutOf(s, p)) / 100 + p.minutes * s.rules.weights.minuteDollars;
    const others = this.alike(part).filter((p) => side(p) !== side(part));
    const best = new Map<number, Part>();
    for (const p of others.sort((a, b) => dollars(a) - dollars(b))) if (!best.has(side(p))) best.set(side(p), p);
    return [part, ...best.values()];
  }

  /** One part for each slot, none twice. */
  private choices(slots: Part[][]): Part[][] {
    let rows: Part[][] = [[]];
    for (const slot of slots) {
      rows = rows.flatMap((row) => slot.flatMap((part) => (row.includes(part) ? [] : [[...row, part]])));
      if (rows.length > MOST_CHOICES) rows.length = MOST_CHOICES;
    }
    return rows;
  }

  /** Every chain that some parts make, none idle. */
  private madeOf(parts: Part[]): Chain[] {
    return bestChains({ ...this.s, k: 100, index: indexParts(parts), byFamily: null }, this.isMarginal);
  }

  /** The chain of all these parts in this construction, where it is given. */
  private kept(parts: Part[], key: string): Chain | null {
    return this.madeOf(parts).find((chain) => chain.parts.length === parts.length && this.key(chain) === key) ?? null;
  }
}

const places = new WeakMap<PartIndex, Map<string, number>>();
function placesOf(index: PartIndex): Map<string, number> {
  const known = places.get(index) ?? new Map(index.parts.map((p, at) => [p.id, at]));
  places.set(index, known);
  return known;
}
