/** Quantities inside a sentence, so that the same sentence can be said in either system. */
import { readFraction, writeFraction } from './fraction.ts';
import { MM_PER_IN, readLengthIn } from './length.ts';

/** Which system lengths, pressures and temperatures are said in. Names of threads and tubes are the trade's in both. */
export type Units = 'inch' | 'metric';

export const QUANTITIES = ['length', 'coil', 'diameter', 'pressure', 'temperature', 'volume', 'cup', 'flow', 'speed'] as const;

/** A figure in the unit its kind is kept in: lengths and diameters in inches, pressures in psi, temperatures in degrees Fahrenheit, volumes in gallons, small ones in cups, flows in gallons a minute, speeds in feet a second. */
export interface Quantity {
  of: (typeof QUANTITIES)[number];
  value: number;
  /** Places after the point in the trade's unit, where they are to be seen (a diameter, a gauge); else as few as it takes. */
  places?: number;
}

export const KPA_PER_PSI = 6.894757;
export const L_PER_GAL = 3.785412;
export const CUPS_PER_GAL = 16;
/** Up to here it is said to the tenth, mm. */
const TENTHS_TO_MM = 3;
/** From here on a length is said in metres, mm. */
const METRES_FROM_MM = 2000;

const WORDS: Record<Quantity['of'], Record<Units, (q: Quantity) => string>> = {
  length: {
    inch: ({ value }) => `${inFractions(value, value < 1 ? 32 : 16)} in`,
    metric: ({ value }) => metricLength(value * MM_PER_IN),
  },
  coil: {
    inch: ({ value }) => feetAndInches(value),
    metric: ({ value }) => `${trimmed((value * MM_PER_IN) / 1000, 2)} m`,
  },
  diameter: {
    inch: ({ value, places }) => `${places === undefined ? trimmed(value, 4) : value.toFixed(places)} in`,
    metric: ({ value }) => `${(Math.round(value * MM_PER_IN * 100 + 1e-6) / 100).toFixed(2)} mm`,
  },
  pressure: {
    inch: ({ value, places }) => `${places === undefined ? trimmed(value, 1) : value.toFixed(places)} psi`,
    // A bar is more than ten psi: another place.
    metric: ({ value, places = 0 }) => `${((value * KPA_PER_PSI) / 100).toFixed(places + 1)} bar`,
  },
  temperature: {
    inch: ({ value, places }) => `${places === undefined ? trimmed(value, 0) : value.toFixed(places)} F`,
    metric: ({ value, places = 0 }) => `${((value - 32) / 1.8).toFixed(places)} C`,
  },
  volume: {
    inch: ({ value }) => `${trimmed(value, value < 1 ? 2 : 1)} gal`,
    metric: ({ value }) => `${trimmed(value * L_PER_GAL, value * L_PER_GAL < 10 ? 1 : 0)} L`,
  },
  cup: {
    inch: ({ value }) => `${writeFraction(Math.round(value * 8) / 8, 8)} ${value <= 1 ? 'cup' : 'cups'}`,
    metric: ({ value }) => decilitres((value / CUPS_PER_GAL) * L_PER_GAL),
  },
  flow: {
    inch: ({ value }) => `${trimmed(value, value < 10 ? 2 : 1)} gpm`,
    metric: ({ value }) => `${trimmed(value * L_PER_GAL, value * L_PER_GAL < 10 ? 2 : 1)} L/min`,
  },
  speed: {
    inch: ({ value }) => `${trimmed(value, 1)} ft/s`,
    metric: ({ value }) => `${trimmed((value * 12 * MM_PER_IN) / 1000, 1)} m/s`,
  },
};

/** What is let run into a jug, to the 10 mL; from a litre on to the tenth. */
const decilitres = (litres: number): string => (litres < 0.995 ? `${Math.round(litres * 100) * 10} mL` : `${trimmed(litres, 1)} L`);

