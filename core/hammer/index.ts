export { airChamber, CHAMBER_STATES, type ChamberState } from './air-chamber.ts';
export { ARRESTOR_SIZES, type ArrestorChoice, type ArrestorSize, arrestorSize } from './arrestor.ts';
export { type Effect, surgeEffects } from './effects.ts';
export { CLOSING_LAWS, type ClosingLaw, type Cushion, type SideLine, type Surge, type SurgePipe, type SurgeQuestion } from './shape.ts';
export { michaudPsi, SURGE_LIMIT_PSI, surge } from './surge.ts';
export { type Band, bandOf, PLASTIC_TIMES, type Range, type Spread, type SweptRun, sweptQuestion, sweptRun } from './sweep.ts';
export { networkOf } from './waves/network.ts';
export { RENEW_EVERY, swap } from './waves/pipe.ts';
