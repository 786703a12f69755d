import { type ReactNode, useId, useState } from 'react';
import { asTyped, length, parseEnd, pressure, pressureTyped, readLengthIn, readPressurePsi, said, type Units } from '../../../../core/index.ts';
import type { Bodies } from '../../../../record/index.ts';
import { reachAddress } from '../../../ui/ends/index.ts';
import { Choices, useTyped } from '../../../ui/form/index.ts';
import { FigureInput, InUnits, ownUnit, useUnits } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';

const FINISH: [Bodies['stub-seen']['finish'], string][] = [
  ['bare', 'bare and sound'],
  ['chromed', 'chromed'],
  ['pitted', 'pitted or scored'],
  ['unknown', 'cannot be seen'],
];

/** A plain tube found in place: what its outside and its free length allow. */
export function FoundTube({ side, run, state, write }: Pick<StageProps, 'run' | 'state' | 'write'> & { side: 'from' | 'to' }) {
  const code = state[side]?.end;
  if (!code || parseEnd(code).kind !== 'tube') return null;
  const known = state.stubs[side];
  const { finish = null, lengthIn = null } = known ?? {};
  const typed = state.stubTexts[side] ?? '';
  return (
    <div className="grid gap-2 border-l-4 border-rule pl-3">
      <Choices
        legend={side === 'from' ? 'The tube of the water side is' : 'The tube of the inlet is'}
        options={FINISH}
        value={finish}
        onChange={(to) => write('stub-seen', run.id, { side, finish: to, ...(lengthIn === null ? {} : { text: typed, inches: lengthIn }) })}
      />
      <LengthField
        label="Straight, round, clean tube that stands free"
        value={typed}
        onLength={(text, inches) => write('stub-seen', run.id, { side, finish: finish ?? 'unknown', text, inches })}
      />
    </div>
  );
}

/** Kept with what was seen of the place; emptied, it is not known any more. */
export function Pressure({ run, context, state, write }: Pick<StageProps, 'run' | 'context' | 'state' | 'write'>) {
  const { pressurePsi: kept, pressureText } = state.place;
  return (
    <PressureField
      label="Static pressure, by a gauge"
      text={kept === undefined ? '' : (pressureText ?? String(kept))}
      kept={kept ?? null}
      onPressure={(text, psi) =>
        write('place-seen', run.id, psi === null ? { pressureText: null, pressurePsi: null } : { pressureText: text, pressurePsi: psi })
      }
    >
      {kept !== undefined && kept > 80 && <InUnits said={said`Over ${pressure(80)} the codes ask for a pressure-reducing valve.`} />}
      {kept !== undefined && kept < context.appliance.minFlowPsi && (
        <InUnits said={said`A ${context.appliance.name} wants ${pressure(context.appliance.minFlowPsi)} while it flows.`} />
      )}
    </PressureField>
  );
}

interface PressureProps {
  label: string;
  /** As it was typed. */
  text: string;
  kept: number | null;
  onPressure: (text: string, psi: number | null) => void;
  /** What is said of the one that is kept. */
  children?: ReactNode;
}

/** A pressure as typed, kept when it reads as one; nothing typed: null. */
export function PressureField({ label, text: asKept, kept, onPressure, children }: PressureProps) {
  const units = useUnits();
  const id = useId();
  const [text, setText] = useTyped(asKept);
  const isEmpty = text.trim() === '';
  const psi = isEmpty ? null : (readPressurePsi(text) ?? Number.NaN);
  const isBad = psi !== null && !(psi > 0 && psi <= 1000);
  const save = () => {
    if (!isBad && psi !== kept) onPressure(isEmpty ? '' : pressureTyped(text, 'inch'), psi);
  };
  return (
    <div>
      <label className="label block" htmlFor={id}>
        {label} ({ownUnit('pressure', units)})
      </label>
      <FigureInput
        of="pressure"
        id={id}
        className="field max-w-40"
        maxLength={10}
        value={text}
        onChange={setText}
        onBlur={save}
        onKeyDown={(e) => e.key === 'Enter' && save()}
        aria-invalid={isBad}
        aria-describedby={`${id}-said`}
      />
      <p id={`${id}-said`} aria-live="polite">
        {isBad ? <InUnits said={said`Give a pressure of ${pressure(1)} to ${pressure(1000)}, or nothing.`} /> : children}
      </p>
    </div>
  );
}

const kept = (distance: Bodies['distance-measured'] | null, units: Units): string =>
  distance ? `${asTyped(distance.text, length(distance.inches), units)} kept` : '';

/** How far it is from end to end. */
export const Distance = ({ run, context, state, write, visitId }: Pick<StageProps, 'run' | 'context' | 'state' | 'write' | 'visitId'>) => {
  const units = useUnits();
  const laid = state.distance?.laid ?? null;
  return (
    <>
      <LengthField
        label="From end to end, along the way the line will lie"
        value={state.distance?.text ?? ''}
        said={kept(state.distance, units)}
        onLength={(text, inches) => write('distance-measured', run.id, { text, inches })}
      />
      <a className="inline-flex min-h-12 items-center" href={reachAddress({ run: { visitId, runId: run.id }, on: context.appliance.id, laid })}>
        {laid ? 'As it was drawn: the line to scale' : 'Which length lies well: draw it to scale'}
      </a>
    </>
  );
};

/** A length as typed, kept when it reads as one. */
function LengthField(p: { label: string; value: string; said?: string; onLength: (text: string, inches: number) => void }) {
  const units = useUnits();
  const [text, setText] = useTyped(p.value);
  const [bad, setBad] = useState(false);
  const id = useId();
  const save = () => {
    if (text.trim() === '' || text === p.value) return setBad(false);
    const inches = readLengthIn(text);
    const good = inches !== null && inches > 0 && inches <= 12_000;
    setBad(!good);
    if (good) p.onLength(text.trim().slice(0, 200), inches);
  };
  return (
    <div>
      <label className="label block" htmlFor={id}>
        {p.label} ({ownUnit('length', units)})
      </label>
      <FigureInput
        of="length"
        id={id}
        className="field max-w-40"
        value={text}
        maxLength={30}
        onChange={setText}
        onBlur={save}
        onKeyDown={(e) => e.key === 'Enter' && save()}
        aria-invalid={bad}
        aria-describedby={`${id}-said`}
      />
      <p id={`${id}-said`} aria-live="polite">
        {bad ? 'That is no length. Type inches as 55 or 14 1/2, feet as 6 ft or 6\' 2", or 1400 mm; more than 0.' : p.said}
      </p>
    </div>
  );
}
