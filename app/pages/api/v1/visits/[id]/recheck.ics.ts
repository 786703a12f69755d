import ical from 'ical-generator';
import { now } from '../../../../../../store/database/index.ts';
import { statesOf, visitSheet } from '../../../../../../store/queries/index.ts';
import { visitAsked } from '../../../../../http/asked/index.ts';
import { database } from '../../../../../http/database.ts';
import { file, RefusedError } from '../../../../../http/door/index.ts';

/** The rechecks of a visit's signed-off runs, for any calendar. */
export const GET = file({ type: 'text/calendar; charset=utf-8', name: ({ params }) => `recheck-${params.id}.ics` }, async ({ params, locals }) => {
  const sheet = await visitAsked(params.id, (id) => visitSheet(database(), locals.shop, id));
  const due = statesOf(sheet).flatMap(({ run, state }) => (state?.signedOff ? [{ run, signedOff: state.signedOff }] : []));
  if (due.length === 0) {
    throw new RefusedError(
      409,
      'nothing-signed-off',
      'No recheck yet',
      'No run of this visit is signed off, so nothing is to be looked at again.',
      'id',
    );
  }
  const calendar = ical({ name: `Rechecks, ${sheet.visit.title}`, prodId: { company: 'brass-nut', product: 'rechecks' } });
  for (const { run, signedOff } of due) {
    calendar.createEvent({
      id: `${signedOff.entryId}@brass-nut`,
      stamp: now(),
      start: new Date(signedOff.recheckDueMs),
      end: new Date(signedOff.recheckDueMs + 20 * 60_000),
      summary: `Recheck: ${run.name}`,
      location: `${run.place}, ${sheet.visit.premises.name}`,
      description: 'Look at every joint and the stop stem with a dry tissue.',
    });
  }
  return calendar.toString();
});
