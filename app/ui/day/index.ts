export { DayRule } from './DayRule.tsx';
export { type DayBlock, useDayBlocks } from './day-blocks.ts';
export { useHeldVisits } from './use-day.ts';
export { useOpenRuns } from './use-open-runs.ts';
