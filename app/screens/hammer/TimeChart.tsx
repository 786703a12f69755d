import { Chart, Filler, LinearScale, LineController, LineElement, PointElement } from 'chart.js';
import { useRef } from 'react';
import { Line } from 'react-chartjs-2';
import { type Band, pressure, quantityWords, type Surge, type Units } from '../../../core/index.ts';
import { AXIS, chartInk, curveAxes, ink, SaveChart } from '../../ui/saved/index.ts';
import { points } from './time-points.ts';

Chart.register(LinearScale, LineController, LineElement, PointElement, Filler);

interface Props {
  bare: Surge;
  cushioned: Surge | null;
  band: Band | null;
  units: Units;
}

/** Pressure at the valve in time: bare, with what softens it, and the band of what is not known. */
export default function TimeChart({ bare, cushioned, band, units }: Props) {
  const { times, unit } = AXIS.pressure[units];
  const words = (psi: number) => quantityWords(pressure(Math.round(psi)), units);
  const scaled = (of: { x: number; y: number }[]) => of.map(({ x, y }) => ({ x, y: y * times }));
  const chart = useRef<Chart<'line', { x: number; y: number }[]> | null>(null);
  chartInk();
  const curve = { showLine: true, pointRadius: 0, borderWidth: 1.8 };
  const edge = { showLine: true, pointRadius: 0, borderWidth: 0, borderColor: 'transparent' };
  const end = Math.round(bare.t.at(-1)! * 100) * 10;
  const at = (list: number[]) => list.map((y, i) => ({ x: band!.t[i]! * 1000, y }));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <div className="relative h-80 w-full min-w-0 overflow-hidden">
        <Line
          ref={chart}
          aria-label={`Pressure at the valve: up to ${words(bare.peakPsi)}${cushioned ? `, with the cushion ${words(cushioned.peakPsi)}` : ''}; the limit is ${words(bare.limitPsi)}.`}
          data={{
            datasets: [
              { ...curve, label: 'bare', data: scaled(points(bare)), borderColor: ink('--color-ink') },
              ...(cushioned
                ? [{ ...curve, label: 'with the cushion', data: scaled(points(cushioned)), borderWidth: 2.6, borderColor: ink('--color-brass-deep') }]
                : []),
              { ...curve, label: 'limit', data: [{ x: 0, y: bare.limitPsi * times }, { x: end, y: bare.limitPsi * times }], borderColor: ink('--color-ink'), borderDash: [3, 4] }, // biome-ignore format: one row
              ...(band
                ? [
                    { ...edge, label: 'high', data: scaled(at(band.high)), fill: '+1', backgroundColor: ink('--color-brass-light') },
                    { ...edge, label: 'low', data: scaled(at(band.low)), fill: false },
                  ]
                : []),
            ],
          }}
          options={curveAxes({ title: 'milliseconds after it begins to shut', min: 0, max: end }, { title: `${unit} at the valve` })}
        />
      </div>
      <SaveChart chart={chart} name="hammer.png" />
    </div>
  );
}
