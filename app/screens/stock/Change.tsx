import { useState } from 'react';
import { readCoilIn } from '../../../core/index.ts';
import { type Level, pressReason, type StockedPlace } from '../../../record/index.ts';
import { type Saying, say } from '../../ui/book/index.ts';
import { amountWords, useUnits } from '../../ui/units/index.ts';
import { counted, minimum, moved, received, thrown } from './changes.ts';

interface Props {
  level: Level;
  place: StockedPlace;
  places: StockedPlace[];
  name: string;
  isCoil: boolean;
  coilIn: number | undefined;
  onDone: () => void;
}

/** What can be said of an item at a place: a number, then what it is the number of. */
export function Change({ level, place, places, name, isCoil, coilIn, onDone }: Props) {
  const units = useUnits();
  const [text, setText] = useState('');
  const [why, setWhy] = useState('');
  const [unit, setUnit] = useState<'coils' | 'length'>(coilIn ? 'coils' : 'length');
  const [to, setTo] = useState(places.find((p) => p.id !== place.id)?.id ?? '');
  const whole = /^\d+$/.test(text.trim()) ? Number(text.trim()) : null;
  const number = isCoil && unit === 'length' ? readCoilIn(text, units) : whole === null ? null : whole * (isCoil ? (coilIn ?? 1) : 1);
  const some = number !== null && number >= 1 && number <= 2_000_000_000;
  const reason = why.trim();
  const tell = async (what: Saying, words: string) => {
    if (await say([what], `${name}: ${words}`)) onDone();
  };
  const amount = number === null ? '' : amountWords(number, isCoil, units);
  return (
    <form
      className="grid gap-3 bg-sheet p-3"
      onSubmit={(e) => {
        e.preventDefault();
        if (number !== null) tell(counted(place.id, level.item, number, level.quantity, reason || pressReason('counted-anew')), `counted ${amount}`);
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <label className="grid gap-1">
          <span className="label">
            {isCoil ? (unit === 'coils' ? 'How many whole coils' : `How many ${units === 'metric' ? 'metres' : 'inches'}`) : 'How many'}
          </span>
          {/* biome-ignore lint/a11y/noAutofocus: it was asked for with the press before */}
          <input className="field w-32" inputMode="numeric" maxLength={10} autoFocus value={text} onChange={(e) => setText(e.target.value)} />
        </label>
        {isCoil && coilIn && (
          <button type="button" className="key" onClick={() => setUnit(unit === 'coils' ? 'length' : 'coils')}>
            {unit === 'coils' ? `coils of ${amountWords(coilIn, true, units)}` : units === 'metric' ? 'metres' : 'inches'}
          </button>
        )}
        <label className="grid min-w-40 flex-1 gap-1">
          <span className="label">Why (where it matters)</span>
          <input className="field" maxLength={200} value={why} onChange={(e) => setWhy(e.target.value)} />
        </label>
      </div>
      {text.trim() !== '' && number === null && <p role="alert">Say it as a whole number, a length also as 25 ft or 7.5 m.</p>}
      <div className="flex flex-wrap items-center gap-2">
        <button type="submit" className="key key-main" disabled={number === null}>
          Counted
        </button>
        <button
          type="button"
          className="key"
          disabled={!some}
          onClick={() => tell(received(place.id, level.item, number!, reason || undefined), `received ${amount}`)}
        >
          Received
        </button>
        <button
          type="button"
          className="key"
          disabled={!some}
          onClick={() => tell(thrown(place.id, level.item, number!, reason || pressReason('thrown-away')), `thrown away ${amount}`)}
        >
          Thrown away
        </button>
        <button
          type="button"
          className="key"
          disabled={number === null}
          onClick={() => tell(minimum(place.id, level.item, number!), `at least ${amount} to be kept`)}
        >
          At least so many
        </button>
        {places.length > 1 && (
          <span className="flex flex-wrap items-center gap-2">
            <button
              type="button"
              className="key"
              disabled={!some}
              onClick={() =>
                tell(
                  moved({ fromId: place.id, toId: to, item: level.item, quantity: number! }),
                  `${amount} moved to ${places.find((p) => p.id === to)?.name}`,
                )
              }
            >
              Moved to
            </button>
            <select className="field w-auto" aria-label="Moved to" value={to} onChange={(e) => setTo(e.target.value)}>
              {places
                .filter((p) => p.id !== place.id)
                .map((p) => (
                  <option key={p.id} value={p.id}>
                    {p.name}
                  </option>
                ))}
            </select>
          </span>
        )}
      </div>
    </form>
  );
}
