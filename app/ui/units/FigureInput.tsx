/** A figure typed in either system: a bare number is in the device's own, which stands beside the field. */
import { type InputHTMLAttributes, useRef, useState } from 'react';
import { lengthTyped, pressureTyped, type Typed, typedIn, typedUnit, type Units } from '../../../core/index.ts';
import { useUnits } from './units.ts';

type Figure = 'length' | 'pressure' | Typed;

/** Unit of a bare number, as the label of a field names it. */
export function ownUnit(of: Figure, units: Units): string {
  if (of === 'length') return units === 'metric' ? 'mm' : 'in';
  if (of === 'pressure') return units === 'metric' ? 'bar' : 'psi';
  return typedUnit(of, units);
}

function withUnit(of: Figure, text: string, units: Units): string {
  if (of === 'length') return lengthTyped(text, units);
  return of === 'pressure' ? pressureTyped(text, units) : typedIn(of, text, units);
}

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, 'value' | 'onChange'> {
  of: Figure;
  /** As kept: a bare number in it is in the trade's unit: inches, psi. */
  value: string;
  /** What was typed, saying its unit where that is another. */
  onChange: (text: string) => void;
}

const isBare = (text: string): boolean => /^-?[\d.]+$/.test(text.trim());

/** What is kept, as this device shows it. */
const shown = (value: string, of: Figure, units: Units): string => (units === 'metric' && isBare(value) ? `${value} ${ownUnit(of, 'inch')}` : value);

export function FigureInput({ of, value, onChange, ...input }: Props) {
  const units = useUnits();
  const [typed, setTyped] = useState<{ text: string; units: Units } | null>(null);
  const told = useRef(value);
  // What comes from elsewhere takes the place of what was typed; so does what is kept, once a bare number would be in another unit.
  const own = typed && typed.units === units && told.current === value ? typed.text : shown(value, of, units);
  return (
    <input
      {...input}
      value={own}
      onChange={(e) => {
        const text = e.target.value;
        told.current = units === 'metric' ? withUnit(of, text, units) : text;
        setTyped({ text, units });
        onChange(told.current);
      }}
    />
  );
}
