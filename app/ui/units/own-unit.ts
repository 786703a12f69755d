/** A figure in the unit of the device. */
import { lengthTyped, pressureTyped, type Typed, typedIn, typedUnit, type Units } from '../../../core/index.ts';

export type Figure = 'length' | 'pressure' | Typed;

/** Unit of a bare number, as the label of a field names it. */
export function ownUnit(of: Figure, units: Units): string {
  if (of === 'length') return units === 'metric' ? 'mm' : 'in';
  if (of === 'pressure') return units === 'metric' ? 'bar' : 'psi';
  return typedUnit(of, units);
}

export function withUnit(of: Figure, text: string, units: Units): string {
  if (of === 'length') return lengthTyped(text, units);
  return of === 'pressure' ? pressureTyped(text, units) : typedIn(of, text, units);
}
