import { useState } from 'react';
import { workKind } from '../../../core/index.ts';
import { addDays, dayVisitOf, pressReason, type StockedPlace, spanOf, statusOf, type VisitSheet } from '../../../record/index.ts';
import { localToday } from '../../../sync/run.ts';
import { newId, PickWork, type Saying, say, saying, sayingsOfWork, worksOf } from '../../ui/book/index.ts';
import { ReasonForm } from '../../ui/form/index.ts';
import { type ClientCatalogue, usePremises } from '../../ui/held/index.ts';
import { localTime } from '../../ui/words.ts';

interface Props {
  sheet: VisitSheet;
  catalogue: ClientCatalogue;
  onClose?: () => void;
}

/** The plan of a visit: when it is, how far, what is on its list; moved, called off, brought back, and its runs put on, off and in order. */
export default function Plan({ sheet, catalogue, onClose }: Props) {
  const { visit, runs } = sheet;
  const { book } = usePremises(visit.premises.id);
  const [open, setOpen] = useState<'add' | 'cancel' | null>(null);
  const day = dayVisitOf(sheet, catalogue);
  const status = statusOf(visit, day.runs);
  const tell = (change: string, body: Saying['body'], words: string) => say([saying('visit', visit.id, change, body)], words);
  const zone = visit.premises.timeZone;
  return (
    <section aria-label="Plan of the visit" className="border-b border-ink bg-sheet p-4">
      <div className="flex flex-wrap items-center gap-3">
        <h2>Plan: {status}</h2>
        {onClose && (
          <button type="button" className="key ml-auto" onClick={onClose}>
            Close
          </button>
        )}
      </div>
      {visit.cancelled !== null && (
        <p className="caution mt-2 flex flex-wrap items-center gap-3">
          Cancelled: {visit.cancelled}
          <button type="button" className="key" onClick={() => tell('restored', { reason: pressReason('stands-after-all') }, 'Visit brought back')}>
            Bring it back
          </button>
        </p>
      )}
      <When
        key={`${visit.onDate} ${visit.startsAt} ${visit.title} ${visit.minutes} ${visit.note}`}
        visit={visit}
        expected={spanOf({ ...day, visit: { ...visit, minutes: null } }).minutes}
        tell={tell}
      />
      <p className="mt-3 flex flex-wrap items-center gap-3">
        <button type="button" className="key" onClick={() => tell('arrived', {}, 'Arrived')}>
          Arrived{visit.arrivedMs !== null && ` ${localTime(visit.arrivedMs, zone).slice(11)}`}
        </button>
        <button type="button" className="key" onClick={() => tell('left', {}, 'Left')}>
          Left{visit.leftMs !== null && ` ${localTime(visit.leftMs, zone).slice(11)}`}
        </button>
        {visit.cancelled === null && open !== 'cancel' && (
          <button type="button" className="key" onClick={() => setOpen('cancel')}>
            Call it off
          </button>
        )}
        <a className="key" href={`/premises/${visit.premises.id}`}>
          {visit.premises.name}
        </a>
      </p>
      {open === 'cancel' && (
        <ReasonForm
          label="Why it is called off"
          submit="Call it off"
          onReason={(reason) => {
            setOpen(null);
            tell('cancelled', { reason }, 'Visit called off');
          }}
        >
          <button type="button" className="key" onClick={() => setOpen(null)}>
            Leave it
          </button>
        </ReasonForm>
      )}
      <Van {...{ visit, tell }} places={catalogue.places} />
      <List {...{ sheet, tell }} />
      {open === 'add' ? (
        <div className="mt-3">
          <PickWork
            book={book}
            appliances={catalogue.appliances}
            onPicked={(item) => {
              setOpen(null);
              const { standing, onList } = sayingsOfWork([item], {
                visitId: visit.id,
                premisesId: visit.premises.id,
                book,
                appliances: catalogue.appliances,
              });
              say([...standing, ...onList], `${item.name} put on the list`);
            }}
          />
          <button type="button" className="key mt-2" onClick={() => setOpen(null)}>
            Leave it
          </button>
        </div>
      ) : (
        <button type="button" className="key key-main mt-3" disabled={!book} onClick={() => setOpen('add')}>
          Put another on the list
        </button>
      )}
      {status !== 'planned' && status !== 'cancelled' && open === null && (
        <NextVisit sheet={sheet} open={day.runs.filter((r) => r.summary.offList === null && r.summary.signedOffMs === null).map((r) => r.id)} />
      )}
      {runs.length === 0 && <p className="mt-2">Nothing is on the list yet.</p>}
    </section>
  );
}

/** What is not signed off goes on another day: the next visit, with the runs that are open. */
function NextVisit({ sheet: { visit, runs }, open }: { sheet: VisitSheet; open: string[] }) {
  if (open.length === 0) return null;
  const book = async () => {
    const id = newId();
    const onDate = addDays([visit.onDate, localToday()].sort().at(-1)!, 1);
    const all = [
      saying('visit', id, 'made', { premisesId: visit.premises.id, onDate, startsAt: visit.startsAt, title: visit.title }),
      ...runs.filter((r) => open.includes(r.id)).map((r) => saying('visit', id, 'run-added', { runId: r.id, work: r.work, told: r.told })),
    ];
    if (await say(all, `Next visit on ${onDate} ${visit.startsAt}`)) location.assign(`/visits/${id}?plan`);
  };
  return (
    <button type="button" className="key mt-3 ml-3" onClick={book}>
      Next visit for what is open ({open.length})
    </button>
  );
}

