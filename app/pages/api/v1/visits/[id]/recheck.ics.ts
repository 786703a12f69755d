import type { APIRoute } from 'astro';
import ical from 'ical-generator';
import { now } from '../../../../../../store/clock.ts';
import { uuid } from '../../../../../../store/entry-shape.ts';
import { statesOf, visitSheet } from '../../../../../../store/visits.ts';
import { database, THE_SHOP } from '../../../../../http/database.ts';
import { answerOf } from '../../../../../http/faults.ts';
import { problem } from '../../../../../http/problem.ts';

/** The rechecks of a visit's signed-off runs, for any calendar. */
export const GET: APIRoute = async ({ params }) => {
  try {
    const id = uuid.safeParse(params.id);
    const sheet = id.success ? await visitSheet(database(), THE_SHOP, id.data) : null;
    if (!sheet) return problem(404, 'no-visit', 'No such visit', 'There is no visit of that id in this shop.');
    const due = statesOf(sheet).flatMap(({ run, state }) => (state.signedOff ? [{ run, signedOff: state.signedOff }] : []));
    if (due.length === 0)
      return problem(409, 'nothing-signed-off', 'No recheck yet', 'No run of this visit is signed off, so nothing is to be looked at again.');
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
    return new Response(calendar.toString(), {
      headers: { 'content-type': 'text/calendar; charset=utf-8', 'content-disposition': `attachment; filename="recheck-${params.id}.ics"` },
    });
  } catch (error) {
    return answerOf(error);
  }
};
