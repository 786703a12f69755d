import { useState } from 'react';
import { coil, cutList, InputError, length, quantityWords, readLengthIn, tubeRoute } from '../../../core/index.ts';
import { Reasons, useUnits } from '../../ui/units/index.ts';
import { readLengths } from './typed.ts';

/** Tube cut to length: a way in legs with a bend at each corner, and what is cut from which coil. */
export function TubeCut() {
  const units = useUnits();
  const [legs, setLegs] = useState('20 36 24');
  const [radius, setRadius] = useState('3');
  const [turn, setTurn] = useState('90');
  const [coils, setCoils] = useState('25 ft');
  const words = (inches: number) => quantityWords(length(inches), units);
  const worked = () => {
    const legsIn = readLengths(legs);
    const radiusIn = readLengthIn(radius);
    const coilsIn = coils.trim() === '' ? [] : readLengths(coils);
    if (!legsIn) return 'Legs: type them as 20 36 24, corner to corner.';
    if (radiusIn === null) return 'Bend radius: type inches as 3 or 3 1/2.';
    if (!coilsIn) return 'Coils: what is left on each, as 25 ft, 8 ft.';
    try {
      const route = tubeRoute({ legsIn, bends: legsIn.slice(1).map(() => ({ deg: Number(turn), radiusIn })) });
      const laid = cutList(
        [{ name: 'this run', lengthIn: route.cutIn }],
        coilsIn.map((leftIn, i) => ({ id: `coil ${i + 1}`, leftIn })),
        25 * 12,
      );
      return { route, laid };
    } catch (error) {
      if (error instanceof InputError) return error.message;
      throw error;
    }
  };
  const result = worked();
  const field = (label: string, value: string, onChange: (text: string) => void) => (
    <label className="grid content-end">
      <span>{label}</span>
      <input className="field" maxLength={80} value={value} onChange={(e) => onChange(e.target.value)} />
    </label>
  );
  return (
    <details className="why">
      <summary>Tube cut to length: legs and bends</summary>
      <div className="mt-2 grid gap-3">
        <div className="grid grid-cols-2 gap-2">
          {field('Legs, corner to corner (in, or say mm)', legs, setLegs)}
          {field('Turn at each corner, degrees', turn, setTurn)}
          {field('Bend radius (in, or say mm)', radius, setRadius)}
          {field('Left on the coils (ft, in or m)', coils, setCoils)}
        </div>
        {typeof result === 'string' ? (
          <p className="caution">{result}</p>
        ) : (
          <>
            <p className="text-xl">
              Cut <b>{words(result.route.cutIn)}</b>{' '}
              {result.laid
                .map((c) => `from ${c.coil === 'new' ? 'a new coil' : `${c.coil}, which keeps ${quantityWords(coil(c.leftIn), units)}`}`)
                .join('; ')}
              .
            </p>
            {result.route.bendsAtIn.length > 0 && (
              <p>Bends: {result.route.bendsAtIn.map((b) => `${words(b.fromIn)} to ${words(b.toIn)}`).join(', ')} from its first end.</p>
            )}
            <Reasons because={result.route.because} />
          </>
        )}
      </div>
    </details>
  );
}
