import { useId } from 'react';
import { isOn, lengthTyped, pressureTyped, readLengthIn, readPressurePsi, type SheetFigure } from '../../../../core/index.ts';
import { useTyped } from '../../../ui/form/index.ts';
import { FigureInput, ownUnit, unitsHere, useUnits } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';

type Props = Pick<StageProps, 'run' | 'context' | 'state' | 'write'>;

/** What the appliance's own sheet says: it takes the place of what is usual, and some of it is measured against. */
export function ItsSheet({ run, context: { appliance, look }, state, write }: Props) {
  const figures = look.sheets.filter((f) => isOn(f.appliances, appliance.id));
  return (
    <>
      {figures.map((f) => (
        <SheetFigureField key={f.id} figure={f} {...{ run, state, write }} />
      ))}
    </>
  );
}

/** One figure of the sheet, kept as it is typed. */
export function SheetFigureField({ figure: f, run, state, write }: { figure: SheetFigure } & Pick<StageProps, 'run' | 'state' | 'write'>) {
  return (
    <Figure
      figure={f}
      kept={state.survey.sheet[f.id]?.text ?? ''}
      onRead={(text, value) => write('sheet-read', run.id, { figure: f.id, of: f.of, text, ...(value === null ? {} : { value }) })}
    />
  );
}

const READ = { length: readLengthIn, pressure: readPressurePsi } as const;
const TYPED = { length: lengthTyped, pressure: pressureTyped } as const;

function Figure({
  figure: { name, of, gate, source },
  kept,
  onRead,
}: {
  figure: SheetFigure;
  kept: string;
  onRead: (text: string, value: number | null) => void;
}) {
  const units = useUnits();
  const id = useId();
  const [text, setText] = useTyped(kept);
  const value = of === 'words' || text.trim() === '' ? null : READ[of](text);
  const isBad = of !== 'words' && text.trim() !== '' && value === null;
  const save = () => {
    const typed = text.trim().slice(0, 200);
    if (isBad || typed === kept.trim()) return;
    onRead(of === 'words' || typed === '' ? typed : TYPED[of](typed, unitsHere()), value);
  };
  const input = {
    id,
    className: 'field',
    maxLength: 200,
    onBlur: save,
    onKeyDown: (e: { key: string }) => e.key === 'Enter' && save(),
    'aria-invalid': isBad,
    'aria-describedby': `${id}-said`,
  };
  return (
    <div>
      <label className="label block" htmlFor={id}>
        {name}
        {of === 'words' ? '' : ` (${ownUnit(of, units)})`}
        {gate && ' · measured before the work goes on'}
      </label>
      {of === 'words' ? (
        <input {...input} value={text} onChange={(e) => setText(e.target.value)} />
      ) : (
        <FigureInput {...input} of={of} value={text} onChange={setText} />
      )}
      <p id={`${id}-said`} className="text-soft" aria-live="polite">
        {isBad ? 'That does not read.' : source.includes(';') ? source.split('; ')[1] : ''}
      </p>
    </div>
  );
}
