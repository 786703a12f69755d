import { parseEnd, tubeMaxFOf } from '../../ends/index.ts';
import { seals } from '../../rows/index.ts';
import type { Part } from '../part.ts';
import { ARRESTOR_REACH_IN, type Branch } from '../query.ts';
import { stubRefuses } from '../stub.ts';
import { allowanceIn, cutLengthIn, Suits, WRONG_TURN } from '../suits.ts';
import type { PartIndex } from './catalogue-index.ts';
import { FIGURE, type Figures, IS, LINE_TAGS, STRIDE, TURN_BITS } from './figures.ts';
import { BRINGS } from './has.ts';
import { type LooseCents, looseCents } from './loose-cents.ts';
import { codeCount, codeNumber, codeOf, MARGINAL, pairTable, SEALS } from './pair-table.ts';
import { looseShort, MARGINAL_FACTOR, type Setting } from './setting.ts';

const FAR = Number.POSITIVE_INFINITY;

const isPush = Uint8Array.from({ length: codeCount }, (_, n) => (parseEnd(codeOf(n)).family === 'ptc' ? 1 : 0));
/** What the tube of an end bears, F, by code; no bound for what is no tube. */
const tubeMaxF = Float64Array.from({ length: codeCount }, (_, n) => tubeMaxFOf(codeOf(n)));
const sealIsTaper = seals.map((s) => s.id === 'taper' || s.id === 'taper-plastic');
const sealIsHidden = seals.map((s) => s.mayBeHidden);

/** What a part is, moved to what it brings: the two rows of bits agree there. */
const SHIFT = 6;
const GIVES = BRINGS.line | BRINGS.stop | BRINGS.arrestor | BRINGS.check | BRINGS.stopLeak;

/** What a part brings by what it is; a way through it may bring more. */
export const givenBy = (is: number): number => (is >> SHIFT) & GIVES;

/** No end takes the old line. */
const NONE = -1;

/** Room for one query's choices, kept with the catalogue: fresh memory for each would cost more than the search. */
class Room {
  query = 0;
  readonly openedAt: Uint32Array;
  readonly first: Int32Array;
  readonly count: Uint8Array;

  constructor(ways: number) {
    this.openedAt = new Uint32Array(ways);
    this.first = new Int32Array(ways);
    this.count = new Uint8Array(ways);
  }
}

const rooms = new WeakMap<PartIndex, Room>();

function roomOf(index: PartIndex): Room {
  const room = rooms.get(index) ?? new Room(index.ways.count);
  rooms.set(index, room);
  room.query++;
  return room;
}

/**
 * What pieces and joints cost under one query, worked out when first asked for. One query is answered at a time. With a stock, a loose piece that
 * it lacks may not be used: the trip to the shop is no price of a piece, and is left to who asks.
 *
 * A choice is a way through a part (its number), or, for a way with ends left over, one way of dealing with them (count of ways + its place).
 */
export class Pricing {
  private readonly index: PartIndex;
  private readonly room: Room;
  private readonly query: number;
  private readonly table = pairTable();
  private readonly looseCents: LooseCents;
  /** Sets of loose pieces that the stock lacks one of. */
  private readonly setShort: Uint8Array | null;
  private readonly rejoin: number;
  private readonly suits: Suits;
  private readonly least: number;
  private readonly preferred: number;
  private readonly pushBarred: (at: number, code: number) => boolean;
  private readonly pushOpen: boolean;
  /** Choices for ways with ends left over: the way, the end that takes the old line (or none), dollars, what it brings. */
  private readonly choices = { way: [] as number[], rejoined: [] as number[], dollars: [] as number[], brings: [] as number[] };

  constructor(
    private readonly s: Setting,
    private readonly marginal: boolean,
  ) {
    this.index = s.index;
    this.room = roomOf(s.index);
    this.query = this.room.query;
    const { looseSets } = this.table;
    this.looseCents = looseCents(s.loosePrice);
    this.setShort = s.stock && Uint8Array.from(looseSets, (set) => (set.some((code) => looseShort(s, code, 1)) ? 1 : 0));
    this.rejoin = s.rejoin === null ? NONE : codeNumber(s.rejoin);
    this.suits = new Suits(s.index.parts, s.need);
    this.least = s.need.minLengthIn ?? 0;
    this.preferred = preferredBits(s);
    this.barred = barredBy(s);
    this.pushBarred = pushBarredBy(s, s.index.figures);
    this.pushOpen = s.rules.push !== 'never' && s.need.reachable;
  }

  /** Codes that a tube found in place does not take, by its side: 1 where barred; null where no tube was found there. */
  readonly barred: { from: Uint8Array | null; to: Uint8Array | null };

