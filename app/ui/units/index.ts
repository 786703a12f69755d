export { amountWords, type Coils, coilsOf, toBuyWords } from './amounts.ts';
export { FigureInput } from './FigureInput.tsx';
export { InUnits } from './InUnits.tsx';
export { ownUnit } from './own-unit.ts';
export { inUnits, Reasons } from './Reasons.tsx';
export { ownHere, sayIn, unitsHere, useUnits } from './units.ts';
