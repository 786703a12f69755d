/** Parts alike in all but length: in a construction one of them stands for all. */
import { defaultRules } from '../../house/index.ts';
import { isLine, type Part } from '../part.ts';
import { ARRESTOR_REACH_IN } from '../query.ts';
import type { PartIndex } from './catalogue-index.ts';
import { STRIDE } from './figures.ts';
import { lengthOf, type Pricing } from './pricing.ts';
import type { Setting } from './setting.ts';

/** What is alike in a family: all but id, name, price, minutes, material in words, and length. */
export function familyKey({ kind, ends, flexible, cutToLength, waters, maxPsi, maxF, potable, boreIn, leadFree, tags }: Part): string {
  return JSON.stringify([kind, ends, flexible, cutToLength, [...waters].sort(), maxPsi, maxF, potable, boreIn, leadFree, [...tags].sort()]);
}

/** The families of a catalogue, worked out once. */
export interface Families {
  /** By part. */
  of: Int32Array;
  /** Parts of each. */
  members: number[][];
  /** By way: all the ways alike through the parts of its family; null where it is the only one. */
  alike: (number[] | null)[];
}

const remembered = new WeakMap<PartIndex, Families>();

export function familiesOf(index: PartIndex): Families {
  const known = remembered.get(index);
  if (known) return known;
  const numbers = new Map<string, number>();
  const of = Int32Array.from(index.parts, (part) => {
    const key = familyKey(part);
    const number = numbers.get(key) ?? numbers.size;
    numbers.set(key, number);
    return number;
  });
  const members: number[][] = Array.from(numbers, () => []);
  for (const [part, family] of of.entries()) members[family]!.push(part);
  const { ways } = index;
  const byKey = new Map<number, number[]>();
  for (let way = 0; way < ways.count; way++) {
    const family = of[ways.part[way]!]!;
    if (members[family]!.length === 1) continue;
    const key = (family * 256 + ways.inEnd[way]!) * 256 + ways.outEnd[way]!;
    const list = byKey.get(key);
    if (list) list.push(way);
    else byKey.set(key, [way]);
  }
  const alike = new Array<number[] | null>(ways.count).fill(null);
  for (const list of byKey.values()) for (const way of list) alike[way] = list;
  const made = { of, members, alike };
  remembered.set(index, made);
  return made;
}

/**
 * Of a family, which parts may stand for which: where an arrestor is asked for a line too long for it for none that is not, and what is on the van for
 * nothing that is to be fetched.
 */
export function sideOf(s: Setting, at: number): number {
  const part = s.index.parts[at]!;
  const isLong = s.need.arrestor && isLine(part) && lengthOf(s, part) > ARRESTOR_REACH_IN;
  const van = s.byFamily ? s.byFamily.van : s.stock;
  return (isLong ? 1 : 0) + (van !== null && (van[part.id] ?? 0) < 1 ? 2 : 0);
}

const NONE: number[] = [];

/** Which of the ways alike stands for them under one query: the cheapest whose part is not in the chain yet. */
export class Representatives {
  private readonly families: Families;
  /** Of a way those that are alike, may be used, and cost less. */
  private readonly cheaper = new Map<number, number[]>();
  /** Minutes are weighed as when the ways were put in order. */
  private readonly isBaseOrder: boolean;

  constructor(
    private readonly s: Setting,
    private readonly p: Pricing,
  ) {
    this.families = familiesOf(s.index);
    this.isBaseOrder = s.rules.weights.minuteDollars === defaultRules.weights.minuteDollars;
  }

  /** Does another, cheaper one that is not used yet stand for this way? */
  isStoodFor(way: number, isUsed: (part: number) => boolean): boolean {
    const alike = this.families.alike[way];
    if (!alike) return false;
    const { ways, parts } = this.s.index;
    const of = ways.part[way]!;
    if (!this.isBaseOrder || parts[of]!.cutToLength) return this.cheaperThan(way, alike).some((other) => !isUsed(ways.part[other]!));
    // Ways alike stand in the order of what they cost: the first that may be used stands for the rest.
    const side = sideOf(this.s, of);
    for (const other of alike) {
      if (other === way) return false;
      const part = ways.part[other]!;
      if (!isUsed(part) && sideOf(this.s, part) === side && this.dollars(other) < Number.POSITIVE_INFINITY) return true;
    }
    return false;
  }

  private dollars(way: number): number {
    const { ways } = this.s.index;
    return this.p.price(ways.row, way * STRIDE, ways.part[way]!, ways.inCode[way]!, ways.outCode[way]!);
  }

  private cheaperThan(way: number, alike: readonly number[]): number[] {
    const known = this.cheaper.get(way);
    if (known) return known;
    const { ways } = this.s.index;
    for (const of of alike) this.cheaper.set(of, NONE);
    const priced = alike
      .map((of) => ({ of, dollars: this.dollars(of), side: sideOf(this.s, ways.part[of]!) }))
      .filter(({ dollars }) => dollars < Number.POSITIVE_INFINITY)
      .sort((a, b) => a.dollars - b.dollars || a.of - b.of);
    for (const [i, { of, side }] of priced.entries())
      this.cheaper.set(
        of,
        priced.slice(0, i).flatMap((other) => (other.side === side ? [other.of] : [])),
      );
    return this.cheaper.get(way)!;
  }
}
