import { type Chain, length, quantityWords, type ServingLength } from '../../../core/index.ts';
import { useUnits } from '../units/index.ts';

interface Props {
  of: ServingLength[];
  chain: Chain;
  isAsked: boolean;
  /** What such an appliance usually takes, where nobody measured. */
  usualIn: number | undefined;
  onPick: (part: string) => void;
}

/** The lengths that the line of a construction comes in; a press takes another. */
export function Lengths({ of, chain, isAsked, usualIn, onPick }: Props) {
  const units = useUnits();
  if (of.length < 2) return null;
  const usual = usualIn === undefined ? undefined : of.find((l) => l.lengthIn >= usualIn);
  const note = ({ part, onVan }: ServingLength) => [...(part === usual?.part ? ['usual'] : []), ...(onVan ? [] : ['to buy'])].join(', ');
  return (
    <fieldset className={`mt-1 flex flex-wrap items-center gap-2 print:hidden ${isAsked ? 'caution' : ''}`}>
      <legend className="float-left pr-2" role={isAsked ? 'alert' : undefined}>
        {isAsked ? 'No length was said. Which reaches?' : 'Length'}
      </legend>
      {of.map((l) => (
        <button key={l.part} type="button" className="key min-h-11 px-3" aria-pressed={chain.parts.includes(l.part)} onClick={() => onPick(l.part)}>
          {quantityWords(length(l.lengthIn), units)}
          {note(l) && <span className="text-base font-normal"> {note(l)}</span>}
        </button>
      ))}
    </fieldset>
  );
}
