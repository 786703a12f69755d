/** A figure typed in either system: a bare number is in the device's own, which stands beside the field. */
import { type InputHTMLAttributes, useRef, useState } from 'react';
import type { Units } from '../../../core/index.ts';
import { type Figure, ownUnit, withUnit } from './own-unit.ts';
import { useUnits } from './units.ts';

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
