import { addDays, shopDay } from './clock.ts';
import type { Sql } from './connection.ts';
import { statesOf, visitSheets, visitsBetween } from './visits.ts';

/** A run of today or tomorrow of which no joint is made yet: a chain may still be taken to it. */
export interface OpenRunRow {
  visitId: string;
  runId: string;
  name: string;
  /** The acceptance that another would take the place of. */
  acceptedId: string | null;
}

export async function shopRuns(sql: Sql, shopId: string, at: Date): Promise<OpenRunRow[]> {
  const today = shopDay(at);
  const sheets = await visitSheets(sql, shopId, await visitsBetween(sql, shopId, today, addDays(today, 1)));
  return sheets.flatMap((sheet) =>
    statesOf(sheet).flatMap(({ run, state }): OpenRunRow[] =>
      state.signedOff || state.joints.some((j) => j.made)
        ? []
        : [
            {
              visitId: sheet.visit.id,
              runId: run.id,
              name: `${run.name}, ${sheet.visit.title}, ${sheet.visit.onDate === today ? 'today' : 'tomorrow'}`,
              acceptedId: state.accepted?.entryId ?? null,
            },
          ],
    ),
  );
}
