import { type LengthPick, length, quantityWords, type Units } from '../../../core/index.ts';
import { InUnits } from '../../ui/units/index.ts';

const VERDICTS: Record<LengthPick['verdict'], { name: string; mark: string }> = {
  fits: { name: 'fits', mark: '●' },
  taut: { name: 'pulls', mark: '▬' },
  touches: { name: 'touches', mark: '◐' },
  kinks: { name: 'kinks', mark: '×' },
  'too-short': { name: 'does not reach', mark: '×' },
};

/** Every length with its verdict and why; the chosen one is drawn. */
export function Lengths({
  picks,
  chosen,
  units,
  onPick,
}: {
  picks: LengthPick[];
  chosen: LengthPick;
  units: Units;
  onPick: (lengthIn: number) => void;
}) {
  return (
    <fieldset>
      <legend className="label">Lengths that are sold, the shortest that lies well first</legend>
      <ul className="border border-ink">
        {picks.map((p) => (
          <li key={p.lengthIn} className="border-t border-rule first:border-t-0">
            <label
              className={`grid min-h-14 cursor-pointer grid-cols-[auto_4.5rem_minmax(0,1fr)_1.5rem] items-center gap-2 px-3 py-1 ${p === chosen ? 'border-b-4 border-brass-deep bg-brass-light' : ''}`}
            >
              <input type="radio" name="length" className="size-5" checked={p === chosen} onChange={() => onPick(p.lengthIn)} />
              <span className="font-head text-2xl font-semibold tabular-nums">{quantityWords(length(p.lengthIn), units)}</span>
              <span>
                <b>{p === picks[0] && p.verdict === 'fits' ? 'fits best' : VERDICTS[p.verdict].name}</b>
                <span className={p === chosen ? 'block' : 'block text-soft'}>
                  <InUnits said={p.because[0]!} />
                </span>
              </span>
              <span aria-hidden="true" className="text-xl">
                {VERDICTS[p.verdict].mark}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </fieldset>
  );
}
