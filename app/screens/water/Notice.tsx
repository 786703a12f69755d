import { useState } from 'react';
import { type IsolationPlan, losing, type WaterNetwork } from '../../../core/index.ts';
import type { Premises } from '../../../record/index.ts';
import { useShop } from '../../ui/held/index.ts';
import { inQuiet } from './day-jobs.ts';

interface Props {
  premises: Premises;
  net: WaterNetwork;
  plan: IsolationPlan | null;
  workOn: readonly string[];
  struckOut: readonly string[];
  nameOf: (id: string) => string;
  today: string;
}

const LONG_DAY: Intl.DateTimeFormatOptions = { weekday: 'long', day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' };

/** For who lives or works there: one page on the door, and an entry for their calendar. */
export function Notice({ premises, net, plan, workOn, struckOut, nameOf, today }: Props) {
  const [day, setDay] = useState(today);
  const [from, setFrom] = useState('09:00');
  const [to, setTo] = useState('11:00');
  const shop = useShop();
  if (!plan?.possible) return <p className="text-lg">A notice follows from a plan: press what is worked on first.</p>;
  const gone = [...new Set([...losing(net, plan), ...workOn.filter((id) => net.places.some((p) => p.id === id && p.kind === 'outlet'))])];
  const isRead = /^\d{4}-\d{2}-\d{2}$/.test(day) && from < to;
  const long = isRead ? new Date(`${day}T00:00:00Z`).toLocaleDateString('en-GB', LONG_DAY) : '';
  const isInQuiet = isRead && inQuiet(premises.quiet, from, to);
  const file = `/api/v1/premises/${premises.id}/water-off.ics?${new URLSearchParams([['day', day], ['from', from], ['to', to], ...workOn.map((w) => ['work', w]), ...struckOut.map((s) => ['out', s])])}`;
  const hot = plan.energyOff.length > 0;
  return (
    <div className="grid gap-4">
      <fieldset className="grid grid-cols-2 gap-2 print:hidden">
        <legend className="label">When the water is off</legend>
        <label className="col-span-2 grid">
          <span>Day</span>
          <input className="field" type="date" value={day} onChange={(e) => setDay(e.target.value)} />
        </label>
        <label className="grid">
          <span>From</span>
          <input className="field" type="time" value={from} onChange={(e) => setFrom(e.target.value)} />
        </label>
        <label className="grid">
          <span>To</span>
          <input className="field" type="time" value={to} onChange={(e) => setTo(e.target.value)} />
        </label>
      </fieldset>
      {!isRead && <p role="alert">Say a day, and an end that comes after its beginning.</p>}
      {isInQuiet && (
        <p className="caution print:hidden">
          That lies in the quiet hours of the house, {premises.quiet!.from} to {premises.quiet!.to}.
        </p>
      )}
      {isRead && (
        <>
          <article aria-label="The notice" className="notice border-2 border-ink bg-sheet px-5 py-4">
            <h2 className="text-4xl">Water off</h2>
            <p className="text-2xl">
              {long}, {from} to {to}
            </p>
            <p className="mt-1">{premises.name}</p>
            <h3 className="mt-3 border-b border-ink">No water at</h3>
            <ul className="columns-2">
              {gone.map((id) => (
                <li key={id}>{nameOf(id)}</li>
              ))}
            </ul>
            {gone.length === 0 && <p>No outlet: the work is done behind its own stop.</p>}
            <h3 className="mt-3 border-b border-ink">Please</h3>
            <ul className="list-disc pl-5">
              <li>Fill what you need before: a kettle, a bucket for the toilet.</li>
              <li>Leave all taps shut, and no machine running that draws water.</li>
              {hot && <li>The heater is off meanwhile; hot water takes a while to come back.</li>}
              <li>Afterwards open a cold tap slowly: air and some rust come first. Let it run clear before it is drunk.</li>
            </ul>
            <p className="mt-3 text-soft">{[shop?.name, shop?.phone].filter(Boolean).join(', ')}</p>
          </article>
          <div className="flex flex-wrap gap-2 print:hidden">
            <button type="button" className="key key-main" onClick={() => print()}>
              Print it
            </button>
            <a className="key" href={file} download>
              For calendars (.ics)
            </a>
          </div>
        </>
      )}
    </div>
  );
}
