/** Lengths and pitches as typed, in inches whichever unit they came in. */
import { readFraction } from './fraction.ts';

const MM_PER_IN = 25.4;
const METRIC = /^\s*(\d+(?:\.\d+)?|\.\d+)\s*(mm|cm|m)\s*$/i;
const MM = { mm: 1, cm: 10, m: 1000 } as const;

/** Is a metric unit typed with the number? */
export const isMetric = (text: string): boolean => METRIC.test(text);

/**
 * Reads a length: inches as the trade types them ("3/8", "14 1/2 in"), or "20.9 mm", "140 cm", "1.4 m".
 *
 * @returns inches, or null when the text is not one length >= 0
 */
export function readLengthIn(text: string): number | null {
  const mm = readMm(text);
  return mm === null ? readFraction(text) : mm / MM_PER_IN;
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

function readMm(text: string): number | null {
  const found = METRIC.exec(text);
  return found ? Number(found[1]) * MM[found[2]!.toLowerCase() as keyof typeof MM] : null;
}
