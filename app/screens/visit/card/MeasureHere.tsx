import { useId } from 'react';
import { length, lengthTyped, quantityWords, readLengthIn, type WorkStep, withQuantities } from '../../../../core/index.ts';
import { useTyped } from '../../../ui/form/index.ts';
import { FigureInput, InUnits, inUnits, ownUnit, Reasons, unitsHere, useUnits } from '../../../ui/units/index.ts';
import { SheetFigureField } from '../look/ItsSheet.tsx';
import type { StageProps } from '../stage-props.ts';

/** What is measured at the present step, kept as it is typed, and what it comes to. */
export function MeasureHere({ step, run, context, state, write }: { step: WorkStep } & Pick<StageProps, 'run' | 'context' | 'state' | 'write'>) {
  const ofSheet = context.look.sheets.filter((f) => step.figures?.some((own) => own.id === f.id));
  const keep = (figure: string, text: string, inches: number | null) =>
    write('figure-measured', run.id, { figure, text, ...(inches === null ? {} : { inches }) });
  const reasons = (step.reckoned ?? []).flatMap((r) => inUnits(r.because));
  return (
    <section aria-label="Measured here" className="mt-2">
      <div className="grid gap-2 sm:grid-cols-2">
        {ofSheet.map((f) => (
          <SheetFigureField key={f.id} figure={{ ...f, name: `its sheet: ${f.name}`, gate: false }} {...{ run, state, write }} />
        ))}
        {step.measures?.map((m) => (
          <Measured key={m.id} measure={m} onMeasured={(text, inches) => keep(m.id, text, inches)} />
        ))}
      </div>
      <div aria-live="polite">
        {step.reckoned?.map((r) => (
          <div key={r.id} className="mt-1">
            {r.text === '' ? (
              <p className="text-soft">
                {r.title}: wants {r.wants.join(' and ')}
              </p>
            ) : (
              <p className={r.isOff ? 'caution' : 'text-lg'}>
                {r.isOff ? '▲ ' : r.isAdvice ? '▸ ' : '✓ '}
                <b>{r.title}:</b> <InUnits said={withQuantities(r.text)} />
              </p>
            )}
          </div>
        ))}
      </div>
      {reasons.length > 0 && <Reasons because={reasons} label="Reckoned from" />}
    </section>
  );
}

function Measured({
  measure,
  onMeasured,
}: {
  measure: NonNullable<WorkStep['measures']>[number];
  onMeasured: (text: string, inches: number | null) => void;
}) {
  const units = useUnits();
  const id = useId();
  const [text, setText] = useTyped(measure.text);
  const inches = text.trim() === '' ? null : readLengthIn(text);
  const isBad = text.trim() !== '' && (inches === null || inches > MOST_IN);
  const save = () => {
    const typed = text.trim().slice(0, 200);
    if (isBad || typed === measure.text.trim()) return;
    onMeasured(typed === '' ? '' : lengthTyped(typed, unitsHere()), inches);
  };
  return (
    <div>
      <label className="label block" htmlFor={id}>
        {measure.name} ({ownUnit('length', units)})
      </label>
      <FigureInput
        id={id}
        of="length"
        className="field"
        maxLength={200}
        value={text}
        placeholder={measure.usualIn === undefined ? undefined : `usual: ${quantityWords(length(measure.usualIn), units)}`}
        onChange={setText}
        onBlur={save}
        onKeyDown={(e) => e.key === 'Enter' && save()}
        aria-invalid={isBad}
        aria-describedby={`${id}-said`}
      />
      <p id={`${id}-said`} className="text-soft" aria-live="polite">
        {isBad && 'That is no length: 34 1/2, 2 ft 10 in or 876 mm.'}
      </p>
    </div>
  );
}

/** Longer than any wall: a slip of the thumb, in. */
const MOST_IN = 1200;
