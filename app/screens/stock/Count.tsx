import { useState } from 'react';
import { readCoilIn, type Units } from '../../../core/index.ts';
import { type Level, pressReason, reasonWords, type StockedPlace } from '../../../record/index.ts';
import { say } from '../../ui/book/index.ts';
import { amountWords, type Coils, useUnits } from '../../ui/units/index.ts';
import { counted } from './changes.ts';

interface Props {
  place: StockedPlace;
  items: Level[];
  nameOf: (item: string) => string;
  coils: Coils;
}

/** Why a count may differ from the record; one stands for all that follow until another is chosen. */
const REASONS = (['used-unnoted', 'lost', 'found-again', 'counted-wrong'] as const).map(pressReason);

/** In the unit it is counted in. */
const coilFigure = (quantity: number, isCoil: boolean, units: Units): string =>
  isCoil && units === 'inch' ? `${quantity} in` : amountWords(quantity, isCoil, units);

/** A place counted from top to bottom: what is expected beside what is there, Enter goes to the next. */
export function Count({ place, items, nameOf, coils }: Props) {
  const units = useUnits();
  const [reason, setReason] = useState(REASONS[0]!);
  // The rows stay in their order while they are counted.
  const [order] = useState(() => items.map((l) => l.item));
  const now = new Map(items.map((l) => [l.item, l]));
  const rows = [...order.flatMap((item) => now.get(item) ?? []), ...items.filter((l) => !order.includes(l.item))];
  const [done, setDone] = useState<Record<string, { quantity: number; expected: number; reason: string }>>({});
  const keep = (level: Level, text: string) => {
    const quantity = coils.has(level.item) ? readCoilIn(text, units) : /^\d+$/.test(text.trim()) ? Number(text.trim()) : null;
    if (quantity === null) return;
    const before = done[level.item];
    if (before?.quantity === quantity) return;
    const expected = before?.expected ?? level.quantity;
    setDone((d) => ({ ...d, [level.item]: { quantity, expected, reason } }));
    say(
      [counted(place.id, level.item, quantity, level.quantity, reason)],
      `${nameOf(level.item)}: counted ${amountWords(quantity, coils.has(level.item), units)}`,
    );
  };
  return (
    <div className="mt-3">
      <label className="grid max-w-120 gap-1">
        <span className="label">Why a count differs: kept with each that does</span>
        <select className="field" value={reason} onChange={(e) => setReason(e.target.value)}>
          {REASONS.map((r) => (
            <option key={r} value={r}>
              {reasonWords(r)}
            </option>
          ))}
        </select>
      </label>
      <table className="mt-3 w-full">
        <thead>
          <tr className="border-b border-ink">
            <th>Item</th>
            <th className="pr-0 text-right">Expected</th>
            <th className="pr-0 text-right">Counted</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((level, i) => {
            const isCoil = coils.has(level.item);
            const said = done[level.item];
            const differs = said && said.quantity !== said.expected;
            return (
              <tr key={level.item} className="border-b border-faint align-baseline">
                <td className="py-2 pr-3">
                  {nameOf(level.item)}
                  {isCoil && <span className="text-soft"> (in {units === 'metric' ? 'metres' : 'inches'})</span>}
                  {said && (
                    <b>
                      {' '}
                      {differs
                        ? `▲ ${said.quantity > said.expected ? '+' : ''}${coilFigure(said.quantity - said.expected, isCoil, units)}: ${reasonWords(said.reason)}`
                        : '● as expected'}
                    </b>
                  )}
                </td>
                <td className="py-2 text-right whitespace-nowrap">{coilFigure(said?.expected ?? level.quantity, isCoil, units)}</td>
                <td className="py-1 pl-3 text-right">
                  <input
                    className="field w-28 text-right"
                    inputMode="numeric"
                    maxLength={9}
                    aria-label={`${nameOf(level.item)}, counted`}
                    data-count={i}
                    onBlur={(e) => keep(level, e.target.value)}
                    onKeyDown={(e) => {
                      if (e.key !== 'Enter') return;
                      e.preventDefault();
                      const next = e.currentTarget.closest('table')?.querySelector<HTMLInputElement>(`[data-count="${i + 1}"]`);
                      if (next) next.focus();
                      else e.currentTarget.blur();
                    }}
                  />
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
