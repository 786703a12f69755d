import { useState } from 'react';
import { type Cost, cameTo, dayVisitOf, estimateOf, type ReadRun, type VisitSheet } from '../../../../record/index.ts';
import { type ClientCatalogue, useShop } from '../../../ui/held/index.ts';
import { PrintHead } from '../../../ui/saved/index.ts';
import { money } from '../../../ui/words.ts';
import { comparison } from './comparison.ts';
import { SheetKeys } from './SheetKeys.tsx';

interface Props {
  sheet: VisitSheet;
  reads: Map<string, ReadRun>;
  catalogue: ClientCatalogue;
}

/** What the visit will cost, for the customer; and once one has left, what it came to. */
export default function Estimate({ sheet, reads, catalogue }: Props) {
  const shop = useShop();
  const [leftOut, setLeftOut] = useState<ReadonlySet<string>>(new Set());
  if (!shop) return <p className="p-5">Reading the shop's prices ...</p>;
  const { visit } = sheet;
  const all = [...reads.values()].filter((r) => !leftOut.has(r.run.id));
  const day = dayVisitOf(sheet, catalogue);
  const estimate = estimateOf({ ...day, runs: day.runs.filter((r) => !leftOut.has(r.id)) }, all, shop);
  const listed = [...reads.values()].filter((r) => r.state?.offList === null);
  const came = cameTo(visit, all, shop);
  const currency = shop.currency ?? catalogue.currency;
  return (
    <article className="mx-auto w-full max-w-220 p-4 md:p-6 print:p-0">
      <SheetKeys visitId={visit.id} />
      {listed.length > 1 && (
        <fieldset className="mb-4 flex flex-wrap gap-2 print:hidden">
          <legend className="label">Counted in it</legend>
          {listed.map(({ run }) => (
            <label key={run.id} className="choice">
              <input
                type="checkbox"
                className="size-5"
                checked={!leftOut.has(run.id)}
                onChange={(e) => setLeftOut(new Set(e.target.checked ? [...leftOut].filter((id) => id !== run.id) : [...leftOut, run.id]))}
              />{' '}
              {run.name}
            </label>
          ))}
        </fieldset>
      )}
      <PrintHead title="Estimate" {...{ shop, visit }} />
      <Rows cost={estimate} currency={currency} label="Estimate" />
      {estimate.withoutParts.length > 0 && <p className="mt-2">No parts are counted yet for: {estimate.withoutParts.join(', ')}.</p>}
      <p className="mt-3 text-soft">
        An estimate, no fixed price: what is found behind a wall or under a floor may change it, and is told before it is done.
      </p>
      {estimate.unsaid.length > 0 && (
        <p className="caution mt-3 print:hidden">
          {estimate.unsaid.includes('minutes') && 'The shop never said what a minute costs: work is not counted. '}
          {estimate.unsaid.includes('tax') && 'Nor what tax is added. '}
          <a href="/shop">Say it once</a>.
        </p>
      )}
      {came && (
        <section aria-label="What it came to" className="mt-6">
          <h2>What it came to</h2>
          <Rows cost={came} currency={currency} label="What it came to" />
          <p className="mt-2">{comparison(came.cents, estimate, currency)}</p>
        </section>
      )}
    </article>
  );
}

function Rows({ cost, currency, label }: { cost: Cost; currency: string; label: string }) {
  const sum = (cents: number, slow: number) => (cents === slow ? money(cents, currency) : `${money(cents, currency)} to ${money(slow, currency)}`);
  return (
    <table className="mt-4 w-full" aria-label={label}>
      <tbody>
        {cost.rows.map((r) => (
          <tr key={r.what} className="border-b border-faint align-baseline">
            <td className="py-2 pr-3">
              {r.what}
              {r.how !== '' && <span className="block text-soft">{r.how}</span>}
            </td>
            <td className="py-2 text-right whitespace-nowrap">{sum(r.cents, r.slowCents)}</td>
          </tr>
        ))}
        <tr className="border-t-2 border-ink font-head text-2xl font-semibold">
          <td className="py-2">Together</td>
          <td className="py-2 text-right whitespace-nowrap">{sum(cost.cents, cost.slowCents)}</td>
        </tr>
      </tbody>
    </table>
  );
}
