import type { EndCode, LooseCode, Mating } from '../ends/index.ts';
import { finite, InputError } from '../errors.ts';
import type { HouseRules } from '../house/index.ts';
import type { Reason } from '../reason.ts';
import type { Loose, Part } from './part.ts';
import type { RatesGiven } from './seal-rates.ts';
import type { PartIndex } from './search/catalogue-index.ts';

/** What the chain must do. */
export interface Need {
  water: 'cold' | 'hot';
  /** F; 70 cold, 140 hot unless given. */
  tempF?: number;
  /** psi; 80 unless given. */
  pressurePsi?: number;
  /** true unless given. */
  potable?: boolean;
  minLengthIn?: number;
  stop?: boolean;
  arrestor?: boolean;
  /** A vented backflow preventer. */
  check?: boolean;
  /** A device that shuts the water when it leaks: after the stop, before the line. */
  stopLeak?: boolean;
  /** An outlet with a valve of its own is left free, for another run to begin at. */
  leaveOutlet?: boolean;
  /** The appliance's own short connectors, inside its body, are allowed though 'hose' is to be avoided. */
  ownConnectors?: boolean;
  /** Tags no part may carry: 'copper', 'brass' after reverse osmosis. */
  avoid?: string[];
  /** true unless given: can the joints be reached afterwards? */
  reachable?: boolean;
  /** What the appliance's flow asks of every part, in. */
  minBoreIn?: number;
  /** A tube found in place: what its outside and its free length allow. */
  stub?: Stub;
  /** With an old line to be joined again: it stays where it was parted, so no line comes before that. */
  rejoinFirst?: boolean;
  /** What the run comes out of: a stop that turns it the right way is preferred. */
  outOf?: 'wall' | 'floor';
}

/** A tube found in place. */
export interface Stub {
  side: 'from' | 'to';
  finish: 'bare' | 'chromed' | 'pitted' | 'unknown';
  /** Straight, round and clean, in. */
  lengthIn?: number;
}

export interface MatchQuery {
  from: EndCode;
  to: EndCode;
  parts: Part[] | PartIndex;
  loose?: Loose[];
  /** How many chains; 5 unless given. */
  k?: number;
  /** What was parted from `from` and must be joined again. */
  rejoin?: EndCode;
  need: Need;
  rules?: HouseRules;
  /** Expected callbacks by seal, shares from 0 to 1, where the shop's own ledger speaks; the table's first guesses for the others. */
  callbackRates?: RatesGiven;
  /** What is on the van, by part id or loose code, a missing key being 0; left out = everything is. */
  stock?: Record<string, number>;
}

export interface PathStep {
  part: string;
  inEnd: string;
  outEnd: string;
  cutLengthIn?: number;
}

export interface Branch {
  part: string;
  end: string;
  code: EndCode;
  use: 'rejoin' | 'free' | 'cap';
}

export interface ChainJoint {
  n: number;
  a: EndCode;
  b: EndCode;
  mating: Mating;
}

/** Money expected to be spent, in dollars. */
export interface ChainCost {
  total: number;
  price: number;
  minutes: number;
  callbacks: number;
  trip: number;
  preference: number;
}

export interface Chain {
  parts: string[];
  path: PathStep[];
  branches: Branch[];
  joints: ChainJoint[];
  loose: Record<LooseCode, number>;
  lengthIn: number;
  priceCents: number;
  leakRisk: number;
  minutes: number;
  offVan: string[];
  cautions: Reason[];
  cost: ChainCost;
}

export interface MatchResult {
  chains: Chain[];
  refused: { part: string; because: Reason[] }[];
  unreachable?: Reason[];
}

/** Water above this scalds, degrees Fahrenheit. */
export const SCALDS_F = 120;

/** Totals closer than this are equal: dollars. */
export const SAME_DOLLARS = 1e-9;

/** Joints `from`-part, part-part, part-`to` a chain may have at most. */
export const MAX_JOINTS = 7;

/** What a coil needs beyond the distance (6 in at each end), and a rigid riser (3/8 in into the fitting at each end). */
export const COIL_ALLOWANCE_IN = 12;
export const RISER_ALLOWANCE_IN = 0.75;

/** Line allowed after an arrestor: it stands within 6 ft of the valve. */
export const ARRESTOR_REACH_IN = 72;

/** What has a default; the rest is null where nothing is asked. */
type Defaulted =
  | 'water'
  | 'tempF'
  | 'pressurePsi'
  | 'potable'
  | 'stop'
  | 'arrestor'
  | 'check'
  | 'stopLeak'
  | 'ownConnectors'
  | 'leaveOutlet'
  | 'avoid'
  | 'reachable'
  | 'rejoinFirst';

/** A need with its defaults filled in, checked. */
export type FullNeed = Required<Pick<Need, Defaulted>> & { [K in Exclude<keyof Need, Defaulted>]-?: NonNullable<Need[K]> | null };

export function fullNeed(need: Need): FullNeed {
  if (need.water !== 'cold' && need.water !== 'hot') throw new InputError('water', need.water, "Say 'cold' or 'hot'.");
  const { minLengthIn, minBoreIn, stub } = need;
  if (stub?.lengthIn !== undefined) finite('free length', stub.lengthIn, { atLeast: 0, atMost: 12_000 });
  return {
    water: need.water,
    tempF: finite('water temperature', need.tempF ?? (need.water === 'hot' ? 140 : 70), { atLeast: 32, atMost: 212 }),
    pressurePsi: finite('pressure', need.pressurePsi ?? 80, { atLeast: 0, atMost: 1000 }),
    potable: need.potable ?? true,
    minLengthIn: minLengthIn === undefined ? null : finite('least length', minLengthIn, { above: 0, atMost: 12_000 }),
    stop: need.stop ?? false,
    arrestor: need.arrestor ?? false,
    check: need.check ?? false,
    stopLeak: need.stopLeak ?? false,
    ownConnectors: need.ownConnectors ?? false,
    leaveOutlet: need.leaveOutlet ?? false,
    avoid: need.avoid ?? [],
    reachable: need.reachable ?? true,
    minBoreIn: minBoreIn === undefined ? null : finite('least bore', minBoreIn, { above: 0, atMost: 12 }),
    stub: stub ?? null,
    rejoinFirst: need.rejoinFirst ?? false,
    outOf: need.outOf ?? null,
  };
}
