export type { AgeGroup, JointGroup } from './callback-analysis.ts';
export { callbackRate } from './callback-rate.ts';
export { lastBegun, monthsAfter } from './due-day.ts';
export { type AtAge, callbacksOverTime } from './over-time.ts';
export { ratesOf, type SealCount, weighedSeal } from './shop-rates.ts';
export { type TaskFacts, type TaskRow, taskMonths, tasksOf } from './tasks.ts';
export { GUESS_JOINTS, type WeighedRate, weighedRate } from './weighed-rate.ts';
