/** What a visit will cost, and what it came to: parts, minutes with their spread, coming, tax. */
import { goodsOf, workKind } from '../../core/index.ts';
import { type NamedChain, partNames } from '../run/kinds/chain-accepted.ts';
import type { RunState } from '../run/state.ts';
import type { Shop } from '../shop/state.ts';
import type { DayRun } from './day-run.ts';
import { spanOf } from './plan.ts';
import type { ReadRun, VisitHead } from './sheet.ts';

export interface CostRow {
  what: string;
  /** How it comes to be: '45 to 90 min at $1.50'. */
  how: string;
  cents: number;
  /** Where it goes slowly; the same where nothing of it can. */
  slowCents: number;
}

export interface Cost {
  rows: CostRow[];
  cents: number;
  slowCents: number;
  /** Of what the shop never said: the price of a minute, say. */
  unsaid: ('minutes' | 'tax')[];
  /** Runs that have no chain yet, so that no parts are counted for them. */
  withoutParts: string[];
}

/** Tax on an amount, rounded to the cent. */
const taxOn = (cents: number, percent: number): number => Math.round((cents * percent) / 100);

/** Parts that a chain takes, at the prices it was accepted with. */
const partsCents = (accepted: NamedChain): number => accepted.chain.priceCents;

/**
 * What the visit is expected to cost.
 *
 * @param day   the visit with its runs as its day has them
 * @param reads runs with their states; those off the list are left out
 */
export function estimateOf(day: { visit: VisitHead; runs: DayRun[] }, reads: readonly ReadRun[], shop: Shop): Cost {
  const span = spanOf(day);
  const listed = reads.filter((r) => r.state && r.state.offList === null);
  const parts = listed.flatMap(({ run, state }) => (state?.accepted ? [partsRow(run.name, state.accepted)] : []));
  const goods = listed.flatMap(({ run, state }) => (state ? goodsRow(run.name, state) : []));
  const works = [...new Set(listed.map((r) => workKind(r.run.work).name))].join(', ');
  return total([...comingRow(shop), ...parts, ...goods, ...minutesRow(shop, works, span.minutes, span.slow)], shop, {
    withoutParts: listed.filter((r) => !r.state?.accepted && workKind(r.run.work).joins).map((r) => r.run.name),
  });
}

function partsRow(name: string, accepted: NamedChain): CostRow {
  const cents = partsCents(accepted);
  return { what: `${name}: parts`, how: partNames(accepted).join('; '), cents, slowCents: cents };
}

/** Tape, wax, bolts, sealant: what the card uses besides the chain, each at what one use costs. */
function goodsRow(name: string, { card }: Pick<RunState, 'card'>): CostRow[] {
  const goods = goodsOf(card);
  const cents = goods.reduce((sum, g) => sum + g.useCents, 0);
  return cents === 0 ? [] : [{ what: `${name}: small goods`, how: goods.map((g) => g.name).join('; '), cents, slowCents: cents }];
}

const comingRow = ({ calloutCents }: Shop): CostRow[] =>
  calloutCents === null ? [] : [{ what: 'Coming', how: 'once a visit', cents: calloutCents, slowCents: calloutCents }];

function minutesRow({ minuteCents }: Shop, works: string, minutes: number, slow: number): CostRow[] {
  if (minuteCents === null) return [];
  const how = minutes === slow ? `${minutes} min` : `${minutes} min, to ${slow} where it goes slowly`;
  return [{ what: works === '' ? 'Work' : `Work: ${works}`, how, cents: minutes * minuteCents, slowCents: slow * minuteCents }];
}

function total(rows: CostRow[], shop: Shop, more: Pick<Cost, 'withoutParts'>): Cost {
  const sum = (of: (r: CostRow) => number) => rows.reduce((all, r) => all + of(r), 0);
  const { taxPercent } = shop;
  const tax = (cents: number) => (taxPercent === null ? 0 : taxOn(cents, taxPercent));
  const [cents, slowCents] = [sum((r) => r.cents), sum((r) => r.slowCents)];
  const taxRow = taxPercent === null ? [] : [{ what: 'Tax', how: `${taxPercent} %`, cents: tax(cents), slowCents: tax(slowCents) }];
  const unsaid: Cost['unsaid'] = [...(shop.minuteCents === null ? (['minutes'] as const) : []), ...(taxPercent === null ? (['tax'] as const) : [])];
  return { rows: [...rows, ...taxRow], cents: cents + tax(cents), slowCents: slowCents + tax(slowCents), unsaid, ...more };
}

/** What the visit came to: the parts whose joints were made, the minutes from coming to leaving. null before one has left. */
export function cameTo(visit: VisitHead, reads: readonly ReadRun[], shop: Shop): (Cost & { minutes: number }) | null {
  if (visit.arrivedMs === null || visit.leftMs === null || visit.leftMs < visit.arrivedMs) return null;
  const minutes = Math.ceil((visit.leftMs - visit.arrivedMs) / 60_000);
  const used = reads.flatMap(({ run, state }) => {
    const cents = state ? usedCents(state) : 0;
    const goods = state && state.uses.length > 0 ? goodsRow(run.name, state) : [];
    return [...(cents > 0 ? [{ what: `${run.name}: parts used`, how: '', cents, slowCents: cents }] : []), ...goods];
  });
  return { ...total([...comingRow(shop), ...used, ...minutesRow(shop, '', minutes, minutes)], shop, { withoutParts: [] }), minutes };
}

/** What was taken so far, at the prices of its acceptance. All joints made, it is the price of the chain. */
function usedCents({ accepted, uses }: RunState): number {
  if (!accepted) return 0;
  const { chain, items } = accepted;
  const priceOf = (item: string) => items[item]?.priceCents ?? 0;
  const cut = chain.path.find((step) => step.cutLengthIn !== undefined || items[step.part]?.cutToLength)?.part;
  const others = [
    ...chain.path.filter((step) => step.part !== cut).map((step) => priceOf(step.part)),
    ...Object.entries(chain.loose).map(([code, n]) => n * priceOf(code)),
  ];
  // A chain has at most one piece that is cut: it costs what the others leave.
  const cutCents = chain.priceCents - others.reduce((all, one) => all + one, 0);
  return uses.reduce((all, { item, quantity }) => all + (item === cut ? cutCents : quantity * priceOf(item)), 0);
}
