/** What a line found in place may be. */
export const LINE_KINDS = ['braided', 'rubber', 'copper', 'pe', 'pex', 'riser'] as const;
export type LineKindId = (typeof LINE_KINDS)[number];
