import { useEffect, useMemo, useState } from 'react';
import { type Decay, type DecayQuestion, InputError, pressure, pressureDecay, quantityWords, Thinned, temperature } from '../../../../core/index.ts';
import type { Bodies } from '../../../../record/index.ts';
import { forThisShop } from '../../../../sync/shop-here.ts';
import { saveFile } from '../../../ui/saved/index.ts';
import { Reasons, useUnits } from '../../../ui/units/index.ts';
import { localTime } from '../../../ui/words.ts';
import type { StageProps } from '../stage-props.ts';
import { readGaugeCsv, writeGaugeCsv } from './log-csv.ts';
import { PressureChart } from './PressureChart.tsx';
import { Sequence } from './Sequence.tsx';
import { useGauge } from './use-gauge.ts';
import { worked } from './worked.ts';

type Props = Pick<StageProps, 'run' | 'state' | 'write' | 'timeZone'>;

/** How much is let out at a time, mL. */
const LET_OUT_ML = 5;
/** Of a gauge whose file does not say, psi; typical. */
const USUAL_SIGMA_PSI = 0.05;
/** A shut line by its gauge: what is let out measures its give, what it loses then bounds its leak. */
export default function GaugeTest({ run, state, write, timeZone }: Props) {
  const units = useUnits();
  const { state: live, hang, letOut, off } = useGauge();
  const [lines, setLines] = useState<{ id: string; name: string }[] | null>(null);
  const [scenario, setScenario] = useState('tight');
  const [speed, setSpeed] = useState(60);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    fetch(forThisShop('/api/v1/gauge/lines'))
      .then(async (answer) => setLines(answer.ok ? (await answer.json()).lines : []))
      .catch(() => setLines([]));
  }, []);
  const target = state.targetMlPerDay;
  const sigma = live.line?.gaugeSigmaPsi ?? USUAL_SIGMA_PSI;
  const question: DecayQuestion = useMemo(
    () => ({
      readings: live.readings,
      letOut: live.letOut,
      gaugeSigmaPsi: sigma / Math.sqrt(live.blockSize),
      letOutSigmaPsi: sigma,
      targetMlPerDay: target,
    }),
    [live.readings, live.letOut, live.blockSize, sigma, target],
  );
  const [decay, why] = useMemo(() => worked(question), [question]);
  const keep = () => {
    const { readings, letOut: out, gaugeSigmaPsi } = question;
    write('pressure-logged', run.id, { from: 'gauge', readings: [...readings], letOut: [...out], gaugeSigmaPsi, letOutSigmaPsi: sigma });
    off();
  };
  const fromFile = async (file: File) => {
    try {
      const { readings, letOut: out } = readGaugeCsv(await file.text());
      const thinned = new Thinned();
      for (const reading of readings) thinned.add(reading);
      const gaugeSigmaPsi = USUAL_SIGMA_PSI / Math.sqrt(thinned.blockSize);
      const body = { from: 'file' as const, readings: [...thinned.readings], letOut: out, gaugeSigmaPsi, letOutSigmaPsi: USUAL_SIGMA_PSI };
      pressureDecay(body);
      write('pressure-logged', run.id, body);
      setFault(null);
    } catch (error) {
      setFault(error instanceof InputError ? error.message : 'That file does not read.');
    }
  };
  const isOn = live.line !== null && live.fault === null;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <Sequence live={live} decay={decay} ml={LET_OUT_ML} />
      <p className="text-soft">
        What is let out measures how much the line gives. A valve that is shut and passes, and a line that cools, look like a leak: the temperature is
        logged beside and taken out.
      </p>
      {lines === null ? (
        <p>Asking for the gauge ...</p>
      ) : lines.length === 0 ? (
        <p className="caution">No logging gauge answers. Read its file in below.</p>
      ) : (
        <div className="flex flex-wrap items-end gap-3">
          <label className="grid min-w-0 grid-cols-[minmax(0,1fr)] gap-1">
            <span className="label">The simulated gauge hangs on</span>
            <select className="field" value={scenario} onChange={(e) => setScenario(e.target.value)}>
              {lines.map((l) => (
                <option key={l.id} value={l.id}>
                  {l.name}
                </option>
              ))}
            </select>
          </label>
          <label className="grid gap-1">
            <span className="label">Its time runs</span>
            <select className="field" value={speed} onChange={(e) => setSpeed(Number(e.target.value))}>
              <option value={1}>as the clock</option>
              <option value={60}>60 times as fast</option>
            </select>
          </label>
          <button type="button" className={`key ${isOn ? '' : 'key-main'}`} onClick={() => hang(scenario, speed)}>
            {isOn ? 'Begin again' : 'Begin'}
          </button>
          {isOn && (
            <button type="button" className="key key-main" onClick={() => letOut(LET_OUT_ML)}>
              Let {LET_OUT_ML} mL out
            </button>
          )}
        </div>
      )}
      {live.fault && <p className="caution">{live.fault}</p>}
      {live.line && (
        <>
          <p className="font-head text-3xl font-semibold" role="status">
            {live.last
              ? `${quantityWords(pressure(live.last.psi, 2), units)} · ${quantityWords(temperature(live.last.tempF, 1), units)}`
              : 'Waiting for its first reading'}
          </p>
          {decay ? (
            <Verdict decay={decay} />
          ) : (
            <p className="text-lg">{live.letOut.length === 0 ? `Next: let ${LET_OUT_ML} mL out.` : `Wait: ${why}`}</p>
          )}
          <PressureChart readings={live.readings} decay={decay} />
          {live.lost > 0 && <p className="text-soft">{live.lost} readings were lost on the way: they are left out.</p>}
          <div className="flex flex-wrap gap-3">
            <button type="button" className="key key-main" disabled={decay === null} onClick={keep}>
              Keep it with the run
            </button>
            <button type="button" className="key" onClick={off}>
              Take the gauge off
            </button>
          </div>
        </>
      )}
      <label className="grid grid-cols-[minmax(0,1fr)] gap-1">
        <span className="label">A gauge's file (CSV: minutes, psi, temp_f; let_out_ml, psi_after)</span>
        <input
          type="file"
          accept=".csv,text/csv"
          className="min-h-12 max-w-full"
          onChange={(e) => e.target.files?.[0] && fromFile(e.target.files[0])}
        />
      </label>
      {fault && <p className="caution">{fault}</p>}
      {state.pressureLogs.map((log) => (
        <Kept key={log.entryId} log={log} target={target} timeZone={timeZone} name={run.name} />
      ))}
    </div>
  );
}

