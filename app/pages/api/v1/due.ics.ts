import ical from 'ical-generator';
import { now } from '../../../../store/database/index.ts';
import { type DueRow, dueAll } from '../../../../store/queries/index.ts';
import { dueQuery } from '../../../http/asked/index.ts';
import { database } from '../../../http/database.ts';
import { file } from '../../../http/door/index.ts';

/** A calendar with more is read by nobody. */
const MOST = 2000;

/** What falls due as days of a calendar that subscribes to it: each thing keeps its name from one reading to the next. */
export const GET = file({ type: 'text/calendar; charset=utf-8', name: 'due.ics' }, async ({ url, locals }) => {
  const rows = await dueAll(database(), locals.shop, now(), { ahead: 400, ...dueQuery(url) }, MOST);
  const calendar = ical({ name: 'Due', prodId: { company: 'brass-nut', product: 'due' } });
  for (const row of rows) {
    calendar.createEvent({
      id: `${nameOf(row)}@brass-nut`,
      stamp: now(),
      start: new Date(`${row.dueOn}T00:00:00Z`),
      allDay: true,
      summary: [`${row.todo}: ${row.what}`.replace(/: $/, ''), row.run].filter(Boolean).join(', '),
      location: [row.place, row.premises.name].filter(Boolean).join(', '),
      description: [row.because, row.since && `Since ${row.since}`].filter(Boolean).join('\n'),
    });
  }
  return calendar.toString();
});

const nameOf = ({ kind, runId, visitId, premises, what }: DueRow): string =>
  [
    kind,
    runId ?? premises.id,
    visitId,
    what
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .slice(0, 60),
  ]
    .filter(Boolean)
    .join('-');
