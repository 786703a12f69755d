/** A visit as the server gives it and a device keeps it: everything its state is derived from. */

import type { Appliance, HouseRules, LookData, Part, PathStep, PressuresRead, RunFlow, StepTemplate, WorkKindId } from '../../core/index.ts';
import type { Entry } from '../kinds.ts';
import { reasonWords } from '../reasons.ts';
import { historyOf, lastOf } from '../run/history.ts';
import type { Names } from '../run/kinds/chain-accepted.ts';
import { listed } from '../run/kinds/listed.ts';
import { type RunContext, type RunState, runState } from '../run/state.ts';
import type { Gathered, Told } from './states.ts';

export interface VisitHead {
  id: string;
  title: string;
  onDate: string;
  startsAt: string;
  /** As planned; null where nobody said. */
  minutes: number | null;
  note: string | null;
  /** The van that goes there; null: the shop's first. */
  vanId: string | null;
  /** Why it is cancelled; null while it stands. */
  cancelled: string | null;
  arrivedMs: number | null;
  leftMs: number | null;
  premises: { id: string; name: string; timeZone: string; address: string | null };
}

export interface RunRow {
  id: string;
  name: string;
  water: 'cold' | 'hot';
  applianceKind: string;
  applianceName: string;
  place: string;
  checkPoints: RunContext['checkPoints'];
  work: WorkKindId;
  /** Ends as they were told when the call was taken. */
  told: Told[];
  /** The visit that signed it off, where it is here to be looked at again; else null. */
  recheckOf: string | null;
  /** Why it was taken off the visit's list in the book; null while it stands there. */
  removed: string | null;
}

export interface VisitSheet {
  visit: VisitHead;
  runs: RunRow[];
  entries: Entry[];
  /** Beside the work: pictures, notes, signatures. */
  gathered: Gathered;
  /** Where the main valve of the premises is; null where nobody said. */
  mainValve: string | null;
}

/** What an appliance gets through a chain at the pressures that were read; null where that cannot be told. */
export type FlowOf = (appliance: Appliance, water: 'cold' | 'hot', read: PressuresRead, path: readonly PathStep[]) => RunFlow | null;

/** What of a catalogue the state of a run follows from. */
export interface RunCatalogue {
  appliances: Appliance[];
  steps: StepTemplate[];
  parts: Part[];
  loose?: Names['loose'];
  look: LookData;
  /** The house's of now, where it is known. */
  rules?: HouseRules;
  /** A screen that tells of the flow brings it; without, the appliance's design stands in. */
  flowOf?: FlowOf;
}

/** A run that is on record and cannot be made sense of; the rest of its visit can. */
export class UnreadableRunError extends Error {
  override readonly name = 'UnreadableRunError';
}

/** @throws UnreadableRunError for an appliance that the catalogue does not know */
export function contextOf(run: RunRow, catalogue: RunCatalogue): RunContext {
  const appliance = catalogue.appliances.find((a) => a.id === run.applianceKind);
  if (!appliance) throw new UnreadableRunError(`The catalogue has no appliance of the kind "${run.applianceKind}".`);
  return {
    runId: run.id,
    water: run.water,
    work: run.work,
    appliance,
    checkPoints: run.checkPoints,
    stepData: catalogue.steps,
    parts: catalogue.parts,
    ...(catalogue.loose ? { loose: catalogue.loose } : {}),
    look: catalogue.look,
    ...(catalogue.rules ? { rules: catalogue.rules } : {}),
    ...(catalogue.flowOf ? { gpmOf: (path, read) => catalogue.flowOf?.(appliance, run.water, read, path)?.point.gpm } : {}),
  };
}

/** A run with its state; or why it cannot be read, and whether it was taken off its visit's list. */
export type ReadRun = { run: RunRow; state: RunState; unreadable: null } | { run: RunRow; state: null; unreadable: string; offList: string | null };

/** Never throws: what one entry spoils stays with its run. */
export function readRun(run: RunRow, entries: readonly Entry[], catalogue: RunCatalogue): ReadRun {
  try {
    const state = runState(contextOf(run, catalogue), entries);
    return { run, state: { ...state, offList: run.removed ?? state.offList }, unreadable: null };
  } catch (error) {
    const unreadable = error instanceof UnreadableRunError ? error.message : `What is recorded on it does not read (${(error as Error).message}).`;
    return { run, state: null, unreadable, offList: run.removed ?? offListOf(run, entries) };
  }
}

function offListOf(run: RunRow, entries: readonly Entry[]): string | null {
  const off = lastOf(
    historyOf(
      entries.filter((e) => e.kind === listed.name),
      run.id,
    ),
    listed,
  )?.body;
  return off && !off.on ? reasonWords(off.reason) : null;
}

export const readRuns = (sheet: Pick<VisitSheet, 'runs' | 'entries'>, catalogue: RunCatalogue): ReadRun[] =>
  sheet.runs.map((run) => readRun(run, sheet.entries, catalogue));

/** Why a run was taken off its visit's list; null while it stands there. */
export const offListReason = (read: ReadRun): string | null => (read.state ? read.state.offList : read.offList);
