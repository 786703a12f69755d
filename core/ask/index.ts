export { AVOIDABLE, withMillimetres } from './demands.ts';
export { type QuestionRead, readQuestion } from './question.ts';
