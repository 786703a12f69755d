import Papa from 'papaparse';
import { useEffect, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { type Chain, type ListLine, type MatchQuery, shoppingList, writeFraction } from '../../../core/index.ts';
import { type AcceptedChain, type Bodies, type Entry, type EntryKind, itemsOf } from '../../../record/index.ts';
import type { OpenRun } from '../../../record/visit/open-runs.ts';
import { newEntry } from '../../../sync/entry.ts';
import { sync } from '../../../sync/run.ts';
import type { ClientCatalogue } from '../../ui/catalogue.ts';
import { noteNewPress } from '../../ui/presses.ts';
import { money } from '../../ui/words.ts';

/** As a table for any spreadsheet; cells that it would run as formulas are made safe. */
const csvOf = (lines: ListLine[]): string =>
  Papa.unparse(
    lines.map((l) => ({ count: l.count, item: l.item, name: l.name, price_each: (l.eachCents / 100).toFixed(2), to_buy: l.toBuy })),
    { escapeFormulae: true },
  );

const wordOf = (line: ListLine): string => (line.toBuy === 0 ? '(on the van)' : line.toBuy === line.count ? '(to buy)' : `(${line.toBuy} to buy)`);

/** A chain taken: to a visit's run, to a shopping list, or as a link. */
export function Take(p: { chain: Chain; query: MatchQuery; catalogue: ClientCatalogue; link: string; runs: OpenRun[] }) {
  const { chain, catalogue } = p;
  const lines = shoppingList(chain, catalogue.parts, catalogue.loose, p.query.stock);
  const [run, setRun] = useState(p.runs[0]?.runId ?? '');
  const [said, setSaid] = useState('');
  // It stands below the chains: whoever takes one is led to it.
  const shown = useRef<HTMLElement>(null);
  useEffect(() => shown.current?.focus(), []);
  const text = lines.map((l) => `${l.count} x ${l.name} ${wordOf(l)}`).join('\n');
  const copy = async (what: string, words: string) => {
    try {
      await navigator.clipboard.writeText(what);
      setSaid(words);
    } catch {
      setSaid(`This browser does not let it be copied. Here it is: ${what}`);
    }
  };
  const download = () => {
    const a = document.createElement('a');
    a.href = URL.createObjectURL(new Blob([`${csvOf(lines)}\r\n`], { type: 'text/csv' }));
    a.download = 'shopping-list.csv';
    a.click();
    URL.revokeObjectURL(a.href);
  };
  const toRun = async () => {
    const target = p.runs.find((r) => r.runId === run);
    if (!target) return;
    try {
      const kept = await sync.keep((deviceId) => entriesFor({ ...target, deviceId }, chain, p.query, catalogue));
      const { visitId, runId } = target;
      noteNewPress({ visitId, runId, ids: kept.map((k) => k.entry.id), words: `Chain taken to ${target.name}`, isBack: false });
    } catch (error) {
      return setSaid(`It was not kept. ${(error as Error).message}`);
    }
    location.assign(`/visits/${target.visitId}?run=${target.runId}&stage=match`);
  };
  return (
    <section ref={shown} tabIndex={-1} className="my-3 grid gap-4 border-2 border-ink bg-sheet p-4 md:grid-cols-2" aria-label="The chain taken">
      <div>
        <h2>Shopping list</h2>
        <ul className="mt-1 list-disc pl-5">
          {lines.map((l) => (
            <li key={l.item}>
              {l.count} x {l.name} <span className="text-soft">{money(l.eachCents)} each</span> {l.toBuy === 0 ? wordOf(l) : <b>{wordOf(l)}</b>}
            </li>
          ))}
        </ul>
        <p className="mt-1">
          Together <b>{money(chain.priceCents)}</b>
        </p>
        <div className="mt-2 flex flex-wrap gap-2">
          <button type="button" className="key" onClick={() => copy(text, 'The list is copied.')}>
            Copy as text
          </button>
          <button type="button" className="key" onClick={download}>
            Save as CSV
          </button>
          <button type="button" className="key" onClick={() => copy(`${location.origin}${p.link}`, 'The link is copied.')}>
            Copy the link
          </button>
        </div>
        <p aria-live="polite">{said}</p>
      </div>
      <div>
        <h2>To a run</h2>
        {p.runs.length === 0 ? (
          <p>No run of today or tomorrow waits for a chain.</p>
        ) : (
          <div className="mt-1 grid gap-2">
            <label className="grid gap-1">
              <span className="label">Run of today or tomorrow</span>
              <select className="field" value={run} onChange={(e) => setRun(e.target.value)}>
                {p.runs.map((r) => (
                  <option key={r.runId} value={r.runId}>
                    {r.name}
                  </option>
                ))}
              </select>
            </label>
            <button type="button" className="key key-main justify-self-start" onClick={toRun}>
              Take it there
            </button>
            <p className="text-soft">Its two ends and what is asked of it are noted as told, and the chain is accepted in place of any before.</p>
          </div>
        )}
      </div>
    </section>
  );
}

/** The two ends, the distance and the acceptance, as if entered at the run itself. */
function entriesFor(target: OpenRun & { deviceId: string }, chain: Chain, q: MatchQuery, catalogue: ClientCatalogue): Entry[] {
  const entry = <K extends EntryKind>(kind: K, body: Bodies[K]) => newEntry(target, kind, body);
  const { minLengthIn, stop = false, arrestor = false, leaveOutlet = false, reachable = true } = q.need;
  const accepted: AcceptedChain = {
    from: q.from,
    to: q.to,
    rejoin: q.rejoin ?? null,
    need: q.need,
    chain,
    jointIds: chain.joints.map(() => uuidv7()),
    rules: q.rules ?? catalogue.rules,
    catalogueVersion: catalogue.version,
    items: itemsOf([...chain.parts, ...Object.keys(chain.loose)], catalogue.parts, catalogue.loose),
    currency: catalogue.currency,
    replacesId: target.acceptedId,
  };
  return [
    entry('end-seen', { side: 'from', end: q.from, how: 'told' }),
    entry('end-seen', { side: 'to', end: q.to, how: 'told' }),
    entry('end-seen', { side: 'rejoin', end: q.rejoin ?? null, how: 'told' }),
    ...(minLengthIn === undefined ? [] : [entry('distance-measured', { text: writeFraction(minLengthIn), inches: minLengthIn })]),
    entry('place-seen', { hidden: !reachable, ownStop: stop, arrestor, leaveOutlet }),
    entry('chain-accepted', accepted),
  ];
}
