import { Chart, LinearScale, LineController, LineElement, PointElement } from 'chart.js';
import { useRef } from 'react';
import { Line } from 'react-chartjs-2';
import { type FlowLine, flow, type OperatingPoint, pressure, quantityWords, type Units } from '../../../core/index.ts';
import { AXIS, chartInk, curveAxes, ink, SaveChart } from '../../ui/saved/index.ts';
import { curves } from './curves.ts';

Chart.register(LinearScale, LineController, LineElement, PointElement);

export default function Crossing({ line, point, units }: { line: FlowLine; point: OperatingPoint; units: Units }) {
  const [of, psi] = [AXIS.flow[units], AXIS.pressure[units]];
  const scaled = (all: { x: number; y: number }[]) => all.map(({ x, y }) => ({ x: x * of.times, y: y * psi.times }));
  const chart = useRef<Chart<'line', { x: number; y: number }[]> | null>(null);
  chartInk();
  if (point.gpm <= 0) return null;
  const drawn = curves(line, point);
  const curve = { showLine: true, pointRadius: 0, borderWidth: 2.4 };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <div className="relative h-72 w-full min-w-0 overflow-hidden">
        <Line
          ref={chart}
          aria-label={`The line’s curve and the valve’s cross at ${quantityWords(flow(point.gpm), units)} and ${quantityWords(pressure(point.inletPsi), units)}.`}
          data={{
            datasets: [
              { ...curve, label: 'what the line leaves', data: scaled(drawn.line), borderColor: ink('--color-ink') },
              { ...curve, label: 'what its valve asks', data: scaled(drawn.valve), borderColor: ink('--color-brass-deep'), borderDash: [7, 4] },
              { label: 'what it gets', data: scaled([{ x: point.gpm, y: point.inletPsi }]), pointRadius: 7, pointStyle: 'rectRot', backgroundColor: ink('--color-ink'), borderColor: ink('--color-ink') }, // biome-ignore format: one row
            ],
          }}
          options={curveAxes(
            { title: of.unit, min: 0, max: drawn.mostGpm * of.times },
            { title: `${psi.unit} at the inlet`, min: 0, max: Math.ceil(Math.max(point.supplyPsi, point.staticPsi) / 10) * 10 * psi.times },
          )}
        />
      </div>
      <p className="text-soft">Solid: what the line leaves. Broken: what its valve asks. It gets what both agree on.</p>
      <SaveChart chart={chart} name="flow.png" />
    </div>
  );
}
