import { useEffect, useState } from 'react';
import { isBookEntry, type PremisesBook } from '../../../record/index.ts';
import type { Outgoing } from '../../../sync/device.ts';
import { sync } from '../../../sync/run.ts';
import { useStanding } from '../../ui/held/index.ts';
import { localTime } from '../../ui/words.ts';
import { Mend } from './Mend.tsx';
import { RefusedPictures } from './RefusedPictures.tsx';
import { anew, inWords, whatOf } from './unsent-words.ts';

interface Held {
  outgoing: Outgoing[];
  books: PremisesBook[];
}

/** What is kept on this device and not with the server: what waits, what was not taken and why, what was put away. */
export default function Unsent() {
  const [held, setHeld] = useState<Held | null>(null);
  const [why, setWhy] = useState('');
  useEffect(() => {
    const read = async () => {
      try {
        const store = await sync.device();
        const [outgoing, books] = await Promise.all([store.outgoing(), store.books()]);
        setHeld({ outgoing, books });
      } catch (error) {
        setWhy((error as Error).message);
      }
    };
    read();
    return sync.subscribe(read);
  }, []);
  const { pictures } = useStanding();
  const of = (status: Outgoing['status']) => held?.outgoing.filter((o) => o.status === status) ?? [];
  return (
    <div className="max-w-220">
      <h1>What this device has and the server has not</h1>
      {why && <p className="caution mt-2">{why}</p>}
      {held?.outgoing.length === 0 && pictures === 0 && <p className="mt-3 text-lg">Nothing: all that was entered here is with the server.</p>}
      <Rows title="Not taken by the server" list={of('refused')} books={held?.books ?? []}>
        {(o) => <Refused of={o} />}
      </Rows>
      <RefusedPictures />
      {pictures > 0 && (
        <p className="mt-3 text-lg">
          {pictures === 1 ? 'One picture' : `${pictures} pictures`} on the way: sent in pieces, gone on with where the line broke.
        </p>
      )}
      <Rows title="Waiting to be sent" list={of('waiting')} books={held?.books ?? []} />
      {of('waiting').length > 0 && (
        <button type="button" className="key mt-3" onClick={() => sync.hurry()}>
          Try now
        </button>
      )}
      <Rows title="Put away" list={of('put away')} books={held?.books ?? []}>
        {(o) => (
          <button type="button" className="key" onClick={() => again(o)}>
            Send it after all
          </button>
        )}
      </Rows>
    </div>
  );
}

interface RowsProps {
  title: string;
  list: Outgoing[];
  books: PremisesBook[];
  children?: (o: Outgoing) => React.ReactNode;
}

function Rows({ title, list, books, children }: RowsProps) {
  if (list.length === 0) return null;
  return (
    <section className="mt-5" aria-label={title}>
      <h2 className="border-b border-ink pb-1">
        {title} ({list.length})
      </h2>
      <ol>
        {list.map((o) => (
          <li key={o.seq} className="grid gap-2 border-b border-rule py-3">
            <p>
              <span className="code text-soft">{localTime(Date.parse(o.entry.seenAt), Intl.DateTimeFormat().resolvedOptions().timeZone)}</span>{' '}
              <b>{whatOf(o.entry, books)}</b>
              <span className="block text-lg">{inWords(o.entry, books)}</span>
            </p>
            {o.why && <p className="caution">{o.why}</p>}
            {children?.(o)}
          </li>
        ))}
      </ol>
    </section>
  );
}

async function again(o: Outgoing): Promise<void> {
  await (await sync.device()).sendAgain(o.seq);
  sync.hurry();
}

function Refused({ of }: { of: Outgoing }) {
  const mended = async (body: unknown) => {
    const store = await sync.device();
    const entry = anew(of.entry, store.deviceId, body);
    await store.mend(of.seq, { ...entry, seenAt: of.entry.seenAt });
    sync.hurry();
  };
  const putAway = async () => {
    copy(of);
    await (await sync.device()).putAway(of.seq);
    sync.hurry();
  };
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap gap-3">
        <button type="button" className="key" onClick={() => again(of)}>
          Send it again
        </button>
        {!isBookEntry(of.entry) && (
          <a className="key" href={`/visits/${of.entry.visitId}?run=${of.entry.runId}`}>
            Open the run
          </a>
        )}
        <button type="button" className="key" onClick={putAway}>
          Save a copy and put it away
        </button>
      </div>
      <details className="why">
        <summary>Mend it</summary>
        <Mend of={of} onMend={mended} />
      </details>
    </div>
  );
}

/** The whole entry as a file, so that nothing goes that was not seen and kept. */
function copy({ entry, why }: Outgoing): void {
  const a = document.createElement('a');
  a.href = URL.createObjectURL(new Blob([`${JSON.stringify({ entry, why }, null, 1)}\n`], { type: 'application/json' }));
  a.download = `entry-${entry.id}.json`;
  a.click();
  URL.revokeObjectURL(a.href);
}
