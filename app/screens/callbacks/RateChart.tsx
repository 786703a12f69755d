import { BarController, BarElement, CategoryScale, Chart, LinearScale, PointElement, ScatterController, Tooltip } from 'chart.js';
import { Chart as Drawn } from 'react-chartjs-2';
import { chartInk, ink } from '../../ui/saved/index.ts';
import { inTwo, points, roundUp } from './chart-lines.ts';

Chart.register(BarController, ScatterController, BarElement, PointElement, CategoryScale, LinearScale, Tooltip);

/** A rate with its interval, and a guess beside it where there was one. */
export interface RateRow {
  name: string;
  mean: number;
  low: number;
  high: number;
  guess?: number;
}

const ROW_PX = 40;
/** Letters of a line of a name, which has two: a phone has room for fewer. */
const lettersOfLine = (): number => (typeof window !== 'undefined' && window.innerWidth < 600 ? 18 : 30);

/** Rates as points, each on the bar of its 95 % interval. */
export default function RateChart({ rows, unit, words }: { rows: RateRow[]; unit: string; words: string }) {
  chartInk();
  // An interval of next to nothing made, up to all of it, would leave no room for the others.
  const most = roundUp(
    Math.max(
      ...rows.map((r) => Math.max(r.mean, r.guess ?? 0)),
      ...rows
        .map((r) => r.high)
        .sort((a, b) => a - b)
        .slice(0, Math.max(1, Math.ceil(rows.length * 0.7))),
    ),
  );
  return (
    <div
      className="relative w-full min-w-0 overflow-hidden"
      ref={(box) => {
        if (box) box.style.height = `${rows.length * ROW_PX + 60}px`;
      }}
    >
      <Drawn
        aria-label={words}
        type="bar"
        data={{
          labels: rows.map((r) => inTwo(r.name, lettersOfLine())),
          datasets: [
            { type: 'bar', order: 2, label: '95 %', data: rows.map((r) => [r.low, Math.min(r.high, most)] as [number, number]), backgroundColor: ink('--color-brass-light'), borderColor: ink('--color-brass-deep'), borderWidth: 1, barThickness: 12, borderSkipped: false }, // biome-ignore format: one row
            { type: 'scatter', order: 1, label: 'seen', data: points(rows.map((r) => r.mean)), pointRadius: 5, pointStyle: 'rectRot', backgroundColor: ink('--color-ink') }, // biome-ignore format: one row
            { type: 'scatter', order: 0, label: 'first guess', data: points(rows.map((r) => r.guess ?? Number.NaN)), pointRadius: 6, pointStyle: 'line', pointRotation: 90, borderColor: ink('--color-ink'), borderWidth: 2 }, // biome-ignore format: one row
          ],
        }}
        options={{
          indexAxis: 'y',
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: { min: 0, max: most, title: { display: true, text: unit }, grid: { color: ink('--color-faint') } },
            y: { grid: { display: false } },
          },
          plugins: { legend: { display: false }, tooltip: { enabled: false } },
        }}
      />
    </div>
  );
}