  /** What the piece last priced brings. */
  brought = 0;

  /**
   * Dollars of a part by itself, its figures standing at `at` of `row`: price, time, preference; Infinity where it may not be used.
   * `brought` then says what it brings.
   */
  price(row: Float64Array, at: number, part: number, inCode: number, outCode: number): number {
    if (!this.suits.ok(row, at, part)) return FAR;
    if (this.s.without?.has(this.index.parts[part]!.id)) return FAR;
    if (!this.pushOpen && (this.pushBarred(part, inCode) || this.pushBarred(part, outCode))) return FAR;
    const { s } = this;
    const is = row[at + FIGURE.is]!;
    const cut = is & IS.cut ? this.least + allowanceIn((is & IS.flexible) !== 0) : 0;
    let cents = row[at + FIGURE.priceCents]!;
    if (cut > 0) cents = Math.round(cents + (this.index.figures.centsPerFt[part]! * cut) / 12);
    const long = is & IS.line && (cut > 0 ? cut : row[at + FIGURE.lengthIn]!) > ARRESTOR_REACH_IN;
    this.brought = givenBy(is) | (long ? BRINGS.long : 0);
    const { minuteDollars, notPreferredDollars } = s.rules.weights;
    const disliked = row[at + FIGURE.lines]! & ~this.preferred;
    return cents / 100 + row[at + FIGURE.minutes]! * minuteDollars + (disliked ? notPreferredDollars : 0);
  }

  /** Number of choices that a way with ends left over leaves; they are numbered from `firstChoice` on. */
  choiceCount(way: number): number {
    const { room } = this;
    if (room.openedAt[way] !== this.query) this.openChoices(way);
    return room.count[way]!;
  }

  firstChoice(way: number): number {
    return this.index.ways.count + this.room.first[way]!;
  }

  /** Dollars of a choice of a way with ends left over; and what it brings. */
  dollars(choice: number): number {
    return this.choices.dollars[choice - this.index.ways.count]!;
  }

  brings(choice: number): number {
    return this.choices.brings[choice - this.index.ways.count]!;
  }

  wayOf(choice: number): number {
    const { count } = this.index.ways;
    return choice < count ? choice : this.choices.way[choice - count]!;
  }

  /** What becomes of the ends that the water does not go through. */
  branchesOf(choice: number): Branch[] {
    const { ways, parts } = this.index;
    if (choice < ways.count) return [];
    const way = this.wayOf(choice);
    const rejoined = this.choices.rejoined[choice - ways.count];
    const part = parts[ways.part[way]!] as Part;
    return part.ends.flatMap((end, n): Branch[] => {
      if (n === ways.inEnd[way] || n === ways.outEnd[way]) return [];
      const use = n === rejoined ? 'rejoin' : part.tags.includes(`valved:${end.id}`) ? 'free' : 'cap';
      return [{ part: part.id, end: end.id, code: end.code, use }];
    });
  }

  /** Codes of the loose pieces that a choice's own branches take. */
  looseOf(choice: number): string[] {
    return this.branchesOf(choice).flatMap((b) => {
      if (b.use === 'cap') return [`cap-${b.code}`];
      return b.use === 'rejoin' ? this.jointLoose(this.rejoin, codeNumber(b.code)) : [];
    });
  }

  /** Dollars of a joint between two codes by number; Infinity where it may not be made. */
  jointCost(a: number, b: number): number {
    const { verdict, seal, loose } = this.table;
    const at = a * codeCount + b;
    const said = verdict[at]!;
    if (said !== SEALS && !(this.marginal && said === MARGINAL)) return FAR;
    if (!this.s.need.reachable && !sealIsHidden[seal[at]!]) return FAR;
    if (this.s.need.tempF > tubeMaxF[a]! || this.s.need.tempF > tubeMaxF[b]!) return FAR;
    const rate = this.s.rates.byPlace[seal[at]!]! * (said === MARGINAL ? MARGINAL_FACTOR : 1);
    const set = loose[at]!;
    if (this.setShort?.[set]) return FAR;
    return rate * this.s.rules.weights.callbackDollars + this.looseCents.set[set]! / 100;
  }

  isTaper(a: number, b: number): boolean {
    return sealIsTaper[this.table.seal[a * codeCount + b]!]!;
  }

  jointLoose(a: number, b: number): string[] {
    return this.table.looseSets[this.table.loose[a * codeCount + b]!]!;
  }

