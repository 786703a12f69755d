/** Water that is run through a new line before anybody drinks from it. */
import { finite } from '../errors.ts';
import { CUPS_PER_GAL } from '../units/index.ts';

/** A piece of the line as far as it holds water. */
export interface Bore {
  boreIn: number;
  lengthIn: number;
}

/** Gallons a foot of pipe holds, by the square of its bore in inches. @source pi/4 over 231 cubic inches, twelve inches */
const GAL_PER_FT_IN2 = (Math.PI / 4) * (12 / 231);
/** @source trade practice: three line volumes clear a line */
const LINE_VOLUMES = 3;

/** The house's least at a dispenser, cups. @source trade practice */
export const LEAST_CUPS = 2;

/** Cups that a line holds. */
export const lineCups = (pieces: readonly Bore[]): number =>
  pieces.reduce((sum, p) => sum + GAL_PER_FT_IN2 * p.boreIn ** 2 * (p.lengthIn / 12), 0) * CUPS_PER_GAL;

/**
 * What is run through first: three line volumes, and never less than the house's figure.
 *
 * @param pieces     of the line: bore and length, in
 * @param floorCups  the house's least, cups, >= 0
 * @param gpm        what runs, gallons a minute, > 0
 * @returns cups, in halves rounded up, and whole seconds at that flow
 * @throws InputError for a figure that is none
 * @source trade practice; 2 cups at a dispenser
 */
export function rinseOf(pieces: readonly Bore[], floorCups: number, gpm: number): { cups: number; seconds: number } {
  finite('floorCups', floorCups, { atLeast: 0 });
  finite('gpm', gpm, { above: 0 });
  const cups = Math.ceil(Math.max(floorCups, LINE_VOLUMES * lineCups(pieces)) * 2 - 1e-9) / 2;
  return { cups, seconds: Math.ceil((cups / CUPS_PER_GAL / gpm) * 60 - 1e-9) };
}
