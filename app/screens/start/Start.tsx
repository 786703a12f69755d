import { useState } from 'react';
import { localToday } from '../../../sync/run.ts';
import { type ApplianceRow, type DraftItem, newId, PickWork, say, saying, sayingsOfWork } from '../../ui/book/index.ts';
import { type FoundPremises, usePremises, usePremisesSearch } from '../../ui/held/index.ts';
import { dayWords } from '../../ui/words.ts';

/** Where the work is: known premises, or new ones that have no name yet. */
type Where = { id: string } | 'new';

/** Work that begins on site: where, which appliance, what; then its first end is asked. Names can come later. */
export default function Start({ timeZone, appliances, premises }: { timeZone: string; appliances: ApplianceRow[]; premises: string | null }) {
  const [where, setWhere] = useState<Where | null>(premises === null ? null : { id: premises });
  const { book } = usePremises(where !== null && where !== 'new' ? where.id : null);
  const begin = async (item: DraftItem) => {
    if (where === null || (where !== 'new' && !book)) return;
    const [visitId, premisesId] = [newId(), book?.premises.id ?? newId()];
    const zone = book?.premises.timeZone ?? timeZone;
    const [onDate, startsAt] = nowIn(zone);
    const { standing, onList } = sayingsOfWork([item], { visitId, premisesId, book, appliances });
    const all = [
      ...(where === 'new' ? [saying('premises', premisesId, 'made', { name: `New place, ${onDate} ${startsAt}`, timeZone })] : []),
      ...standing,
      saying('visit', visitId, 'made', { premisesId, onDate, startsAt, title: item.name }),
      ...onList,
      saying('visit', visitId, 'arrived'),
    ];
    if (await say(all, `Begun: ${item.name}`)) location.assign(`/visits/${visitId}`);
  };
  return (
    <div className="max-w-220">
      <h1>Start work here</h1>
      {where === null ? (
        <WherePicker onPick={setWhere} />
      ) : (
        <div className="mt-3">
          <p className="mb-3 flex flex-wrap items-center gap-3">
            <b>{where === 'new' ? 'A new place: its name can come later' : (book?.premises.name ?? 'Reading it')}</b>
            <button type="button" className="key" onClick={() => setWhere(null)}>
              Somewhere else
            </button>
          </p>
          {(where === 'new' || book) && <PickWork book={book} appliances={appliances} onPicked={begin} />}
        </div>
      )}
    </div>
  );
}

function WherePicker({ onPick }: { onPick: (where: Where) => void }) {
  const [q, setQ] = useState('');
  const { found, isWhole } = usePremisesSearch(q);
  return (
    <div className="mt-3 grid gap-2">
      <button type="button" className="key key-main min-h-14 text-2xl" onClick={() => onPick('new')}>
        A new place
      </button>
      {found.map((p) => (
        <button key={p.id} type="button" className="key min-h-14 justify-start text-left" onClick={() => onPick({ id: p.id })}>
          <span>
            {p.name}
            <span className="block font-text text-base font-normal text-soft">{lineOf(p)}</span>
          </span>
        </button>
      ))}
      {!isWhole && found.length === 0 && <p className="text-soft">This device holds no premises yet; asking the server.</p>}
      <label className="mt-2 grid gap-1">
        <span className="label">Find another</span>
        <input className="field" maxLength={200} value={q} onChange={(e) => setQ(e.target.value)} placeholder="Name, street, room" />
      </label>
    </div>
  );
}

const lineOf = (p: FoundPremises): string =>
  [p.address, p.lastVisit && `last here ${dayWords(p.lastVisit, localToday())}`, p.by].filter(Boolean).join(' · ');

/** Local day and hour of a place, by this device's clock. */
function nowIn(timeZone: string): [day: string, time: string] {
  const format = new Intl.DateTimeFormat('sv-SE', { timeZone, dateStyle: 'short', timeStyle: 'short' });
  const [day, time] = format.format(new Date()).split(' ') as [string, string];
  return [day, time];
}
