/** The bench's question answered: in the browser with every key, and on the server for the page's first painting. */
import {
  type Appliance,
  asideFor,
  type HouseRules,
  type Kit,
  type MatchAnswer,
  type MatchQuery,
  matchPreferring,
  type Part,
  type SealCount,
  stockForCut,
  usualBoreIn,
} from '../../../core/index.ts';
import { type ClientCatalogue, namesOf } from '../../ui/held/index.ts';
import { needOf, type Question } from './question.ts';

/** An answer with what it takes to draw it. */
export interface Answer {
  result: MatchAnswer;
  from: string;
  to: string;
  water: 'cold' | 'hot';
  rules: HouseRules;
  /** Parts of its chains, or all. */
  parts: Part[];
  names: Record<string, string>;
  currency: string;
  kits: readonly Kit[];
  /** What the shop has seen of its seals. */
  callbacks: SealCount[];
}

/** What is asked of the core; null where an end or a figure is missing. */
export function queryOf(q: Question, catalogue: ClientCatalogue): MatchQuery | null {
  if (!q.from || !q.to) return null;
  const need = needOf(q, usualBoreIn(catalogue.appliances, q.to));
  if (need === null) return null;
  const { stock, loose } = catalogue;
  return {
    from: q.from,
    to: q.to,
    ...(q.rejoin ? { rejoin: q.rejoin } : {}),
    parts: q.vanOnly ? catalogue.parts.filter((p) => (stock[p.id] ?? 0) > 0) : catalogue.parts,
    loose: q.vanOnly ? loose.filter((l) => !l.code.startsWith('cap-') || (stock[l.code] ?? 0) > 0) : loose,
    rules: { ...catalogue.rules, push: q.push, applianceLine: q.applianceLine, toiletLine: q.toiletLine },
    stock: stockForCut(stock, catalogue.parts, need.minLengthIn),
    callbackRates: catalogue.callbackRates,
    need,
  };
}

/** Without what a plumber would not take there, where anything else reaches. */
export const answerTo = (query: MatchQuery, appliances: Appliance[]): MatchAnswer =>
  matchPreferring(query, asideFor(query.to, usualBoreIn(appliances, query.to) !== null));

/** The answer with no more of the catalogue than it shows: what a page carries along. */
export function firstAnswer(q: Question, catalogue: ClientCatalogue): Answer | null {
  const query = queryOf(q, catalogue);
  if (query === null) return null;
  const result = answerTo(query, catalogue.appliances);
  const used = new Set([...result.chains.flatMap((c) => [...c.parts, ...Object.keys(c.loose), ...c.offVan]), ...result.refused.map((r) => r.part)]);
  const names = Object.fromEntries(Object.entries(namesOf(catalogue)).filter(([id]) => used.has(id)));
  const drawn = new Set(result.chains.flatMap((c) => c.parts));
  const parts = catalogue.parts.filter((p) => drawn.has(p.id));
  return {
    result,
    from: query.from,
    to: query.to,
    water: query.need.water,
    rules: query.rules ?? catalogue.rules,
    parts,
    names,
    currency: catalogue.currency,
    kits: catalogue.kits,
    callbacks: catalogue.callbacks ?? [],
  };
}
