export type { Appliance } from './appliance.ts';
export { DUTY_IDS, type DutyId } from './duty-ids.ts';
export { LINE_KINDS, type LineKindId } from './line-kinds.ts';
export { type Seal, type SealId, type SealTurns, sealById, seals } from './seals.ts';
