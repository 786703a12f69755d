import { useDeferredValue, useEffect, useMemo, useState } from 'react';
import type { Level, StockedPlace } from '../../../record/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';
import { amountWords, type Coils, useUnits } from '../../ui/units/index.ts';
import { Change } from './Change.tsx';
import { Count } from './Count.tsx';
import { found, isLow } from './found.ts';

interface Props {
  place: StockedPlace;
  places: StockedPlace[];
  nameOf: (item: string) => string;
  coils: Coils;
  catalogue: ClientCatalogue | null;
  /** What the address asks to find. */
  asked: string;
}

/** Rows shown at first, and with each press more. */
const ROWS = 60;

/** What lies at a place, what of it runs low, and what can be said of each. */
export function Here({ place, places, nameOf, coils, catalogue, asked }: Props) {
  const [words, setWords] = useState(asked);
  useEffect(() => setWords(asked), [asked]);
  const [open, setOpen] = useState<string | null>(null);
  const [isCounting, setCounting] = useState(false);
  const [rows, setRows] = useState(ROWS);
  const wanted = useDeferredValue(words);
  const { here, others } = useMemo(() => found(place, wanted, nameOf, catalogue), [place, wanted, nameOf, catalogue]);
  const low = place.items.filter(isLow).length;
  return (
    <section aria-label={place.name} className="mt-3">
      <div className="flex flex-wrap items-end gap-3">
        <label className="grid max-w-120 min-w-0 flex-1 basis-64 gap-1 print:hidden">
          <span className="label">Find on {place.name}, or in the catalogue</span>
          <input className="field" value={words} maxLength={100} placeholder="3/8 hose 20" onChange={(e) => setWords(e.target.value)} />
        </label>
        <button type="button" className={`key ${isCounting ? 'key-main' : ''}`} aria-pressed={isCounting} onClick={() => setCounting(!isCounting)}>
          {isCounting ? 'Done counting' : 'Count this place'}
        </button>
        <p className="min-h-12 content-center">
          {place.items.length} {place.items.length === 1 ? 'item' : 'items'}
          {low > 0 && <b>, {low} below the least wanted</b>}
        </p>
      </div>
      {isCounting ? (
        <Count {...{ place, nameOf, coils }} items={here.slice(0, rows)} />
      ) : (
        <div className="overflow-x-auto">
          <table className="mt-3 w-full">
            <thead>
              <tr className="border-b border-ink">
                <th>Item</th>
                <th className="pr-0 text-right">Lies here</th>
                <th className="pr-0 pl-3 text-right">At least</th>
                <th className="print:hidden">
                  <span className="sr-only">Change</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {here.slice(0, rows).map((level) => (
                <Row key={level.item} {...{ level, place, places, nameOf, coils, open, setOpen }} />
              ))}
              {others.length > 0 && (
                <tr className="print:hidden">
                  <th colSpan={4} className="pt-4 text-left">
                    In the catalogue, and never spoken of here
                  </th>
                </tr>
              )}
              {others.map((item) => (
                <Row key={item} level={{ item, quantity: 0, minimum: 0 }} {...{ place, places, nameOf, coils, open, setOpen }} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {here.length === 0 && others.length === 0 && (
        <p className="mt-3">
          {wanted === ''
            ? 'Nothing was counted here yet: find an item above and say how many lie here.'
            : 'Nothing of that name lies here or stands in the catalogue.'}
        </p>
      )}
      {here.length > rows && (
        <button type="button" className="key mt-2" onClick={() => setRows(rows + ROWS)}>
          More ({here.length - rows})
        </button>
      )}
    </section>
  );
}

interface RowProps extends Omit<Props, 'catalogue' | 'asked'> {
  level: Level;
  open: string | null;
  setOpen: (item: string | null) => void;
}

function Row({ level, place, places, nameOf, coils, open, setOpen }: RowProps) {
  const { item, quantity, minimum } = level;
  const isCoil = coils.has(item);
  const units = useUnits();
  const isOpen = open === item;
  return (
    <>
      <tr className="border-b border-faint align-baseline">
        <td className="py-2 pr-3">
          {nameOf(item)}
          {isLow(level) && <b className="whitespace-nowrap"> ▲ low</b>}
          {quantity < 0 && <div className="text-soft">More went out than was ever counted in: count it.</div>}
        </td>
        <td className="py-2 text-right font-head text-2xl font-semibold whitespace-nowrap">{amountWords(quantity, isCoil, units)}</td>
        <td className="py-2 pl-3 text-right whitespace-nowrap">{minimum === 0 ? '' : amountWords(minimum, isCoil, units)}</td>
        <td className="py-1 pl-3 text-right print:hidden">
          <button
            type="button"
            className="key"
            aria-expanded={isOpen}
            aria-label={`Change ${nameOf(item)}`}
            onClick={() => setOpen(isOpen ? null : item)}
          >
            {isOpen ? 'Close' : 'Change'}
          </button>
        </td>
      </tr>
      {isOpen && (
        <tr>
          <td colSpan={4} className="border-b border-ink pb-3">
            <Change {...{ level, place, places, isCoil }} name={nameOf(item)} coilIn={coils.get(item)} onDone={() => setOpen(null)} />
          </td>
        </tr>
      )}
    </>
  );
}
