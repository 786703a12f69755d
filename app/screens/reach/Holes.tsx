import { useState } from 'react';
import { afterProbe, diameter, type HoleSize, holeFor, InputError, quantityWords, readLengthIn, type Through } from '../../../core/index.ts';
import { Select } from '../../ui/form/index.ts';
import { Reasons, useUnits } from '../../ui/units/index.ts';
import { readLengths } from './typed.ts';

const CAUTIONS: Record<Through, string> = {
  cabinet: 'Low in the side, inside the zone that the appliance’s sheet gives: outside it hoses kink.',
  floor: 'Look below first: joist, cable, duct. The probe goes first; eye protection.',
  wall: 'Cables, pipes and studs are looked for first; old paint and old tile may hold lead and asbestos.',
};

/** The hole for what goes through it, its probe, and where it goes when the probe meets something. */
export function Holes({ sizes }: { sizes: HoleSize[] }) {
  const units = useUnits();
  const [through, setThrough] = useState<Through>('cabinet');
  const [bodies, setBodies] = useState('1 1/4');
  const [place, setPlace] = useState('12');
  const [met, setMet] = useState('');
  const worked = () => {
    const across = readLengths(bodies);
    const atIn = readLengthIn(place);
    const metAtIn = met.trim() === '' ? undefined : readLengthIn(met);
    if (!across) return 'What goes through: its width, or several as 1 1/4, 1/2.';
    if (atIn === null || metAtIn === null) return 'Places: inches from the corner, as 12 or 12 1/2.';
    try {
      const hole = holeFor(
        across.map((acrossIn) => ({ name: quantityWords(diameter(acrossIn), units), acrossIn })),
        sizes,
      );
      return { hole, place: afterProbe({ through, atIn, ...(metAtIn === undefined ? {} : { metAtIn }) }) };
    } catch (error) {
      if (error instanceof InputError) return error.message;
      throw error;
    }
  };
  const result = worked();
  return (
    <details className="why">
      <summary>Holes on the way</summary>
      <div className="mt-2 grid gap-3">
        <div className="grid grid-cols-2 gap-2">
          <Select
            label="Through a"
            value={through}
            options={[
              ['cabinet', 'cabinet side'],
              ['floor', 'floor'],
              ['wall', 'wall'],
            ]}
            onChange={(to) => setThrough(to as Through)}
          />
          <label className="grid content-end">
            <span>Goes through, across (in, or say mm; several: 1 1/4, 1/2)</span>
            <input className="field" maxLength={60} value={bodies} onChange={(e) => setBodies(e.target.value)} />
          </label>
          <label className="grid content-end">
            <span>Planned at, from the corner (in, or say mm)</span>
            <input className="field" maxLength={30} value={place} onChange={(e) => setPlace(e.target.value)} />
          </label>
          <label className="grid content-end">
            <span>The probe met something at (in, or say mm)</span>
            <input className="field" maxLength={30} value={met} onChange={(e) => setMet(e.target.value)} />
          </label>
        </div>
        <p className="caution">{CAUTIONS[through]}</p>
        {typeof result === 'string' ? (
          <p className="caution">{result}</p>
        ) : (
          <Reasons
            because={[...result.hole.because, ...result.place.because]}
            label={`Hole of ${quantityWords(diameter(result.hole.diameterIn), units)} with a ${result.hole.tool}${result.place.addedIn > 0 ? ', moved to the next bay' : ''}`}
          />
        )}
      </div>
    </details>
  );
}