  private openChoices(way: number): void {
    const { room, choices } = this;
    const { ways, figures: f } = this.index;
    room.openedAt[way] = this.query;
    room.first[way] = choices.way.length;
    const at = ways.part[way]!;
    const dollars = this.price(ways.row, way * STRIDE, at, ways.inCode[way]!, ways.outCode[way]!);
    if (dollars < FAR) {
      const brings = this.brought;
      this.addChoice(way, dollars, brings, NONE);
      if (this.rejoin !== NONE) {
        for (let n = 0; n < f.startEnd[at + 1]! - f.startEnd[at]!; n++) {
          if (n !== ways.inEnd[way] && n !== ways.outEnd[way]) this.addChoice(way, dollars, brings, n);
        }
      }
    }
    room.count[way] = choices.way.length - room.first[way]!;
  }

  /** Adds a choice unless an end left over cannot be dealt with so. */
  private addChoice(way: number, dollars: number, own: number, rejoined: number): void {
    const { choices } = this;
    const { ways, figures: f } = this.index;
    const at = ways.part[way]!;
    let total = dollars;
    let brings = own;
    const start = f.startEnd[at]!;
    for (let end = start; end < f.startEnd[at + 1]!; end++) {
      const n = end - start;
      if (n === ways.inEnd[way] || n === ways.outEnd[way]) continue;
      const code = f.endCode[end]!;
      if (f.endIn[end]) return;
      if (n === rejoined) {
        total += this.jointCost(this.rejoin, code);
        brings |= BRINGS.rejoined;
        // What takes the old line back shuts this run alone only where the water leaves it by a valve of its own.
        if (!f.endValved[start + ways.outEnd[way]!]) brings &= ~BRINGS.stop;
      } else if (f.endValved[end]) {
        brings |= BRINGS.outlet;
        continue;
      } else {
        total += this.capCost(code);
      }
      if (this.pushBarred(at, code)) return;
    }
    if (total === FAR) return;
    choices.way.push(way);
    choices.rejoined.push(rejoined);
    choices.dollars.push(total);
    choices.brings.push(brings);
  }

  /** A cap and what it is expected to cost; Infinity where the price list or the stock has none. */
  private capCost(code: number): number {
    const { s } = this;
    const cents = this.looseCents.cap[code]!;
    if (Number.isNaN(cents) || (s.stock !== null && looseShort(s, `cap-${codeOf(code)}`, 1))) return FAR;
    return cents / 100 + s.rates.cap * s.rules.weights.callbackDollars;
  }
}

/** Bits of lines and turns that cost nothing more. */
function preferredBits(s: Setting): number {
  const { toiletLine, applianceLine } = s.rules;
  const lines = LINE_TAGS.reduce((bits, tag, i) => (tag === toiletLine || tag === applianceLine ? bits | (1 << i) : bits), 0);
  const turns = TURN_BITS.angle | TURN_BITS.straight;
  return lines | (s.need.outOf === null ? turns : turns & ~TURN_BITS[WRONG_TURN[s.need.outOf]]);
}

function barredBy(s: Setting): { from: Uint8Array | null; to: Uint8Array | null } {
  const { stub } = s.need;
  if (stub === null) return { from: null, to: null };
  const tube = s[stub.side];
  const bars = new Uint8Array(codeCount);
  for (const n of pairTable().partners[codeNumber(tube)]!) bars[n] = stubRefuses(stub, tube, s.mating(tube, codeOf(n))) ? 1 : 0;
  return { from: stub.side === 'from' ? bars : null, to: stub.side === 'to' ? bars : null };
}

/** May a push end of a part not be used here, by the house rule? */
function pushBarredBy(s: Setting, f: Figures): (at: number, code: number) => boolean {
  if (s.rules.push === 'never') return (_, code) => isPush[code] === 1;
  if (s.need.reachable) return () => false;
  if (s.rules.push === 'where reachable') return (_, code) => isPush[code] === 1;
  return (at, code) => isPush[code] === 1 && !(f.row[at * STRIDE + FIGURE.is]! & IS.listedHidden);
}

/** Length of the piece cut from a coil or riser under this query; null for what comes at its length. */
export function cutOf(s: Setting, part: Part): number | null {
  return part.cutToLength && s.need.minLengthIn !== null ? cutLengthIn(part, s.need.minLengthIn) : null;
}

export function lengthOf(s: Setting, part: Part): number {
  return cutOf(s, part) ?? part.lengthIn ?? 0;
}

/** Price of a part, or of the piece cut from it, in whole cents. */
export function piecePriceCents(part: Part, cutIn: number | null): number {
  return cutIn === null ? part.priceCents : Math.round(part.priceCents + ((part.centsPerFt ?? 0) * cutIn) / 12);
}
