/** How a joint is looked at, and the largest drop that escapes it, millilitres. What is heard is water filling, before there is pressure: no leak is bounded by ear. */
export const METHODS = {
  eye: { name: 'by eye', dropMl: 0.1 },
  mirror: { name: 'mirror and torch', dropMl: 0.1 },
  ear: { name: 'by ear', dropMl: 0.1 },
  tissue: { name: 'dry tissue', dropMl: 0.01 },
} as const;

export type Method = keyof typeof METHODS;

/** The house's first-drop delay and the least bound it quotes (evaporation and wicking hide less). Guides, typical. */
export const FIRST_DROP_DELAY_MIN = 2;
export const FLOOR_ML_PER_DAY = 0.3;

/** The rounds of proving, in order. */
export const ROUNDS = [
  { id: 'before', name: 'Before water', what: 'Dry-wipe every joint, dry tissue below, outlets closed.', pressure: false },
  { id: 'crack', name: 'Crack open', what: 'An eighth open; listen and wait for the filling to stop.', pressure: false },
  { id: 'standing', name: 'Standing', what: 'Fully open, static pressure.', pressure: true },
  { id: 'working', name: 'Working', what: "The appliance's own cycles.", pressure: true },
  { id: 'put-back', name: 'Put back', what: 'After the appliance is pushed home.', pressure: true },
  { id: 'next-day', name: 'Next day', what: 'About 24 hours later.', pressure: true },
] as const;

export type Round = (typeof ROUNDS)[number]['id'];
export type Finding = 'dry' | 'damp' | 'drip' | 'running' | 'normal';
