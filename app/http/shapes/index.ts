export { identifyShape, letOutShape, type MatchRequest, matchShape, mateShape, rulesShape, shopShape, whyNotShape } from './api-shapes.ts';
export { CALLS, type Call } from './calls.ts';
export { bookShape, changesAnswer, entriesAnswer, entriesShape } from './record-shapes.ts';