function feetAndInches(value: number): string {
  const [feet, inches] = [Math.trunc(value / 12), Math.abs(value % 12)];
  const rest = inches === 0 ? [] : [`${value < 0 && feet === 0 ? '-' : ''}${trimmed(inches, 1)} in`];
  return [...(feet !== 0 || inches === 0 ? [`${feet} ft`] : []), ...rest].join(' ');
}

const trimmed = (value: number, places: number): string => String(Number(value.toFixed(places)));

const inFractions = (value: number, parts: number): string => writeFraction(Math.round(value * parts) / parts, parts);

function metricLength(mm: number): string {
  if (Math.abs(mm) < TENTHS_TO_MM) return `${trimmed(mm, 1)} mm`;
  return Math.abs(mm) < METRES_FROM_MM ? `${Math.round(mm)} mm` : `${trimmed(mm / 1000, 2)} m`;
}

/** A quantity with its unit: '19 11/16 in' or '500 mm', '80 psi' or '5.5 bar', '140 F' or '60 C'. */
export const quantityWords = (q: Quantity, units: Units): string => WORDS[q.of][units](q);

/** Inches, to the sixteenth (under one to the half of that); millimetres, to the whole one. */
export const length = (inches: number): Quantity => ({ of: 'length', value: inches });
/** Of what is cut from a coil, as it is stocked: feet and inches, or metres. */
export const coil = (inches: number): Quantity => ({ of: 'coil', value: inches });
const inPlaces = (of: Quantity['of'], value: number, places: number | undefined): Quantity => ({
  of,
  value,
  ...(places === undefined ? {} : { places }),
});

/** Of a bore, a thread or a tube: inches as figures, millimetres to the hundredth. */
export const diameter = (inches: number, places?: number): Quantity => inPlaces('diameter', inches, places);
export const pressure = (psi: number, places?: number): Quantity => inPlaces('pressure', psi, places);
export const volume = (gallons: number): Quantity => ({ of: 'volume', value: gallons });
/** What is rinsed or caught, in cups. */
export const cup = (cups: number): Quantity => ({ of: 'cup', value: cups });
export const flow = (gpm: number): Quantity => ({ of: 'flow', value: gpm });
export const speed = (ftS: number): Quantity => ({ of: 'speed', value: ftS });
export const temperature = (degF: number, places?: number): Quantity => inPlaces('temperature', degF, places);

/** A sentence: as the trade says it, and where it holds quantities its pieces, to be said in another system. */
export interface Said {
  text: string;
  pieces?: (string | Quantity)[];
}

/** A sentence with quantities among its words. */
export function said(words: TemplateStringsArray, ...values: (string | number | Quantity)[]): Said {
  const pieces: (string | Quantity)[] = [];
  const add = (piece: string | Quantity) => {
    const last = pieces.at(-1);
    if (typeof piece === 'string' && typeof last === 'string') pieces[pieces.length - 1] = last + piece;
    else if (piece !== '') pieces.push(piece);
  };
  for (const [i, word] of words.entries()) {
    add(word);
    const value = values[i];
    if (value !== undefined) add(typeof value === 'object' ? value : String(value));
  }
  const text = saidIn({ text: '', pieces }, 'inch');
  return pieces.some((p) => typeof p !== 'string') ? { text, pieces } : { text };
}

/** A sentence after a few words that say what it is of. */
export const saidOf = (of: string, { text, pieces }: Said): Said => ({ text: of + text, ...(pieces ? { pieces: [of, ...pieces] } : {}) });

/** A sentence whose quantities are written out, in one system or the other. */
export const textIn = (text: string, units: Units): string => (units === 'inch' ? text : saidIn(withQuantities(text), units));

/** The sentence in one system or the other. */
export function saidIn({ text, pieces }: Said, units: Units): string {
  return pieces && (units !== 'inch' || text === '') ? pieces.map((p) => (typeof p === 'string' ? p : quantityWords(p, units))).join('') : text;
}

