import { type Chain, length, quantityWords, type ServingLength } from '../../../core/index.ts';
import { useUnits } from '../units/index.ts';

/** The lengths that the line of a construction comes in; a press takes another. */
export function Lengths({ of, chain, isAsked, onPick }: { of: ServingLength[]; chain: Chain; isAsked: boolean; onPick: (part: string) => void }) {
  const units = useUnits();
  if (of.length < 2) return null;
  return (
    <fieldset className={`mt-1 flex flex-wrap items-center gap-2 print:hidden ${isAsked ? 'caution' : ''}`}>
      <legend className="float-left pr-2" role={isAsked ? 'alert' : undefined}>
        {isAsked ? 'No length was said. Which reaches?' : 'Length'}
      </legend>
      {of.map(({ part, lengthIn, onVan }) => (
        <button key={part} type="button" className="key min-h-11 px-3" aria-pressed={chain.parts.includes(part)} onClick={() => onPick(part)}>
          {quantityWords(length(lengthIn), units)}
          {!onVan && <span className="text-base font-normal"> to buy</span>}
        </button>
      ))}
    </fieldset>
  );
}
