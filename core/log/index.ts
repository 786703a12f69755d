export type { AgeGroup, JointGroup } from './callback-analysis.ts';
export { callbackRate } from './callback-rate.ts';
export { lastBegun, monthsAfter } from './due-day.ts';
export { type DutyFacts, type DutyRow, dutiesOf, dutyMonths } from './duties.ts';
export { type AtAge, callbacksOverTime } from './over-time.ts';
export { ratesOf, type SealCount, weighedSeal } from './shop-rates.ts';
export { GUESS_JOINTS, type WeighedRate, weighedRate } from './weighed-rate.ts';
