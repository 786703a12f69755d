import { Chart, LinearScale, LineController, LineElement, PointElement } from 'chart.js';
import { useMemo, useState } from 'react';
import { Line } from 'react-chartjs-2';
import { type FlowLine, fading, flow, InputError, quantityWords, type Units, volume } from '../../../core/index.ts';
import { AXIS, chartInk, curveAxes, ink } from '../../ui/saved/index.ts';
import { FigureInput, ownUnit } from '../../ui/units/index.ts';
import { timeWords } from './answer-words.ts';
import { inWords, psiOf, typedFigure } from './setting.ts';

Chart.register(LinearScale, LineController, LineElement, PointElement);

/** A glass, gal. */
const GLASS_GAL = 0.0625;

/** What a reverse-osmosis tank gives from full until it hardly runs. */
export default function Osmosis({ line, units }: { line: FlowLine; units: Units }) {
  const [shell, setShell] = useState('4');
  const [air, setAir] = useState('7');
  const [full, setFull] = useState('40');
  const found = useMemo(() => {
    try {
      return {
        tank: fading(
          { shellGal: typedFigure('gallons', 'Tank', shell), prechargePsi: psiOf('Air in it', air), fullPsi: psiOf('Full at', full) },
          line,
        ),
        wrong: '',
      };
    } catch (fault) {
      if (fault instanceof InputError) return { tank: null, wrong: fault.message };
      throw fault;
    }
  }, [shell, air, full, line]);
  chartInk();
  const { tank } = found;
  const first = tank?.points[0];
  const half = tank?.points.find((p) => p.drawnGal >= tank.holdsGal / 2);
  const field = (of: 'gallons' | 'pressure', label: string, value: string, set: (text: string) => void) => (
    <label className="grid gap-1">
      <span className="label">
        {label} ({ownUnit(of, units)})
      </span>
      <FigureInput of={of} className="field" inputMode="decimal" maxLength={10} value={value} onChange={set} />
    </label>
  );
  return (
    <section aria-label="The tank" className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <h2>The tank as it empties</h2>
      <div className="grid grid-cols-3 gap-3">
        {field('gallons', 'Tank', shell, setShell)}
        {field('pressure', 'Air in it, empty', air, setAir)}
        {field('pressure', 'Full at', full, setFull)}
      </div>
      {found.wrong && <p className="caution">{inWords(found.wrong)}</p>}
      {tank && first && (
        <>
          <p>
            It holds <b>{quantityWords(volume(tank.holdsGal), units)}</b>. A glass takes{' '}
            <b>{first.gpm > 0 ? timeWords((GLASS_GAL * 60) / first.gpm) : 'for ever'}</b> with the tank full
            {half && half.gpm > 0 && (
              <>
                , <b>{timeWords((GLASS_GAL * 60) / half.gpm)}</b> with it half empty ({quantityWords(flow(half.gpm), units)})
              </>
            )}
            .
          </p>
          <div className="relative h-64 w-full min-w-0 overflow-hidden">
            <Line
              aria-label={`Flow by what was drawn: ${quantityWords(flow(first.gpm), units)} at first, falling until the tank is empty.`}
              data={{
                datasets: [
                  {
                    label: AXIS.flow[units].unit,
                    data: tank.points.map((p) => ({ x: p.drawnGal * AXIS.volume[units].times, y: p.gpm * AXIS.flow[units].times })),
                    showLine: true,
                    pointRadius: 0,
                    borderWidth: 2.4,
                    borderColor: ink('--color-ink'),
                  },
                ],
              }}
              options={curveAxes(
                { title: `${AXIS.volume[units].unit} drawn`, min: 0, max: tank.holdsGal * AXIS.volume[units].times },
                { title: AXIS.flow[units].unit, min: 0 },
              )}
            />
          </div>
          <p className="text-soft">By Boyle’s law on the air of the tank; the membrane fills it again meanwhile, by drops.</p>
        </>
      )}
    </section>
  );
}
