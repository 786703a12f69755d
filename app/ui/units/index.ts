export { amountWords, type Coils, coilsOf, toBuyWords } from './amounts.ts';
export { FigureInput, ownUnit } from './FigureInput.tsx';
export { InUnits } from './InUnits.tsx';
export { inUnits, Reasons } from './Reasons.tsx';
export { ownHere, sayIn, unitsHere, useUnits } from './units.ts';
