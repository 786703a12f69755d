import type { ReactNode } from 'react';
import type { Happening } from '../../../record/index.ts';
import { localTime } from '../words.ts';
import { byDay } from './by-day.ts';

interface Props {
  rows: Happening[];
  timeZone: string;
  /** How a device is called. */
  device: (deviceId: string) => string;
  /** What can be done about a row, where something can. */
  actions?: (row: Happening) => ReactNode;
  /** What stands under a row: a form that was asked for. */
  below?: (row: Happening) => ReactNode;
}

/** Everything recorded on a run, in order, in plain words; what was corrected or taken back stays to be read, struck through. */
export function Happened({ rows, timeZone, device, actions, below }: Props) {
  if (rows.length === 0) return <p className="mt-2">Nothing is recorded yet.</p>;
  return (
    <div>
      {byDay(rows, timeZone).map(([day, list]) => (
        <div key={`${day} ${list[0]!.id}`}>
          <h3 className="label mt-2">{day}</h3>
          <ol>
            {list.map((row) => (
              <Row key={row.id} {...{ row, timeZone, device }} actions={actions?.(row)} below={below?.(row)} />
            ))}
          </ol>
        </div>
      ))}
    </div>
  );
}

function Row({
  row,
  timeZone,
  device,
  actions,
  below,
}: { row: Happening; actions: ReactNode; below: ReactNode } & Pick<Props, 'timeZone' | 'device'>) {
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-3 border-t border-faint py-1 md:grid-cols-[9rem_minmax(0,1fr)_auto]">
      <span className="text-soft max-md:col-span-2">
        <span className="code">{localTime(row.atMs, timeZone).slice(11)}</span> <span className="whitespace-nowrap">{device(row.deviceId)}</span>
      </span>
      <div className="min-w-0">
        {row.before.map((what) => (
          <p key={what}>
            <span className="sr-only">Not this, as it was said too: </span>
            <s className="text-soft">
              {row.who} {what}
            </s>
          </p>
        ))}
        <p className={row.withdrawn ? 'text-soft line-through' : ''}>
          {row.who !== '' && <b>{row.who} </b>}
          {row.what}
        </p>
        {row.withdrawn && (
          <p>
            Taken back {localTime(row.withdrawn.atMs, timeZone)} by {device(row.withdrawn.deviceId)}: {row.withdrawn.reason}
          </p>
        )}
        {row.clockOffMin !== 0 && (
          <p className="text-soft">
            That device's clock was {Math.abs(row.clockOffMin)} min {row.clockOffMin > 0 ? 'slow' : 'fast'}; the time is put right.
          </p>
        )}
        {row.isUnsent && <p className="text-soft">Kept on this device, not sent yet.</p>}
      </div>
      {actions}
      {below && <div className="col-span-full mb-2 border-2 border-ink p-3">{below}</div>}
    </li>
  );
}
