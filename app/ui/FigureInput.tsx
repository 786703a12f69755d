/** A length or a pressure, typed in either system: a bare number is in the device's own, which stands beside the field. */
import { type InputHTMLAttributes, useRef, useState } from 'react';
import { lengthTyped, pressureTyped, type Units } from '../../core/index.ts';
import { useUnits } from './units.ts';

const OWN = { length: { inch: 'in', metric: 'mm' }, pressure: { inch: 'psi', metric: 'bar' } } as const;
const TYPED = { length: lengthTyped, pressure: pressureTyped };
type Figure = keyof typeof OWN;

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange'> {
  of: Figure;
  /** As kept: a bare number in it is inches or psi. */
  value: string;
  /** What was typed, saying its unit where that is not inches or psi. */
  onChange: (text: string) => void;
}

/** Unit of a bare number, as the label of a field names it. */
export const ownUnit = (of: Figure, units: Units): string => OWN[of][units];

const isBare = (text: string): boolean => /^[\d.]+$/.test(text.trim());

/** What is kept, as this device shows it. */
const shown = (value: string, of: Figure, units: Units): string => (units === 'metric' && isBare(value) ? `${value} ${OWN[of].inch}` : value);

export function FigureInput({ of, value, onChange, ...input }: Props) {
  const units = useUnits();
  const [text, setText] = useState<string | null>(null);
  const told = useRef(value);
  // What comes from elsewhere takes the place of what was typed.
  const own = text !== null && told.current === value ? text : shown(value, of, units);
  return (
    <input
      {...input}
      value={own}
      onChange={(e) => {
        const typed = e.target.value;
        told.current = units === 'metric' ? TYPED[of](typed, units) : typed;
        setText(typed);
        onChange(told.current);
      }}
    />
  );
}