const FIGURE = String.raw`\d+(?: \d+\/\d+|\/\d+|\.\d+)?`;
/** A figure with its unit, or two with one unit; names of sizes ("1/2 in OD") are no quantities. */
const IN_TEXT = new RegExp(
  String.raw`(?<![\w/.])(${FIGURE})(?:( to )(${FIGURE}))? (in|ft/s|ft|psi|F|gal|gpm|cups?)\b(?! (?:OD|nominal|ID|ballcock|hose thread|aerator|riser|straight)\b| \d)`,
  'g',
);
const KINDS: Record<string, (value: number) => Quantity> = {
  in: length,
  ft: (feet) => coil(feet * 12),
  'ft/s': speed,
  psi: pressure,
  F: temperature,
  gal: volume,
  gpm: flow,
  cup,
  cups: cup,
};

/** A sentence of the step data, with the quantities that it holds: there they are written out, as the trade does. */
export function withQuantities(text: string): Said {
  const pieces: (string | Quantity)[] = [];
  let at = 0;
  for (const found of text.matchAll(IN_TEXT)) {
    const [whole, first, to, second, unit] = found as unknown as [string, string, string | undefined, string | undefined, string];
    const quantity = (figure: string) => KINDS[unit]!(readFraction(figure) ?? 0);
    pieces.push(text.slice(at, found.index), ...(second === undefined ? [] : [quantity(first), to!]), quantity(second ?? first));
    at = found.index! + whole.length;
  }
  return pieces.length === 0 ? { text } : { text, pieces: [...pieces, text.slice(at)] };
}

const PRESSURE = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*(psi|bar|kpa)?\s*$/i;
const PSI = { psi: 1, bar: 100 / KPA_PER_PSI, kpa: 1 / KPA_PER_PSI } as const;

/**
 * Reads a pressure: '80', '80 psi', '5.5 bar', '550 kPa'.
 *
 * @param units what a bare number is in: psi, or bar
 * @returns psi, or null when the text is not one pressure
 */
export function readPressurePsi(text: string, units: Units = 'inch'): number | null {
  const found = PRESSURE.exec(text);
  if (!found) return null;
  const unit = (found[2]?.toLowerCase() ?? (units === 'metric' ? 'bar' : 'psi')) as keyof typeof PSI;
  // Not more places than a gauge has.
  return Math.round(Number(found[1]) * PSI[unit] * 100) / 100;
}

/** What was typed, with the figure beside it where it was typed in the other system; a bare number was one of inches or psi. */
export function asTyped(text: string | undefined, q: Quantity, units: Units): string {
  if (text === undefined) return quantityWords(q, units);
  if (BARE.test(text) || !/[a-z'"’′”″]/i.test(text))
    return units === 'inch' ? `${text} ${q.of === 'pressure' ? 'psi' : 'in'}` : quantityWords(q, units);
  const isMetric = /\d\s*(mm|cm|m|bar|kpa)\s*$/i.test(text);
  return isMetric === (units === 'metric') ? text : `${text} (${quantityWords(q, units)})`;
}

/**
 * Reads how much of a coil: '300', '25 ft', '25 ft 6 in', '7.5 m'; a bare number is inches, or metres.
 *
 * @returns whole inches, or null when the text is no length
 */
export function readCoilIn(text: string, units: Units): number | null {
  const inches = readLengthIn(units === 'metric' && BARE.test(text) ? `${text} m` : text);
  return inches === null ? null : Math.round(inches);
}

/** A bare number, as against a fraction, which is an inch's. */
const BARE = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*$/;

/** A text as typed, with the unit that a bare number is in where the device goes by millimetres; so it says its unit wherever it is read again. */
export const lengthTyped = (text: string, units: Units): string => (units === 'metric' && BARE.test(text) ? `${text.trim()} mm` : text.trim());

/** The same of a pressure. */
export const pressureTyped = (text: string, units: Units): string =>
  BARE.test(text) ? `${text.trim()} ${units === 'metric' ? 'bar' : 'psi'}` : text.trim();
