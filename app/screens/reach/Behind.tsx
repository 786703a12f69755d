import { useState } from 'react';
import { clearanceBehind, type LengthPick, type LengthQuestion, length, readLengthIn, said } from '../../../core/index.ts';
import { FigureInput, InUnits } from '../../ui/units/index.ts';

/** How far an inlet that faces the wall must stand off it, for what stands out of it and the line's bend; and whether it does. */
export function Behind({ question, chosen, facesWall }: { question: LengthQuestion; chosen: LengthPick; facesWall: boolean }) {
  const [typed, setTyped] = useState('1/2');
  const standsOutIn = readLengthIn(typed);
  const { endStraightIn, minBendRadiusIn, odIn = 0, to } = question;
  const turns = chosen.coil?.turns ?? 0;
  const straight = facesWall
    ? { standsOutIn: standsOutIn ?? 0, endStraightIn, minBendRadiusIn }
    : { standsOutIn: 0, endStraightIn: 0, minBendRadiusIn: 0 };
  const neededIn = Math.ceil(clearanceBehind({ ...straight, odIn, turns }) * 8) / 8;
  const isBad = standsOutIn === null || standsOutIn < 0;
  return (
    <fieldset className="grid gap-2">
      <legend className="label">Clearance behind it, home</legend>
      {facesWall && (
        <label className="grid">
          <span>Stands out stiff of the inlet: nut, elbow, arrestor</span>
          <FigureInput of="length" className="field max-w-40" maxLength={30} value={typed} onChange={setTyped} aria-invalid={isBad} />
        </label>
      )}
      <p aria-live="polite">
        {isBad ? (
          'Type inches as 1 1/2, or 40 mm.'
        ) : (
          <>
            <InUnits said={said`Wanted: ${length(neededIn)}; there: ${length(to.x)}.`} />{' '}
            {to.x + 1e-9 >= neededIn ? (
              '✓ The line is not crushed.'
            ) : (
              <b>× Too near: an elbow at the inlet turns the line along the wall, or the appliance stays further out.</b>
            )}
          </>
        )}
      </p>
    </fieldset>
  );
}
