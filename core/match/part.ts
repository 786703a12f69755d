import type { EndCode, LooseCode } from '../ends/index.ts';

/** Which way water may go through an end: 'in' and 'out' of a valve or check, 'either' of a plain fitting, 'branch' of a tee. */
export type Port = 'in' | 'out' | 'either' | 'branch';

export interface PartEnd {
  id: string;
  code: EndCode;
  port: Port;
}

/** Anything with two or more ends. Lengths in inches, pressure in psi, temperature in F, money in cents, work in minutes. */
export interface Part {
  id: string;
  name: string;
  kind: string;
  ends: PartEnd[];
  flexible: boolean;
  cutToLength: boolean;
  /** End to end; of a cut piece the least it adds. */
  lengthIn?: number;
  /** What a coil or riser holds. */
  maxLengthIn?: number;
  waters: ('cold' | 'hot')[];
  maxPsi: number;
  maxF: number;
  potable: boolean;
  priceCents: number;
  centsPerFt?: number;
  minutes: number;
  /** The narrowest way through it that is used, in; left out where it is not known. */
  boreIn?: number;
  /** At most 0.25 % lead over what the water touches, weighted; left out where it is not known. */
  leadFree?: boolean;
  /** In words, for lists: 'brass', 'stainless braid'. */
  material?: string;
  /** 'stop', 'arrestor', 'tee', 'check', 'stop-leak', 'tub-connector' (inside a filler's body), 'union', 'saddle', 'listed-hidden', 'needs-access', 'concealable', 'hose', 'angle', 'straight', 'line:copper', 'valved:<end id>', every material the water touches, ... */
  tags: string[];
}

/** A nut, ferrule, insert, ring, washer or cap, with its price. */
export interface Loose {
  code: LooseCode;
  priceCents: number;
}

export const isLine = (part: Part): boolean => part.flexible || part.cutToLength;
