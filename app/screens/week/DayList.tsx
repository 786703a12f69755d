import type { PlannedVisit } from '../../../record/visit/day.ts';

const longDay = new Intl.DateTimeFormat('en', { weekday: 'long', day: 'numeric', timeZone: 'UTC' });

interface Props {
  day: string;
  today: string;
  visits: PlannedVisit[];
  move: (visit: PlannedVisit, days: number, minutes: number) => void;
}

/** A day of the week on a phone: its visits in their order, each moved a day on or back with a thumb. */
export function DayList({ day, today, visits, move }: Props) {
  return (
    <section className="border-b border-rule py-2">
      <h2>
        <a href={`/?day=${day}`} className="inline-flex min-h-12 items-center no-underline">
          {longDay.format(new Date(`${day}T00:00:00Z`))}
          {day === today && ', today'}
        </a>
      </h2>
      {visits.length === 0 && <p className="text-soft">free</p>}
      <ul>
        {visits.map((v) => (
          <li key={v.visit.id} className="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2 border-t border-faint py-1">
            <a href={`/visits/${v.visit.id}`} className="grid min-h-12 content-center no-underline">
              <b className={v.visit.cancelled === null ? '' : 'line-through'}>
                {v.visit.startsAt} {v.visit.title}
              </b>
              <span className="text-soft">
                {v.status}, {v.span.minutes} min{v.overlaps.length > 0 && ', ▲ runs into another'}
              </span>
            </a>
            <span className="flex gap-1">
              <button type="button" className="key" aria-label={`${v.visit.title} a day back`} onClick={() => move(v, -1, 0)}>
                ↑
              </button>
              <button type="button" className="key" aria-label={`${v.visit.title} a day on`} onClick={() => move(v, 1, 0)}>
                ↓
              </button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
