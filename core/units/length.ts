/** Lengths and pitches as typed, in inches whichever unit they came in. */
import { readFraction } from './fraction.ts';

export const MM_PER_IN = 25.4;
const METRIC = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*(mm|cm|m)\s*$/i;
/** Feet, and inches after them: 6 ft, 6', 6' 2", 6 feet 2 1/2 in, 6ft-2. */
const FEET = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*(?:feet|foot|ft\.?|['’′])\s*-?\s*(.*)$/i;
const MM = { mm: 1, cm: 10, m: 1000 } as const;

/** Is a metric unit typed with the number? */
export const isMetric = (text: string): boolean => METRIC.test(text);

/** Is a unit typed with the number, whichever? */
export const hasUnit = (text: string): boolean => /[a-z'"’′”″]/i.test(text);

/**
 * Reads a length: inches as the trade types them ("3/8", "14 1/2 in"), feet ("6 ft", "6' 2\""), or "20.9 mm", "140 cm", "1.4 m".
 *
 * @returns inches, or null when the text is not one length >= 0
 */
export function readLengthIn(text: string): number | null {
  const mm = readMm(text);
  if (mm !== null) return mm / MM_PER_IN;
  const found = FEET.exec(text);
  if (!found) return readFraction(plainInches(text));
  const rest = found[2]!.trim();
  const inches = rest === '' ? 0 : readFraction(plainInches(rest));
  // Twelve inches and more after the feet are a slip of the finger.
  return inches === null || inches >= 12 ? null : Number(found[1]) * 12 + inches;
}

/**
 * Reads a pitch: threads to the inch ("14", "11 1/2"), or millimetres from crest to crest ("1.5 mm").
 *
 * @returns threads per inch, or null when the text is not one pitch
 */
export function readThreadsPerIn(text: string): number | null {
  const mm = readMm(text);
  if (mm === null) return readFraction(text);
  return mm > 0 ? MM_PER_IN / mm : null;
}

const plainInches = (text: string): string => text.replace(/[”″]|''/g, '"');

function readMm(text: string): number | null {
  const found = METRIC.exec(text);
  return found ? Number(found[1]) * MM[found[2]!.toLowerCase() as keyof typeof MM] : null;
}
