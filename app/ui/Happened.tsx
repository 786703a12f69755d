import type { ReactNode } from 'react';
import type { Happening } from '../../record/index.ts';
import { localTime } from './words.ts';

interface Props {
  rows: Happening[];
  timeZone: string;
  /** How a device is called. */
  device: (deviceId: string) => string;
  /** What can be done about a row, where something can. */
  actions?: (row: Happening) => ReactNode;
}

/** Everything recorded on a run, in order, in plain words; what was corrected or taken back stays to be read, struck through. */
export function Happened({ rows, timeZone, device, actions }: Props) {
  if (rows.length === 0) return <p className="mt-2">Nothing is recorded yet.</p>;
  return (
    <ol className="mt-1">
      {rows.map((row) => (
        <li key={row.id} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-t border-faint py-1 md:grid-cols-[9.5rem_minmax(0,1fr)_auto]">
          <span className="text-soft max-md:col-span-2">
            <span className="code">{localTime(row.atMs, timeZone)}</span> <span className="whitespace-nowrap">{device(row.deviceId)}</span>
          </span>
          <div className="min-w-0">
            {row.before !== null && (
              <p>
                <span className="sr-only">Before it was corrected: </span>
                <s className="text-soft">
                  {row.who} {row.before}
                </s>
              </p>
            )}
            <p className={row.withdrawn ? 'text-soft line-through' : ''}>
              <b>{row.who}</b> {row.what}
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
          {actions?.(row)}
        </li>
      ))}
    </ol>
  );
}
