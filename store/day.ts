import type { RunState } from '../core/record/run-state.ts';
import { addDays, localDay } from './clock.ts';
import type { Sql } from './connection.ts';
import { itemsNeeded } from './entries.ts';
import { stockOnVan } from './stock.ts';
import { type RunRow, statesOf, type VisitHead, visitSheets, visitsBetween } from './visits.ts';

export interface DayRun {
  id: string;
  name: string;
  appliance: string;
  stage: RunState['stage'];
  /** A finding not dealt with, or null. */
  finding: 'damp' | 'drip' | 'running' | null;
}

export interface Shortage {
  item: string;
  name: string;
  need: number;
  onVan: number;
  forRuns: string[];
}

export interface Recheck {
  visitId: string;
  runId: string;
  place: string;
  run: string;
  premises: string;
  /** Of the premises. */
  timeZone: string;
  dueMs: number;
  overdue: boolean;
  notDry: boolean;
}

export interface DaySheet {
  day: string;
  visits: { visit: VisitHead; places: string[]; runs: DayRun[]; short: number }[];
  shortages: Shortage[];
  rechecks: Recheck[];
}

/** How long a recheck that nobody did stays on the day sheet, days. */
const RECHECK_WINDOW_DAYS = 14;

/** The day's visits, what the van lacks for them, and which connections are to be looked at again. */
export async function daySheet(sql: Sql, shopId: string, day: string, at: Date): Promise<DaySheet> {
  const heads = await visitsBetween(sql, shopId, addDays(day, -RECHECK_WINDOW_DAYS), day);
  const [sheets, stock] = await Promise.all([visitSheets(sql, shopId, heads), stockOnVan(sql, shopId)]);
  const known = sheets.map((sheet) => ({ visit: sheet.visit, states: statesOf(sheet) }));
  const today = known.filter((k) => k.visit.onDate === day);
  const shortages = shortagesOf(
    today.flatMap((k) => k.states),
    stock,
  );
  const short = new Set(shortages.map((s) => s.item));
  return {
    day,
    visits: today.map(({ visit, states }) => ({
      visit,
      places: [...new Set(states.map((s) => s.run.place))],
      runs: states.map(({ run, state }) => ({
        id: run.id,
        name: run.name,
        appliance: run.applianceName,
        stage: state.stage,
        finding: [...state.joints, ...state.checkPoints].find((t) => t.finding !== null)?.finding ?? null,
      })),
      short: states.filter(({ state }) => waiting(state) && Object.keys(itemsNeeded(state.accepted!)).some((item) => short.has(item))).length,
    })),
    shortages,
    rechecks: known.flatMap(({ visit, states }) => states.flatMap(({ run, state }) => recheckOf(visit, run, state, day, at))),
  };
}

/** Accepted and not yet made: its parts are still on the van, or missing there. */
function waiting(state: RunState): boolean {
  return state.accepted !== null && state.signedOff === null && !state.joints.some((j) => j.made);
}

function shortagesOf(states: { run: RunRow; state: RunState }[], stock: Record<string, number>): Shortage[] {
  const out = new Map<string, Shortage>();
  for (const { run, state } of states) {
    if (!waiting(state) || !state.accepted) continue;
    for (const [item, count] of Object.entries(itemsNeeded(state.accepted))) {
      const row = out.get(item) ?? { item, name: state.accepted.items[item]?.name ?? item, need: 0, onVan: stock[item] ?? 0, forRuns: [] };
      row.need += count;
      row.forRuns.push(run.name);
      out.set(item, row);
    }
  }
  return [...out.values()].filter((s) => s.need > s.onVan).sort((a, b) => (a.name < b.name ? -1 : 1));
}

function recheckOf(visit: VisitHead, run: RunRow, state: RunState, day: string, at: Date): Recheck[] {
  if (!state.signedOff || state.recheck === 'dry' || state.recheck === 'none') return [];
  const { recheckDueMs } = state.signedOff;
  if (localDay(recheckDueMs, visit.premises.timeZone) > day) return [];
  return [
    {
      visitId: visit.id,
      runId: run.id,
      place: run.place,
      run: run.name,
      premises: visit.premises.name,
      timeZone: visit.premises.timeZone,
      dueMs: recheckDueMs,
      overdue: recheckDueMs < at.getTime(),
      notDry: state.recheck === 'not dry',
    },
  ];
}
