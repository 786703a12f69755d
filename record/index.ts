/** The public face of the record: what pages, the server, the browser's own store and other programs may import. */
export { clockOffMs, type EntryBase, happenedAt, standing, targetOf } from './entry.ts';
export type { Refusal } from './kind.ts';
export { type Bodies, broughtUp, type Entry, type EntryKind, type EntryOf, followsId, jointsBrought, kindOf, kinds } from './kinds.ts';
export { type FreeOutlet, outletsFor, sameOutlet } from './run/free-outlets.ts';
export { historyOf, lastOf } from './run/history.ts';
export { type AcceptedChain, type DrawnPart, itemsOf, partsAsAccepted } from './run/kinds/chain-accepted.ts';
export type { OutletRef } from './run/kinds/end-seen.ts';
export { STOP_CONDITIONS } from './run/kinds/stop-tried.ts';
export type { Words } from './run/now.ts';
export { minutesWatched, type Proof } from './run/proof.ts';
export { STAGE_NAMES, STAGES, type Stage } from './run/stages.ts';
export * from './run/state.ts';
export { type Telling, tell, wordsFor } from './words.ts';
