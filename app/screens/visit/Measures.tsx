import { useId, useState } from 'react';
import { hasUnit, parseEnd, readLengthIn, writeFraction } from '../../../core/index.ts';
import type { Bodies } from '../../../record/index.ts';
import { Choices } from '../../ui/Choices.tsx';
import type { StageProps } from './stage-props.ts';

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
  const typed = lengthIn === null ? '' : writeFraction(lengthIn, 16);
  return (
    <div className="grid gap-2 border-l-4 border-rule pl-3">
      <Choices
        legend={side === 'from' ? 'The tube of the water side is' : 'The tube of the inlet is'}
        options={FINISH}
        value={finish}
        onChange={(to) => write('stub-seen', run.id, { side, finish: to, ...(lengthIn === null ? {} : { text: typed, inches: lengthIn }) })}
      />
      <LengthField
        label="Straight, round, clean tube that stands free (in)"
        value={typed}
        onLength={(text, inches) => write('stub-seen', run.id, { side, finish: finish ?? 'unknown', text, inches })}
      />
    </div>
  );
}

/** Kept with what was seen of the place. */
export function Pressure({ run, context, state, write }: Pick<StageProps, 'run' | 'context' | 'state' | 'write'>) {
  const kept = state.place.pressurePsi;
  const [text, setText] = useState(kept === undefined ? '' : String(kept));
  const psi = Number(text);
  const isBad = text.trim() !== '' && !(psi > 0 && psi <= 1000);
  const save = () => {
    if (isBad || psi === (kept ?? 0)) return;
    const { pressurePsi: _, ...place } = state.place;
    write('place-seen', run.id, text.trim() === '' ? place : { ...place, pressurePsi: psi });
  };
  return (
    <div>
      <label className="label block" htmlFor="pressure">
        Static pressure, by a gauge (psi)
      </label>
      <input
        id="pressure"
        className="field max-w-40"
        inputMode="decimal"
        maxLength={10}
        value={text}
        onChange={(e) => setText(e.target.value)}
        onBlur={save}
        onKeyDown={(e) => e.key === 'Enter' && save()}
        aria-invalid={isBad}
        aria-describedby="pressure-said"
      />
      <p id="pressure-said" aria-live="polite">
        {isBad && 'Give a pressure of 1 to 1000 psi, or nothing.'}
        {!isBad && kept !== undefined && kept > 80 && 'Over 80 psi the codes ask for a pressure-reducing valve.'}
        {!isBad &&
          kept !== undefined &&
          kept < context.appliance.minFlowPsi &&
          `A ${context.appliance.name} wants ${context.appliance.minFlowPsi} psi while it flows.`}
      </p>
    </div>
  );
}

function kept(distance: Bodies['distance-measured'] | null): string {
  if (!distance) return '';
  return hasUnit(distance.text) ? `${distance.text} kept: ${Number(distance.inches.toFixed(1))} in` : `${distance.text} in kept`;
}

/** How far it is from end to end. */
export const Distance = ({ run, state, write }: Pick<StageProps, 'run' | 'state' | 'write'>) => (
  <LengthField
    label="From end to end, along the way the line will lie (in)"
    value={state.distance?.text ?? ''}
    said={kept(state.distance)}
    onLength={(text, inches) => write('distance-measured', run.id, { text, inches })}
  />
);

/** A length as typed, kept when it reads as one. */
function LengthField(p: { label: string; value: string; said?: string; onLength: (text: string, inches: number) => void }) {
  const [text, setText] = useState(p.value);
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
        {p.label}
      </label>
      <input
        id={id}
        className="field max-w-40"
        value={text}
        maxLength={30}
        onChange={(e) => setText(e.target.value)}
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