type Tell = (change: string, body: Saying['body'], words: string) => Promise<boolean>;

/**
 * Day, hour, length, title and note, kept when one goes on from the field.
 *
 * @param expected minutes as the kinds of work tell them, where nobody said
 */
function When({ visit, expected, tell }: { visit: VisitSheet['visit']; expected: number; tell: Tell }) {
  const keep = (field: 'onDate' | 'startsAt' | 'title' | 'note' | 'minutes', value: string) => {
    const text = value.trim();
    const body =
      field === 'minutes' ? { minutes: text === '' ? null : Math.round(Number(text)) } : { [field]: field === 'note' && text === '' ? null : text };
    const before = visit[field] ?? null;
    if (Object.values(body)[0] === before || (text === '' && field !== 'note' && field !== 'minutes')) return;
    if (field === 'minutes' && text !== '' && !(Number(text) >= 5 && Number(text) <= 1440)) return;
    tell('changed', body, field === 'onDate' || field === 'startsAt' ? `Visit moved to ${text}` : `Visit changed`);
  };
  const field = (name: Parameters<typeof keep>[0], label: string, type: string, className = '') => (
    <label className={`grid gap-1 ${className}`}>
      <span className="label">{label}</span>
      <input
        className="field"
        type={type}
        maxLength={200}
        min={type === 'number' ? 5 : undefined}
        max={type === 'number' ? 1440 : undefined}
        placeholder={type === 'number' ? String(expected) : undefined}
        defaultValue={String(visit[name] ?? '')}
        onBlur={(e) => keep(name, e.target.value)}
        onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
      />
    </label>
  );
  return (
    <div className="mt-2 grid grid-cols-2 gap-3 md:grid-cols-[12rem_10.5rem_7rem_minmax(0,1fr)]">
      {field('onDate', 'Day', 'date')}
      {field('startsAt', 'Hour', 'time')}
      {field('minutes', 'Minutes', 'number')}
      {field('title', 'Called', 'text', 'max-md:col-span-2')}
      {field('note', 'Note', 'text', 'col-span-2 md:col-span-4')}
    </div>
  );
}

/** Which van goes there, where the shop has more than one. */
function Van({ visit, places, tell }: { visit: VisitSheet['visit']; places: StockedPlace[]; tell: Tell }) {
  const vans = places.filter((p) => p.kind === 'van');
  if (vans.length < 2) return null;
  return (
    <label className="mt-3 flex flex-wrap items-center gap-3">
      <span className="label">Van</span>
      <select
        className="field max-w-72"
        value={visit.vanId ?? vans[0]!.id}
        onChange={(e) => tell('changed', { vanId: e.target.value }, `${vans.find((v) => v.id === e.target.value)?.name} goes there`)}
      >
        {vans.map((v) => (
          <option key={v.id} value={v.id}>
            {v.name}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The visit's list: each run's work, up and down, off and on again. */
function List({ sheet: { runs, entries }, tell }: { sheet: VisitSheet; tell: Tell }) {
  const [off, setOff] = useState<string | null>(null);
  const ids = runs.map((r) => r.id);
  const swap = (at: number, by: -1 | 1) => {
    const next = [...ids];
    [next[at], next[at + by]] = [next[at + by]!, next[at]!];
    tell('ordered', { runIds: next }, 'Put in order');
  };
  const hasChain = (runId: string) => entries.some((e) => e.runId === runId && e.kind === 'chain-accepted');
  return (
    <ol className="mt-3">
      {runs.map((run, i) => (
        <li key={run.id} className="grid gap-2 border-t border-rule py-2">
          <div className="flex flex-wrap items-center gap-2">
            <span className={`min-w-0 flex-1 basis-60 ${run.removed === null ? '' : 'text-soft line-through'}`}>
              <b>{run.name}</b> <span className="text-soft">{run.place}</span>
            </span>
            {hasChain(run.id) ? (
              <span>{workKind(run.work).name}</span>
            ) : (
              <select
                className="field max-w-72"
                aria-label={`Work on ${run.name}`}
                value={run.work}
                onChange={(e) => tell('run-added', { runId: run.id, work: e.target.value }, `${run.name}: ${workKind(e.target.value).name}`)}
              >
                {worksOf(run.applianceKind).map(([work, name]) => (
                  <option key={work} value={work}>
                    {name}
                  </option>
                ))}
              </select>
            )}
            <button type="button" className="key" disabled={i === 0} aria-label={`${run.name} up`} onClick={() => swap(i, -1)}>
              ↑
            </button>
            <button type="button" className="key" disabled={i === runs.length - 1} aria-label={`${run.name} down`} onClick={() => swap(i, 1)}>
              ↓
            </button>
            {run.removed === null ? (
              <button type="button" className="key" onClick={() => setOff(run.id)}>
                Take off
              </button>
            ) : (
              <button type="button" className="key" onClick={() => tell('run-added', { runId: run.id, work: run.work }, `${run.name} put back`)}>
                Put back
              </button>
            )}
          </div>
          {run.removed !== null && <p>Off the list: {run.removed}</p>}
          {off === run.id && (
            <ReasonForm
              label="Why it goes off the list; what is recorded on it stays"
              submit="Take it off"
              onReason={(reason) => {
                setOff(null);
                tell('run-removed', { runId: run.id, reason }, `${run.name} taken off the list`);
              }}
            >
              <button type="button" className="key" onClick={() => setOff(null)}>
                Leave it
              </button>
            </ReasonForm>
          )}
        </li>
      ))}
    </ol>
  );
}
