/** What sections of ends are drawn of. */

/** x along the axis (opening at 0, body at x < 0), y the radius; inches. */
export type Point = [x: number, y: number];

export type SectionMaterial = 'brass' | 'plastic' | 'rubber' | 'braid' | 'copper' | 'tube' | 'steel';

export interface Piece {
  points: Point[];
  material: SectionMaterial;
}

/** The upper half of an end's section, in its own coordinates. */
export interface EndProfile {
  /** Outline of the body from the opening to where it goes on into the part. */
  outer: Point[];
  inner: Point[];
  /** From the opening to the end of the outline. */
  lengthIn: number;
  boreRadiusIn: number;
  bodyRadiusIn: number;
  /** How far a mating end comes in past the opening; of a male, how far it goes into its mate. */
  depthIn: number;
  material: SectionMaterial;
  /** A swivel nut and its washer, which are not of one piece with the body. */
  extra: Piece[];
}
