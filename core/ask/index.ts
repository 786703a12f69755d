export { AVOIDABLE, withMillimetres } from './demands.ts';
export { type FitAsked, fitAsked } from './fits.ts';
export { inTradeWords, MOST_OWN_LETTERS, type OwnWords } from './own-words.ts';
export { readQuestion } from './question.ts';
export type { Answered, Asked, Given, QuestionRead } from './question-read.ts';
export type { SpanKind, WordSpan } from './spans.ts';
export { asTold, findParts, readPart, type ToldPart } from './told.ts';
export type { UsualSource } from './usual-source.ts';
