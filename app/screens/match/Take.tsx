import { useEffect, useRef, useState } from 'react';
import { type Chain, type ListLine, type MatchQuery, shoppingList } from '../../../core/index.ts';
import type { OpenRun } from '../../../record/index.ts';
import { sync } from '../../../sync/run.ts';
import { useOpenRuns } from '../../ui/day/index.ts';
import { type ClientCatalogue, noteNewPress } from '../../ui/held/index.ts';
import { saveFile } from '../../ui/saved/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { money } from '../../ui/words.ts';
import { csvOf, entriesFor, nameOf } from './take-entries.ts';

const wordOf = (line: ListLine): string => (line.toBuy === 0 ? '(on the van)' : line.toBuy === line.count ? '(to buy)' : `(${line.toBuy} to buy)`);

/** A chain taken: to a visit's run, to a shopping list, or as a link. */
export default function Take(p: { chain: Chain; query: MatchQuery; catalogue: ClientCatalogue; link: string; given: OpenRun[] }) {
  const { chain, catalogue } = p;
  const units = useUnits();
  const lines = shoppingList(chain, catalogue.parts, catalogue.loose, p.query.stock);
  const runs = useOpenRuns(catalogue, p.given);
  const [chosen, setRun] = useState<string | null>(null);
  const run = chosen ?? runs[0]?.runId ?? '';
  const target = runs.find((r) => r.runId === run);
  // A chain that was accepted is not replaced unasked.
  const [isAsked, setAsked] = useState(false);
  const [said, setSaid] = useState('');
  // It stands below the chains: whoever takes one is led to it.
  const shown = useRef<HTMLElement>(null);
  useEffect(() => shown.current?.focus(), []);
  const choose = (runId: string) => {
    setRun(runId);
    setAsked(false);
  };
  const groups = [
    ['Waiting for a chain', runs.filter((r) => r.acceptedId === null)],
    ['With a chain already', runs.filter((r) => r.acceptedId !== null)],
  ].filter(([, own]) => own!.length > 0) as [string, OpenRun[]][];
  const text = lines.map((l) => `${l.count} x ${nameOf(l, units)} ${wordOf(l)}`).join('\n');
  const copy = async (what: string, words: string) => {
    try {
      await navigator.clipboard.writeText(what);
      setSaid(words);
    } catch {
      setSaid(`This browser does not let it be copied. Here it is: ${what}`);
    }
  };
  const download = () => saveFile('shopping-list.csv', 'text/csv', `${csvOf(lines, units)}\r\n`);
  const toRun = async () => {
    if (!target) return;
    try {
      const kept = await sync.keep((deviceId) => entriesFor({ ...target, deviceId }, chain, p.query, catalogue));
      const { visitId, runId } = target;
      noteNewPress({ entries: kept.map((k) => ({ id: k.entry.id, visitId, runId })), words: `Chain taken to ${target.name}`, isBack: false });
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
              {l.count} x {nameOf(l, units)} <span className="text-soft">{money(l.eachCents, catalogue.currency)} each</span>{' '}
              {l.toBuy === 0 ? wordOf(l) : <b>{wordOf(l)}</b>}
            </li>
          ))}
        </ul>
        <p className="mt-1">
          Together <b>{money(chain.priceCents, catalogue.currency)}</b>
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
        {runs.length === 0 ? (
          <p>No run of today or tomorrow waits for a chain.</p>
        ) : (
          <div className="mt-1 grid gap-2">
            <label className="grid gap-1">
              <span className="label">Run of today or tomorrow</span>
              <select className="field" value={run} onChange={(e) => choose(e.target.value)}>
                {groups.map(([label, own]) => (
                  <optgroup key={label} label={label}>
                    {own.map((r) => (
                      <option key={r.runId} value={r.runId}>
                        {r.name}
                      </option>
                    ))}
                  </optgroup>
                ))}
              </select>
            </label>
            {isAsked ? (
              <div role="alertdialog" aria-label="Another chain" className="border-2 border-ink p-3">
                <p>
                  <b>{target?.name}</b> has a chain already. Take this one in its place? The other stays in the record.
                </p>
                <div className="mt-2 flex flex-wrap gap-2">
                  <button type="button" className="key key-main" onClick={toRun}>
                    Take it in its place
                  </button>
                  <button type="button" className="key" onClick={() => setAsked(false)}>
                    Keep the one there is
                  </button>
                </div>
              </div>
            ) : (
              <button
                type="button"
                className="key key-main justify-self-start"
                onClick={() => (target?.acceptedId === null ? toRun() : setAsked(true))}
              >
                Take it there
              </button>
            )}
            <p className="text-soft">Its two ends and what is asked of it are noted as told, and the chain is accepted.</p>
          </div>
        )}
      </div>
    </section>
  );
}
