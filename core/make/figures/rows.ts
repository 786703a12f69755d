/** What a step measures, and what it works out of that. */
import type { HoleSize } from '../../reach/index.ts';

/** A length that is measured at a step. */
export interface StepMeasure {
  id: string;
  /** 'counter, floor to its underside, at its lowest' */
  name: string;
  /** Taken where nobody measured, in; shown as usual. */
  usualIn?: number;
  source: string;
}

/** Figures added up, each so many times. */
export interface Sum {
  of: { figure: string; times?: number }[];
  plus?: number;
}

/** A sum of figures, and what it must keep to. */
export interface SumReckoning extends Sum {
  how: 'sum';
  atLeast?: Sum;
  atMost?: Sum;
  /** Out of its bounds it asks for something to be done, and is no fault: an extension, a nail plate. */
  advises?: boolean;
  /** A figure of the sheet that names a zone: '5 to 6 1/4 in'. */
  within?: string;
  /** What is said when it is under, over, or as it should be: {by} is by how much, {value} the figure. */
  low?: string;
  high?: string;
  right?: string;
}

/** The hole for what goes through it together. */
export interface HoleReckoning {
  how: 'hole';
  passes: string[];
  /** Bits and saws, put in when the catalogue is read. */
  sizes: HoleSize[];
}

/** Where a rigid riser is bent and cut. */
export interface RiserReckoning {
  how: 'riser';
  rise: string;
  offset: string;
  insertBelowIn: number;
  insertAboveIn: number;
  straightBelowIn: number;
  straightAboveIn: number;
  bendRadiusIn: number;
}

/** A figure that a step works out of others, by their ids: measured, of the appliance's sheet, or of the chain. */
export type Reckoning = { id: string; title: string; source: string } & (SumReckoning | HoleReckoning | RiserReckoning);
