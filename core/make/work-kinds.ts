/** Kinds of work that are done to a run: each names the appliances it may be done to, and whether it joins anything. */
import type { EndCode } from '../ends/index.ts';
import type { ActVerb } from './acts.ts';
import { workKindsTable } from './work-kinds.table.ts';

export type WorkKindId = (typeof workKindsTable)[number]['id'];

export interface WorkKind {
  id: WorkKindId;
  /** 'toilet: new flexible line' */
  name: string;
  /** Ids in appliances.csv; '*' any. */
  appliances: readonly string[] | '*';
  /** Whether a chain is joined; work that takes off or moves what is there has none. */
  joins: boolean;
  /** Verbs of acts that its card contains whatever the chain. */
  mustActs: readonly ActVerb[];
  /** The first of one act stands before the first of the other, where both are there. */
  orders: readonly { before: ActVerb; after: ActVerb }[];
  /** What becomes of the appliance. */
  moves: Moves;
  /** Whether a line is there that comes off, where nothing was said of it. */
  oldLine: boolean;
  /** The stop itself comes off: its water is shut before it. */
  renewsStop: boolean;
  /** What it puts on a deck or a floor is fixed there before it is joined from below. */
  setsFirst: boolean;
  /** A rough-in ends at one of these, capped: nothing joins the appliance before its visit. None: at the appliance's inlet. */
  stubs: readonly EndCode[];
}

/** It stays where it is, is drawn out and pushed home again, is put in new, is changed for another, or is drawn out where it is one that moves. */
export const MOVES = ['stays', 'out and back', 'new in', 'changed', 'as it moves'] as const;
export type Moves = (typeof MOVES)[number];

export const workKinds: readonly WorkKind[] = workKindsTable;

const byId = new Map<string, WorkKind>(workKinds.map((k) => [k.id, k]));

/** @throws RangeError for an id that is none */
export function workKind(id: string): WorkKind {
  const found = byId.get(id);
  if (!found) throw new RangeError(`There is no kind of work "${id}".`);
  return found;
}

export const isWorkKind = (id: string): id is WorkKindId => byId.has(id);

/** Whether a kind of work is done to appliances of a kind. */
export const worksOn = (kind: WorkKind, applianceKind: string): boolean => kind.appliances === '*' || kind.appliances.includes(applianceKind);

/** Kinds of work that an appliance may have, its own before those that any may have. */
export function workFor(applianceKind: string): WorkKind[] {
  const fitting = workKinds.filter((k) => worksOn(k, applianceKind));
  return [...fitting.filter((k) => k.appliances !== '*'), ...fitting.filter((k) => k.appliances === '*')];
}

/** What is meant where nobody said: the first of its own kinds, which joins a new line. */
export const usualWork = (applianceKind: string): WorkKindId => workFor(applianceKind)[0]!.id;
