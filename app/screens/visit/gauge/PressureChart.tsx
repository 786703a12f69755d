import { CategoryScale, Chart, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';
import { Line } from 'react-chartjs-2';
import { type Decay, type PressureReading, pressure, quantityWords } from '../../../../core/index.ts';
import { AXIS, chartInk, ink } from '../../../ui/saved/index.ts';
import { useUnits } from '../../../ui/units/index.ts';

Chart.register(LinearScale, CategoryScale, LineElement, PointElement, Tooltip);

/** A shut line's pressure in time, and what is left of it when the temperature's part is taken out. */
export function PressureChart({ readings, decay }: { readings: readonly PressureReading[]; decay: Decay | null }) {
  const units = useUnits();
  const { times, unit } = AXIS.pressure[units];
  chartInk('--color-soft');
  const first = readings[0];
  if (!first) return null;
  const last = readings.at(-1)!;
  const mean = (of: (r: PressureReading) => number) => readings.reduce((sum, r) => sum + of(r), 0) / readings.length;
  // Through the middle of the readings, falling as the leak says.
  const fall = decay ? decay.mlPerDay.mid / 1440 / decay.giveMlPerPsi.mid : 0;
  const [middle, psi] = [mean((r) => r.minutes), mean((r) => r.psi)];
  const at = (minutes: number) => ({ x: minutes, y: (psi - fall * (minutes - middle)) * times });
  const words = `Pressure from ${quantityWords(pressure(first.psi, 1), units)} to ${quantityWords(pressure(last.psi, 1), units)} over ${(last.minutes - first.minutes).toFixed(1)} minutes.`;
  return (
    <div className="relative h-64 w-full min-w-0 overflow-hidden">
      <Line
        aria-label={words}
        data={{
          datasets: [
            {
              label: unit,
              data: readings.map((r) => ({ x: r.minutes, y: r.psi * times })),
              pointRadius: 1.5,
              showLine: false,
              backgroundColor: ink('--color-ink'),
              borderColor: ink('--color-ink'),
            },
            ...(decay
              ? [
                  {
                    label: 'leak alone',
                    data: [at(first.minutes), at(last.minutes)],
                    pointRadius: 0,
                    borderWidth: 2,
                    borderColor: ink('--color-brass-deep'),
                    backgroundColor: 'transparent',
                  },
                ]
              : []),
          ],
        }}
        options={{
          animation: false,
          maintainAspectRatio: false,
          parsing: false,
          scales: {
            x: { type: 'linear', title: { display: true, text: 'minutes' } },
            y: { title: { display: true, text: unit } },
          },
          plugins: { legend: { display: false } },
        }}
      />
    </div>
  );
}
