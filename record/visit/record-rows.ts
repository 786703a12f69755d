/** Everything recorded on a visit, told in plain words: the rows of its file, its CSV and its print. */
import type { Units } from '../../core/index.ts';
import { ordered } from '../effective.ts';
import type { Entry } from '../kinds.ts';
import { type History, historyOf } from '../run/history.ts';
import type { RunState } from '../run/state.ts';
import { describer, happenings } from '../words.ts';
import { type RunCatalogue, readRuns, type VisitSheet } from './sheet.ts';

export interface RecordRow {
  run: string;
  place: string;
  /** By a clock that can be trusted, ISO 8601. */
  at: string;
  device: string;
  /** 'J2', 'Stop stem'; '' for the run. */
  who: string;
  what: string;
  /** What was said before it was corrected; '' where nothing was. */
  before: string;
  /** Why it was taken back; '' while it stands. */
  takenBack: string;
}

/** Devices have no names of their own: they are numbered as they come in. */
export function deviceNames(entries: readonly Entry[]): (deviceId: string) => string {
  const ids = [...new Set(ordered(entries).map((e) => e.deviceId))];
  return (deviceId) => `device ${ids.indexOf(deviceId) + 1}`;
}

/** @param units what figures are said in; a file that is read again has them in the trade's own */
export function recordRows(sheet: VisitSheet, catalogue: RunCatalogue, units: Units = 'inch'): RecordRow[] {
  const device = deviceNames(sheet.entries);
  return readRuns(sheet, catalogue).flatMap(({ run, state }) =>
    runHappenings(sheet.entries, run.id, state, units).map((h) => ({
      run: run.name,
      place: run.place,
      at: new Date(h.atMs).toISOString(),
      device: device(h.deviceId),
      who: h.who,
      what: h.what,
      before: h.before.join('; '),
      takenBack: h.withdrawn?.reason ?? '',
    })),
  );
}

/** "What happened here": everything recorded on a run, in order, with what became of it. */
export function runHappenings(entries: readonly Entry[], runId: string, state: RunState | null, units: Units = 'inch') {
  const history: History = historyOf(entries, runId);
  return happenings(history, describer(state, history, units));
}
