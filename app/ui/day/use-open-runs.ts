import { addDays, type OpenRun, openRunsOf } from '../../../record/index.ts';
import { localToday } from '../../../sync/run.ts';
import type { ClientCatalogue } from '../held/index.ts';
import { useHeldVisits } from './use-day.ts';

/** Runs that a chain may be taken to: as this device holds them; as the page was given them until it has read its store. */
export function useOpenRuns(catalogue: ClientCatalogue | null, given: OpenRun[]): OpenRun[] {
  const today = typeof window === 'undefined' ? BEFORE_ANY : localToday();
  const held = useHeldVisits(catalogue, today, today === BEFORE_ANY ? today : addDays(today, 1));
  if (!held?.span) return given;
  return openRunsOf(
    held.visits.filter(({ visit }) => visit.onDate >= today && visit.onDate <= addDays(today, 1)),
    today,
  );
}

/** On the server no store is read. */
const BEFORE_ANY = '1970-01-01';
