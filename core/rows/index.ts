export type { Appliance } from './appliance.ts';
export { LINE_KINDS, type LineKindId } from './line-kinds.ts';
export { type Seal, type SealId, type SealTurns, sealById, seals } from './seals.ts';
export { TASK_IDS, type TaskId } from './task-ids.ts';
