import type { WeekVisit } from '../../../record/index.ts';

const longDay = new Intl.DateTimeFormat('en', { weekday: 'long', day: 'numeric', timeZone: 'UTC' });

interface Props {
  day: string;
  today: string;
  visits: WeekVisit[];
  move: (visit: WeekVisit, days: number, minutes: number) => void;
  /** Whether it can be moved yet. */
  isAtHand: boolean;
}

/** A day of the week on a phone: its visits in their order, each moved a day on or back with a thumb. */
export function DayList({ day, today, visits, move, isAtHand }: Props) {
  return (
    <section className="border-b border-rule py-2">
      <h2>
        <a href={`/?day=${day}`} className="inline-flex min-h-12 items-center no-underline">
          {longDay.format(new Date(`${day}T00:00:00Z`))}
          {day === today && ', today'}
        </a>
      </h2>
      {visits.length === 0 && <p className="text-soft">free</p>}
      <ul className="day-list">
        {visits.map((v) => (
          <li key={v.id}>
            <a href={`/visits/${v.id}`}>
              <b className={v.status === 'cancelled' ? 'line-through' : undefined}>{`${v.startsAt} ${v.title}`}</b>
              {`${v.status}, ${v.minutes} min${v.into === '' ? '' : ', ▲ runs into another'}`}
            </a>
            {isAtHand && (
              <span className="flex gap-1">
                <button type="button" className="key" aria-label={`${v.title} a day back`} onClick={() => move(v, -1, 0)}>
                  ↑
                </button>
                <button type="button" className="key" aria-label={`${v.title} a day on`} onClick={() => move(v, 1, 0)}>
                  ↓
                </button>
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
