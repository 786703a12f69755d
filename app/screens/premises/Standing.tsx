import { useState } from 'react';
import { endName } from '../../../core/index.ts';
import type { Appliance, Place, PremisesBook } from '../../../record/index.ts';
import { localDayOf, pressReason, recheckWaitsMs, standWords } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import { type ApplianceRow, newId, newItem, plainName, say, saying, sayingsOfWork } from '../../ui/book/index.ts';
import { ReasonForm } from '../../ui/form/index.ts';
import { dayWords } from '../../ui/words.ts';

interface Props {
  book: PremisesBook;
  /** null where this device does not know what was recorded. */
  last: Map<string, LastState> | null;
  today: string;
  appliances: ApplianceRow[];
}

/** What stands where: rooms, their appliances, each run with its last ends, chain and state. */
export function Standing({ book, last, today, appliances }: Props) {
  const [room, setRoom] = useState('');
  const places = book.places.filter((p) => p.retired === null || book.appliances.some((a) => a.placeId === p.id && a.retired === null));
  const retired = book.appliances.filter((a) => a.retired !== null);
  const addRoom = () => {
    const name = room.trim();
    if (name === '') return;
    setRoom('');
    say([saying('place', newId(), 'made', { premisesId: book.premises.id, name })], `${name} written down`);
  };
  return (
    <section aria-label="What stands here">
      <h2 className="border-b border-ink pb-1">What stands here</h2>
      {places.length === 0 && <p className="py-2">Nothing is written down yet.</p>}
      {places.map((place) => (
        <Room key={place.id} {...{ book, place, last, today, appliances }} />
      ))}
      <form
        className="mt-3 flex flex-wrap items-end gap-3 print:hidden"
        onSubmit={(e) => {
          e.preventDefault();
          addRoom();
        }}
      >
        <label className="grid gap-1">
          <span className="label">Another room</span>
          <input className="field" maxLength={200} value={room} onChange={(e) => setRoom(e.target.value)} />
        </label>
        <button type="submit" className="key" disabled={room.trim() === ''}>
          Write it down
        </button>
      </form>
      {retired.length > 0 && (
        <details className="why mt-3">
          <summary>Retired ({retired.length})</summary>
          <ul>
            {retired.map((a) => (
              <li key={a.id} className="flex flex-wrap items-center gap-3 border-b border-faint py-2">
                <span>
                  {a.name}: {a.retired}
                </span>
                <button
                  type="button"
                  className="key"
                  onClick={() => say([saying('appliance', a.id, 'restored', { reason: pressReason('in-use-again') })], `${a.name} brought back`)}
                >
                  Bring it back
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function Room({ book, place, last, today, appliances }: Props & { place: Place }) {
  const [isAdding, setAdding] = useState(false);
  const here = book.appliances.filter((a) => a.placeId === place.id && a.retired === null);
  const rename = (name: string) => {
    if (name.trim() !== '' && name.trim() !== place.name)
      say([saying('place', place.id, 'changed', { name: name.trim() })], `Room renamed ${name.trim()}`);
  };
  const add = (kind: string) => {
    const row = appliances.find((a) => a.id === kind);
    if (!row) return;
    setAdding(false);
    const item = { ...newItem(row, book), room: place.name };
    const { standing } = sayingsOfWork([item], { visitId: newId(), premisesId: book.premises.id, book, appliances });
    say(standing, `${item.name} written down`);
  };
  return (
    <div className="mt-3 border border-ink bg-sheet">
      <div className="flex flex-wrap items-center gap-3 border-b border-rule px-3 py-1">
        <input
          className="field max-w-72 border-transparent font-head text-xl font-semibold"
          aria-label={`Name of the room ${place.name}`}
          maxLength={200}
          defaultValue={place.name}
          key={place.name}
          onBlur={(e) => rename(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        />
        {isAdding ? (
          <select
            className="field ml-auto max-w-64"
            aria-label="Which appliance"
            defaultValue=""
            onChange={(e) => add(e.target.value)}
            onBlur={() => setAdding(false)}
          >
            <option value="">Which appliance?</option>
            {appliances.map((a) => (
              <option key={a.id} value={a.id}>
                {plainName(a.name)}
              </option>
            ))}
          </select>
        ) : (
          <button type="button" className="key ml-auto print:hidden" onClick={() => setAdding(true)}>
            Another appliance
          </button>
        )}
      </div>
      {here.length === 0 && <p className="px-3 py-2 text-soft">Nothing is written down here.</p>}
      {here.map((a) => (
        <OneAppliance key={a.id} {...{ book, last, today }} appliance={a} />
      ))}
    </div>
  );
}

function OneAppliance({ book, appliance, last, today }: Omit<Props, 'appliances'> & { appliance: Appliance }) {
  const [open, setOpen] = useState<'change' | 'retire' | null>(null);
  const runs = book.runs.filter((r) => r.applianceId === appliance.id && r.retired === null);
  const rename = (name: string) => {
    if (name.trim() !== '' && name.trim() !== appliance.name) {
      say([saying('appliance', appliance.id, 'changed', { name: name.trim() })], `${appliance.name} is called ${name.trim()}`);
    }
  };
  return (
    <div className="border-b border-faint px-3 py-2 last:border-b-0">
      <div className="flex flex-wrap items-center gap-3">
        <h3>{appliance.name}</h3>
        <button type="button" className="key ml-auto print:hidden" aria-expanded={open !== null} onClick={() => setOpen(open ? null : 'change')}>
          Change
        </button>
      </div>
      {open && (
        <div className="my-2 grid max-w-140 gap-3">
          <label className="grid gap-1">
            <span className="label">Called</span>
            <input
              className="field"
              maxLength={200}
              defaultValue={appliance.name}
              onBlur={(e) => rename(e.target.value)}
              onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
            />
          </label>
          <label className="grid gap-1">
            <span className="label">Stands in</span>
            <select
              className="field"
              value={appliance.placeId}
              onChange={(e) => say([saying('appliance', appliance.id, 'moved', { placeId: e.target.value })], `${appliance.name} moved`)}
            >
              {book.places.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          {open === 'retire' ? (
            <ReasonForm
              label="Why it is retired; its runs and history stay"
              submit="Retire it"
              onReason={(reason) => {
                setOpen(null);
                say([saying('appliance', appliance.id, 'retired', { reason })], `${appliance.name} retired`);
              }}
            />
          ) : (
            <button type="button" className="key justify-self-start" onClick={() => setOpen('retire')}>
              Retire it
            </button>
          )}
        </div>
      )}
      <ul>
        {runs.map((run) => (
          <LastRun
            key={run.id}
            name={runs.length > 1 ? run.name : ''}
            water={run.water}
            last={last === null ? null : last.get(run.id)}
            today={today}
            timeZone={book.premises.timeZone}
            runId={run.id}
          />
        ))}
      </ul>
    </div>
  );
}

interface LastRunProps {
  name: string;
  water: string;
  /** null where this device does not know it. */
  last: LastState | undefined | null;
  today: string;
  timeZone: string;
  runId: string;
}

function LastRun({ name, water, last, today, timeZone, runId }: LastRunProps) {
  if (!last) {
    return (
      <li className="py-1 text-soft">
        {name || water}: {last === null ? 'how it stands is not held here, and wants the connection' : 'nothing recorded yet'}
      </li>
    );
  }
  const dueMs = recheckWaitsMs(last.summary);
  return (
    <li>
      <a href={`/visits/${last.visitId}?run=${runId}`} className="grid min-h-11 py-1 no-underline hover:bg-brass-light">
        <span>
          {name && <b>{name}: </b>}
          {standWords(last.summary)}, <span className="text-soft">{dayWords(last.onDate, today)}</span>
          {dueMs !== null && <b>; recheck due {dayWords(localDayOf(dueMs, timeZone), today)}</b>}
        </span>
        {last.chain && (
          <span className="text-soft">
            {endName(last.chain.from)} to {endName(last.chain.to)}: {last.chain.parts.join('; ') || 'joined directly'}
          </span>
        )}
      </a>
    </li>
  );
}
