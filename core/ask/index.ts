export type { Answered, Asked } from './asked.ts';
export { AVOIDABLE, withMillimetres } from './demands.ts';
export { type FitAsked, fitAsked } from './fits.ts';
export { MOST_OWN_LETTERS, type OwnWords } from './own-words.ts';
export { type Given, type QuestionRead, readQuestion } from './question.ts';
export type { SpanKind, WordSpan } from './spans.ts';
