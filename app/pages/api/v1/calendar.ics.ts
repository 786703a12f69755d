import ical, { ICalEventStatus } from 'ical-generator';
import { instantOf } from '../../../../record/index.ts';
import { now } from '../../../../store/database/index.ts';
import { calendarOf } from '../../../../store/queries/index.ts';
import { database } from '../../../http/database.ts';
import { file } from '../../../http/door/index.ts';

const MINUTE_MS = 60_000;
const RECHECK_MIN = 20;

/** Visits of the next 60 days and rechecks that are due, as a calendar subscribes to them. */
export const GET = file({ type: 'text/calendar; charset=utf-8', name: 'visits.ics' }, async ({ locals }) => {
  const { visits, rechecks } = await calendarOf(database(), locals.shop, now());
  const calendar = ical({ name: 'Visits', prodId: { company: 'brass-nut', product: 'visits' } });
  for (const { visit, runs, span, sequence } of visits) {
    const startMs = instantOf(visit.onDate, visit.startsAt, visit.premises.timeZone);
    calendar.createEvent({
      id: `${visit.id}@brass-nut`,
      sequence,
      stamp: now(),
      start: new Date(startMs),
      end: new Date(startMs + span.minutes * MINUTE_MS),
      summary: `${visit.title}, ${visit.premises.name}`,
      location: visit.premises.address ?? visit.premises.name,
      description: [visit.note, ...runs.filter((r) => r.summary.offList === null).map((r) => `${r.name}, ${r.place}`)].filter(Boolean).join('\n'),
      status: visit.cancelled === null ? ICalEventStatus.CONFIRMED : ICalEventStatus.CANCELLED,
    });
  }
  for (const { visit, runId, name, place, dueMs } of rechecks) {
    calendar.createEvent({
      id: `recheck-${visit.id}-${runId}@brass-nut`,
      stamp: now(),
      start: new Date(dueMs),
      end: new Date(dueMs + RECHECK_MIN * MINUTE_MS),
      summary: `Recheck: ${name}`,
      location: `${place}, ${visit.premises.name}`,
      status: ICalEventStatus.CONFIRMED,
    });
  }
  return calendar.toString();
});
