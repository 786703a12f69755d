import ical, { ICalEventStatus } from 'ical-generator';
import * as z from 'zod/mini';
import { InputError, losing, planIsolation } from '../../../../../../core/index.ts';
import { instantOf, networkOf } from '../../../../../../record/index.ts';
import { now } from '../../../../../../store/database/index.ts';
import { lastStates, premisesWhole } from '../../../../../../store/queries/index.ts';
import { premisesAsked } from '../../../../../http/asked/index.ts';
import { database } from '../../../../../http/database.ts';
import { file } from '../../../../../http/door/index.ts';

const time = z.string().check(z.regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'is no time of the day'));
const thingId = z.string().check(z.minLength(1), z.maxLength(60, 'is longer than 60 characters'));
const asked = z.object({
  day: z.string().check(
    z.regex(/^\d{4}-\d{2}-\d{2}$/, 'is no day'),
    z.refine((d) => !Number.isNaN(Date.parse(d)), 'is no day'),
  ),
  from: time,
  to: time,
  work: z.array(thingId).check(z.minLength(1, 'wants what is worked on'), z.maxLength(50, 'names more than 50')),
  out: z.array(thingId).check(z.maxLength(50, 'names more than 50')),
});

/** When the water is off and where, for the calendars of those who live with it. */
export const GET = file({ type: 'text/calendar; charset=utf-8', name: 'water-off.ics' }, async ({ params, url, locals }) => {
  const q = url.searchParams;
  const { day, from, to, work, out } = z.parse(asked, {
    day: q.get('day') ?? '',
    from: q.get('from') ?? '',
    to: q.get('to') ?? '',
    work: q.getAll('work'),
    out: q.getAll('out'),
  });
  if (from >= to) throw new InputError('to', to, 'Give an end that comes after its beginning.');
  const { premises } = await premisesAsked(params.id, (id) => premisesWhole(database(), locals.shop, id));
  const last = await lastStates(database(), locals.shop, premises.id);
  const net = networkOf(
    premises.water,
    last.flatMap(({ runId, summary: { stop } }) => (stop ? [{ runId, ...stop }] : [])),
  );
  const plan = planIsolation(net, { workOn: work, struckOut: out });
  if (!plan.possible) throw new InputError('work', work.join(', '), plan.because[0]?.text ?? 'No valve keeps the water from it.');
  const worked = work.filter((id) => net.places.some((p) => p.id === id && p.kind === 'outlet'));
  const names = [...new Set([...losing(net, plan), ...worked])].map((id) => net.places.find((p) => p.id === id)?.name ?? id);
  const calendar = ical({ name: 'Water off', prodId: { company: 'brass-nut', product: 'water-off' } });
  calendar.createEvent({
    id: `water-off-${premises.id}-${day}-${from.replace(':', '')}@brass-nut`,
    stamp: now(),
    start: new Date(instantOf(day, from, premises.timeZone)),
    end: new Date(instantOf(day, to, premises.timeZone)),
    summary: `Water off, ${premises.name}`,
    location: premises.address ?? premises.name,
    description: [
      names.length === 0 ? 'No outlet: the work is done behind its own stop.' : `No water at: ${names.join(', ')}`,
      'Fill what you need before, and leave all taps shut.',
      ...(plan.energyOff.length > 0 ? ['The heater is off meanwhile.'] : []),
      'Afterwards open a cold tap slowly and let it run clear before it is drunk.',
    ].join('\n'),
    status: ICalEventStatus.CONFIRMED,
  });
  return calendar.toString();
});
