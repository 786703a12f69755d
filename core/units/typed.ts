/** Figures of a line's water as they are typed in either system; a bare number is in the trade's unit, or in the device's own. */
import { readFraction } from './fraction.ts';
import { MM_PER_IN, readLengthIn } from './length.ts';
import { L_PER_GAL, type Units } from './quantity.ts';

interface TypedKind {
  /** The unit of a bare number. */
  own: Record<Units, string>;
  /** What each unit is in the trade's. */
  per: Record<string, number>;
}

const ML_PER_CUBIC_IN = MM_PER_IN ** 3 / 1000;

const KINDS = {
  /** Along a pipe, or up: feet. */
  feet: { own: { inch: 'ft', metric: 'm' }, per: { ft: 1, feet: 1, in: 1 / 12, m: 1000 / MM_PER_IN / 12, cm: 10 / MM_PER_IN / 12, mm: 1 / MM_PER_IN / 12 } }, // biome-ignore format: one row
  /** Gallons a minute. */
  flow: { own: { inch: 'gpm', metric: 'L/min' }, per: { gpm: 1, 'l/min': 1 / L_PER_GAL, 'l/s': 60 / L_PER_GAL } },
  /** What holds gas: cubic inches. */
  gas: { own: { inch: 'cu in', metric: 'mL' }, per: { 'cu in': 1, in3: 1, ml: 1 / ML_PER_CUBIC_IN, cc: 1 / ML_PER_CUBIC_IN, l: 1000 / ML_PER_CUBIC_IN } }, // biome-ignore format: one row
  /** Gallons. */
  gallons: { own: { inch: 'gal', metric: 'L' }, per: { gal: 1, l: 1 / L_PER_GAL } },
} satisfies Record<string, TypedKind>;

export type Typed = keyof typeof KINDS;

const WITH_UNIT = /^([+-]?)\s*([\d./ ]*\d)\s*([a-z][a-z0-9/ ]*)?\s*$/i;

/** The unit of a bare number, as the label of a field names it. */
export const typedUnit = (of: Typed, units: Units): string => KINDS[of].own[units];

/**
 * Reads a figure: '30', '30 ft', '9 m'; '2', '2 gpm', '7.5 L/min'; '3', '3 cu in', '50 mL'; '4', '15 L'. A minus stands before what goes down.
 *
 * @returns in the trade's unit, or null when the text is not one such figure
 */
export function readTyped(of: Typed, text: string): number | null {
  const found = WITH_UNIT.exec(text.trim());
  const per: Record<string, number> = KINDS[of].per;
  const times = found?.[3] === undefined ? 1 : per[found[3].trim().toLowerCase()];
  if (found && times !== undefined) {
    const value = readFraction(found[2]!.trim());
    return value === null ? null : (found[1] === '-' ? -1 : 1) * value * times;
  }
  // Feet and inches.
  const inches = of === 'feet' ? readLengthIn(text.trim().replace(/^[+-]\s*/, '')) : null;
  return inches === null ? null : ((text.trim().startsWith('-') ? -1 : 1) * inches) / 12;
}

/** A text as typed, saying its unit where a bare number is in another than the trade's: so it says it wherever it is read again. */
export const typedIn = (of: Typed, text: string, units: Units): string =>
  units === 'metric' && /^[+-]?\s*[\d.]+$/.test(text.trim()) ? `${text.trim()} ${KINDS[of].own.metric}` : text.trim();
