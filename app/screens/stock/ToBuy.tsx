import Papa from 'papaparse';
import { useState } from 'react';
import { REORDER_COLUMNS, reorderOf, reorderRows, type StockedPlace } from '../../../record/index.ts';
import { say } from '../../ui/book/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';
import { saveFile } from '../../ui/saved/index.ts';
import { amountWords, type Coils, toBuyWords, useUnits } from '../../ui/units/index.ts';
import { money } from '../../ui/words.ts';
import { received } from './changes.ts';
import { type Row, spread } from './spread.ts';

interface Props {
  places: StockedPlace[];
  nameOf: (item: string) => string;
  coils: Coils;
  catalogue: ClientCatalogue | null;
}

/** What is to be bought, so that each place has again what it wants at least; received against the list as it comes. */
export function ToBuy({ places, nameOf, coils, catalogue }: Props) {
  const rows = reorderOf(places).sort((a, b) => (nameOf(a.item) < nameOf(b.item) ? -1 : 1));
  const units = useUnits();
  const [came, setCame] = useState<Record<string, string>>({});
  const placeOf = (id: string) => places.find((p) => p.id === id)?.name ?? '';
  const priceOf = (item: string) =>
    catalogue?.parts.find((p) => p.id === item)?.priceCents ?? catalogue?.loose.find((l) => l.code === item)?.priceCents ?? 0;
  /** Bought by whole coils. */
  const bought = (r: Row) => (coils.has(r.item) ? Math.ceil(r.quantity / coils.get(r.item)!) : r.quantity);
  const total = rows.reduce((sum, r) => sum + bought(r) * priceOf(r.item), 0);
  const receive = (list: Row[]) => {
    const all = list.flatMap((row) => {
      const text = came[row.item]?.trim() ?? '';
      const per = coils.get(row.item) ?? 1;
      return spread(row, text === '' ? bought(row) * per : /^\d+$/.test(text) ? Number(text) * per : 0).map(({ placeId, quantity }) =>
        received(placeId, row.item, quantity, 'bought, by the list'),
      );
    });
    if (all.length > 0) say(all, list.length === 1 ? `${nameOf(list[0]!.item)} received` : `${list.length} items received`);
    setCame({});
  };
  const csv = () => {
    const data = reorderRows(rows, { nameOf, coilIn: (item) => coils.get(item), placeOf });
    return `${Papa.unparse({ fields: [...REORDER_COLUMNS], data }, { escapeFormulae: true })}\r\n`;
  };
  if (rows.length === 0) {
    return (
      <p className="mt-4 text-lg">
        Nothing is to be bought: every place has what it wants at least. What is wanted is set at each item, under "What lies here".
      </p>
    );
  }
  return (
    <section aria-label="To buy" className="mt-4">
      <div className="flex flex-wrap items-center gap-3">
        <p className="text-lg">
          <b>
            {rows.length} {rows.length === 1 ? 'item' : 'items'}
          </b>
          {total > 0 && `, about ${money(total, catalogue?.currency ?? 'USD')}`}
        </p>
        <span className="ml-auto flex flex-wrap gap-2 print:hidden">
          <button type="button" className="key" onClick={() => print()}>
            Print
          </button>
          <button type="button" className="key" onClick={() => saveFile('reorder.csv', 'text/csv', csv())}>
            Save as CSV
          </button>
          <button type="button" className="key key-main" onClick={() => receive(rows)}>
            All of it came
          </button>
        </span>
      </div>
      <table className="mt-3 w-full">
        <thead>
          <tr className="border-b border-ink">
            <th className="pr-4 text-right">Buy</th>
            <th>Item</th>
            <th>For</th>
            <th className="print:hidden">Came</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.item} className="border-b border-faint align-baseline">
              <td className="py-2 pr-4 text-right font-head text-2xl font-semibold whitespace-nowrap">
                {toBuyWords(row.quantity, coils.get(row.item), units)}
              </td>
              <td className="py-2 pr-3">{nameOf(row.item)}</td>
              <td className="py-2 pr-3">
                {row.at.map((a) => `${placeOf(a.placeId)} ${amountWords(a.quantity, coils.has(row.item), units)}`).join(', ')}
              </td>
              <td className="py-1 print:hidden">
                <span className="flex flex-wrap items-center gap-2">
                  <input
                    className="field w-20 text-right"
                    inputMode="numeric"
                    maxLength={6}
                    aria-label={`${nameOf(row.item)}: how many came`}
                    placeholder={String(bought(row))}
                    value={came[row.item] ?? ''}
                    onChange={(e) => setCame({ ...came, [row.item]: e.target.value })}
                  />
                  <button type="button" className="key" aria-label={`${nameOf(row.item)}: received`} onClick={() => receive([row])}>
                    Received
                  </button>
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
