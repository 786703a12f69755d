import { useId, useState } from 'react';
import { METER_UNITS, type MeterUnit } from '../../../../core/index.ts';
import { localTime } from '../../../ui/words.ts';
import type { StageProps } from '../stage-props.ts';
import { answerOf } from './meter-answer.ts';

type Props = Pick<StageProps, 'run' | 'state' | 'write' | 'timeZone'>;

const STEPS: Record<MeterUnit, number> = { gal: 0.1, L: 0.1, ft3: 0.01 };

/** The premises' water meter read twice, everything shut between: each reading is kept at once, so that nothing is lost over a long wait. */
export default function MeterTest({ run, state, write, timeZone }: Props) {
  const last = state.meterReads.at(-1);
  const [unit, setUnit] = useState<MeterUnit>(last?.body.unit ?? 'gal');
  const [step, setStep] = useState(String(last?.body.step ?? STEPS.gal));
  const [value, setValue] = useState('');
  const id = useId();
  const [shown, least] = [Number(value), Number(step)];
  const isBad = value.trim() !== '' && !(shown >= 0 && least > 0 && least <= 1000);
  const read = () => {
    write('meter-read', run.id, { value: shown, unit, step: least });
    setValue('');
  };
  return (
    <section className="mt-4 grid grid-cols-[minmax(0,1fr)] gap-2 border-t border-rule pt-3" aria-label="By the water meter">
      <h3 className="text-xl">By the water meter</h3>
      <p>Everything shut: read it, wait, read it again. The longer the wait, the smaller a leak it shows.</p>
      <div className="flex flex-wrap items-end gap-3">
        <label className="grid gap-1" htmlFor={id}>
          <span className="label">It shows</span>
          <input
            id={id}
            className="field w-36"
            inputMode="decimal"
            value={value}
            maxLength={15}
            aria-invalid={isBad}
            onChange={(e) => setValue(e.target.value)}
          />
        </label>
        <label className="grid gap-1">
          <span className="label">Counted in</span>
          <select
            className="field"
            value={unit}
            onChange={(e) => {
              const to = e.target.value as MeterUnit;
              setUnit(to);
              setStep(String(STEPS[to]));
            }}
          >
            {Object.entries(METER_UNITS).map(([key, { name }]) => (
              <option key={key} value={key}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label className="grid gap-1">
          <span className="label">Smallest step of its dial</span>
          <input className="field w-28" inputMode="decimal" value={step} maxLength={10} onChange={(e) => setStep(e.target.value)} />
        </label>
        <button type="button" className="key" disabled={value.trim() === '' || isBad} onClick={read}>
          {last ? 'Read again' : 'Read'}
        </button>
      </div>
      {isBad && <p className="caution">That is no reading: a figure, with a point for its decimals.</p>}
      {last && (
        <p aria-live="polite">
          Read {localTime(last.atMs, timeZone)}: {last.body.value} {METER_UNITS[last.body.unit].name}. {answerOf(state)}
        </p>
      )}
    </section>
  );
}
