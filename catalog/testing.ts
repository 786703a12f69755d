/** Runs for the tests of cards: every kind of work, by the catalogue's parts. */
import fc from 'fast-check';
import { HOUSE_CHOICES } from '../core/house/choices.table.ts';
import { defaultRules, type HouseRules } from '../core/house/rules.ts';
import type { RunFacts } from '../core/make/run-facts.ts';
import type { WorkKind } from '../core/make/work-kinds.ts';
import { matchChains } from '../core/match/chains.ts';
import type { Chain, Need } from '../core/match/query.ts';
import { indexParts } from '../core/match/search/catalogue-index.ts';
import { catalogue } from './index.ts';

const { steps, parts, loose, appliances, workKinds } = catalogue();
const index = indexParts(parts);

/** Where the water is taken from, with what is joined again. */
export const SOURCES: [from: string, rejoin?: string][] = [
  ['comp-3/8-m'],
  ['npt-1/2-m'],
  ['pex-5/8od'],
  ['cu-5/8od', 'cu-5/8od'],
  ['cu-5/8od'],
  ['comp-3/8-m', 'comp-3/8-f'],
];
export const BIDET: typeof SOURCES = [['bc-7/8-f', 'bc-7/8-m']];
const STOPS: RunFacts['stop'][] = [
  { kind: 'quarter-turn', condition: 'works' },
  null,
  { kind: 'multi-turn', condition: 'passes' },
  { kind: 'saddle', condition: 'unknown' },
];
/** Every option of every choice of the house, one at a time. */
const HOUSES: HouseRules[] = [
  defaultRules,
  ...Object.entries(HOUSE_CHOICES).flatMap(([key, options]) => options.slice(1).map((value) => ({ ...defaultRules, [key]: value }))),
  // And all otherwise at once.
  { ...defaultRules, ...Object.fromEntries(Object.entries(HOUSE_CHOICES).map(([key, options]) => [key, options.at(-1)])) } as HouseRules,
];

const chains = new Map<string, Chain | null>();
export function chainFor(from: string, to: string, rejoin: string | undefined, need: Need): Chain | null {
  const key = JSON.stringify([from, to, rejoin, need]);
  if (!chains.has(key)) chains.set(key, matchChains({ from, to, ...(rejoin ? { rejoin } : {}), parts: index, loose, k: 1, need }).chains[0] ?? null);
  return chains.get(key)!;
}

export const kindOf = (id: string) => workKinds.find((k) => k.id === id)!;
const applianceFor = (kind: WorkKind) =>
  appliances.find((a) => (kind.appliances === '*' ? a.id === 'basin-faucet' : kind.appliances.includes(a.id)))!;

/** A run of a kind of work by its way to one of the appliance's inlets; null where nothing joins its ends. */
export function runOf(
  kind: WorkKind,
  more: Partial<RunFacts> & { inlet?: number; need?: Partial<Need> } = {},
  [from, rejoin]: (typeof SOURCES)[number] = SOURCES[0]!,
): RunFacts | null {
  const { inlet = 0, need, ...facts } = more;
  const appliance = facts.appliance ?? applianceFor(kind);
  const water = facts.water ?? appliance.water[0]!;
  const to = appliance.usualInletEnds[inlet % appliance.usualInletEnds.length]!;
  const chain = kind.joins ? chainFor(from, to, rejoin, { water, ...need }) : null;
  if (kind.joins && !chain) return null;
  return {
    work: kind.id,
    appliance,
    water,
    chain,
    from,
    to,
    rejoin: rejoin ?? null,
    stop: STOPS[0]!,
    hidden: false,
    rules: defaultRules,
    stepData: steps,
    parts,
    ...facts,
  };
}

/** Runs over all kinds of work and all that they may meet. */
export const anyRun = fc
  .record({
    kind: fc.constantFrom(...workKinds),
    appliance: fc.nat(),
    source: fc.nat(),
    inlet: fc.nat(),
    water: fc.nat(),
    stop: fc.constantFrom(...STOPS),
    hidden: fc.boolean(),
    house: fc.constantFrom(...HOUSES),
    wantsStop: fc.boolean(),
    leaves: fc.constantFrom(false, false, true),
    length: fc.constantFrom(undefined, 14, 60),
  })
  .map((p): RunFacts | null => {
    const fitting = appliances.filter((a) => p.kind.appliances === '*' || p.kind.appliances.includes(a.id));
    const appliance = fitting[p.appliance % fitting.length]!;
    const sources = appliance.id === 'bidet-seat' ? BIDET : SOURCES;
    const water = appliance.water[p.water % appliance.water.length]!;
    const need = {
      ...(p.wantsStop ? { stop: true } : {}),
      ...(p.leaves ? { leaveOutlet: true } : {}),
      ...(p.length ? { minLengthIn: p.length } : {}),
    };
    const { stop, hidden, house: rules, inlet } = p;
    return runOf(p.kind, { appliance, water, stop, hidden, rules, inlet, need }, sources[p.source % sources.length]!);
  });
