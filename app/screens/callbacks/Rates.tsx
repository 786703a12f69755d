/** A table of rates and its chart. */
import type { ReactNode } from 'react';
import { type CallbackBar, threeDigits } from '../../../core/index.ts';
import { fetched } from '../../ui/form/index.ts';
import type { RateRow } from './RateChart.tsx';

export const IN_1000 = 'callbacks in 1,000 joints';
export const RateChart = fetched('The chart', () => import('./RateChart.tsx'));

export const rowOf = (b: CallbackBar): RateRow => ({ name: b.name, mean: b.mean * 1000, low: b.low * 1000, high: b.high * 1000 });
export const between = (r: { mean: number; low: number; high: number }): string =>
  `${threeDigits(r.mean)} (${threeDigits(r.low)} to ${threeDigits(r.high)})`;
export const inThousand = (b: CallbackBar): string =>
  `${threeDigits(b.mean * 1000)} in 1,000 (95 %: ${threeDigits(b.low * 1000)} to ${threeDigits(b.high * 1000)})`;

export function Part({ title, note, chart, children }: { title: string; note?: string; chart: ReactNode; children: ReactNode }) {
  return (
    <section aria-label={title} className="min-w-0">
      <h2 className="border-b border-ink pb-1">{title}</h2>
      {note && <p className="py-1 text-soft">{note}</p>}
      {chart}
      {children}
    </section>
  );
}

export function Rates({ title, bars, of, note }: { title: string; bars: CallbackBar[]; of: string; note?: string }) {
  if (bars.length === 0) return null;
  return (
    <Part
      title={title}
      note={note}
      chart={<RateChart rows={bars.map(rowOf)} unit={IN_1000} words={`Callbacks ${title.toLowerCase()}; the table below has the same figures`} />}
    >
      <Table of={of} bars={bars} />
    </Part>
  );
}

export function Table({ of, bars, more }: { of: string; bars: CallbackBar[]; more?: { head: string[]; cells: (b: CallbackBar) => string[] } }) {
  return (
    <section className="scroll" tabIndex={0} aria-label={`Table by ${of.toLowerCase()}`}>
      <table className="w-full">
        <thead>
          <tr>
            <th>{of}</th>
            <th>Joints</th>
            <th>Came back</th>
            <th>In 1,000 (95 %)</th>
            {more?.head.map((h) => (
              <th key={h}>{h}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {bars.map((b) => (
            <tr key={b.id} className="border-t border-faint align-baseline">
              <td className="py-1 pr-3">{b.name}</td>
              <td className="pr-3 text-right">{b.joints.toLocaleString('en')}</td>
              <td className="pr-3 text-right">{b.callbacks}</td>
              <td className="pr-3 text-right whitespace-nowrap">{between({ mean: b.mean * 1000, low: b.low * 1000, high: b.high * 1000 })}</td>
              {more?.cells(b).map((c, i) => (
                <td key={`${more.head[i]}`} className="pr-3 text-right">
                  {c}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