const VERDICTS = { tight: '✓ Tight', leaking: '▲ It leaks', undecided: 'Undecided yet' } as const;

function Verdict({ decay }: { decay: Decay }) {
  return (
    <div aria-live="polite">
      <p className="font-head text-2xl font-semibold">{VERDICTS[decay.verdict]}</p>
      <p className="text-lg">{decay.because.at(-1)?.text}</p>
      <Reasons because={decay.because.slice(0, -1)} />
    </div>
  );
}

/** A log that was kept, with what it comes to by the target of now; as a file to take away. */
function Kept({
  log,
  target,
  timeZone,
  name,
}: {
  log: { body: Bodies['pressure-logged']; atMs: number };
  target: number;
  timeZone: string;
  name: string;
}) {
  const [decay, why] = useMemo(() => worked({ ...log.body, targetMlPerDay: target }), [log.body, target]);
  return (
    <section className="border border-rule bg-sheet p-3" aria-label="Kept gauge log">
      <p className="label">{localTime(log.atMs, timeZone)}</p>
      {decay ? <Verdict decay={decay} /> : <p className="caution">{why}</p>}
      <button
        type="button"
        className="min-h-12 cursor-pointer underline"
        onClick={() => saveFile(`gauge ${name}.csv`, 'text/csv;charset=utf-8', writeGaugeCsv(log.body))}
      >
        Its readings as a file
      </button>
    </section>
  );
}
