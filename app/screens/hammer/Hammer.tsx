import { useEffect, useMemo, useState } from 'react';
import { type LossRow, pressure, quantityWords } from '../../../core/index.ts';
import { fetched } from '../../ui/form/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { LineFields } from '../flow/Fields.tsx';
import { LineSheet } from '../flow/LineSheet.tsx';
import { PressureSlider } from '../flow/PressureSlider.tsx';
import { SaveLine } from '../flow/SaveLine.tsx';
import type { ApplianceFacts } from '../flow/setting.ts';
import { TubeSlider } from '../flow/TubeSlider.tsx';
import { useSetting } from '../flow/use-setting.ts';
import { AlongPipe } from './AlongPipe.tsx';
import { hammerAsked } from './asked.ts';
import { Effects } from './Effects.tsx';
import { HammerFields } from './Fields.tsx';
import { spreadOf } from './spread-of.ts';
import { ByTable, Told } from './Told.tsx';
import { SWEEP_RUNS, useHammer } from './use-hammer.ts';

const TimeChart = fetched('The chart', () => import('./TimeChart.tsx'));

interface Props {
  appliances: ApplianceFacts[];
  losses: LossRow[];
  address: Record<string, string>;
}

/** Longer than this the work itself never takes: what does it is still on its way, ms. */
const SLOW_MS = 8000;

function Working() {
  const [isSlow, setSlow] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setSlow(true), SLOW_MS);
    return () => clearTimeout(timer);
  }, []);
  return <p role="status">{isSlow ? 'What works it out is still on its way: the connection is slow or gone.' : 'Working it out.'}</p>;
}

/** What bangs when it shuts: pressure at the valve and along the pipe, bare and softened. */
export default function Hammer({ appliances, losses, address }: Props) {
  const units = useUnits();
  const of = useSetting(address, appliances, losses);
  const { setting, change, reading, isWaiting } = of;
  const { read } = reading;
  const { asked, wrong } = useMemo(() => (read ? hammerAsked(setting, read) : { asked: null, wrong: reading.wrong }), [setting, read, reading.wrong]);
  const question = isWaiting ? null : (asked?.question ?? null);
  const { both, effects, band, done, wrong: refused, sweep, stop } = useHammer(question);
  const said = wrong || refused;
  const shown = both && (both.cushioned ?? both.bare);
  const feet = question?.pipes.reduce((sum, p) => sum + p.lengthFt, 0) ?? 0;
  return (
    <LineSheet
      here="hammer"
      of={of}
      wrong={said}
      fields={
        <>
          <HammerFields setting={setting} onChange={change} />
          <LineFields {...{ setting, appliances, losses, bent: read?.bent }} onChange={change} />
          <p className="caution">
            A guide, not a test: the maker’s sheet and the local code decide over arrestors, and an air chamber that nobody drains is soon none.
          </p>
        </>
      }
    >
      {!both && !said && <Working />}
      {both && shown && question && (
        <>
          <Told bare={both.bare} cushioned={both.cushioned} question={both.question} units={units} />
          <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-2 xl:grid-cols-2">
            <label className="grid max-w-120 gap-1 print:hidden">
              <span className="label">Closing time, tried out: {Math.round(question.closeMs)} ms</span>
              <input
                type="range"
                className="h-12 w-full accent-brass-deep"
                min={0}
                max={300}
                step={5}
                value={Math.min(300, Math.round(question.closeMs))}
                onChange={(e) => change({ ...setting, close: e.target.value })}
              />
            </label>
            {read && <PressureSlider psi={read.line.sourcePsi} {...{ setting, units }} onChange={change} />}
            <TubeSlider of="house" setting={setting} onChange={change} />
            <TubeSlider of="line" setting={setting} onChange={change} />
          </div>
          <TimeChart bare={both.bare} cushioned={both.cushioned} {...{ band, units }} />
          <p className="flex flex-wrap items-center gap-3">
            {done === null ? (
              <button type="button" className="key print:hidden" onClick={() => sweep(question, spreadOf(question, asked?.isPlastic ?? false))}>
                How sure is that: {SWEEP_RUNS} runs
              </button>
            ) : (
              <>
                <button type="button" className="key" onClick={stop}>
                  Stop
                </button>
                <progress max={SWEEP_RUNS} value={done} aria-label="Runs done" /> {done} of {SWEEP_RUNS}
              </>
            )}
            {band && (
              <span className="min-w-0 flex-1 basis-64" role="status">
                In 90 of 100 the peak is from {quantityWords(pressure(Math.round(band.peak.low)), units)} to{' '}
                {quantityWords(pressure(Math.round(band.peak.high)), units)}; {Math.round(band.over * 100)} of 100 pass the limit. Closing time,
                pressure, flow{asked?.isPlastic ? ' and the tube’s give' : ''} are taken as uncertain.
              </span>
            )}
          </p>
          <AlongPipe surge={shown} units={units} />
          <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-2">
            <Effects effects={effects} peakPsi={shown.peakPsi} units={units} />
            <ByTable units={setting.units} flowPsi={both.bare.runningPsi} branchFt={feet} />
          </div>
          <SaveLine name="hammer" drawing="svg.hammer-along" csv={({ surgeCsv }) => surgeCsv(both.bare, both.cushioned)} />
        </>
      )}
    </LineSheet>
  );
}
