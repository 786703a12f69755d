export { endsAnswer, identifyAnswer, matchAnswer, mateAnswer, partsAnswer, whyNotAnswer } from './answer-shapes.ts';
export { identifyShape, type MatchRequest, matchShape, mateShape, shopShape, whyNotShape } from './api-shapes.ts';
export {
  bookLine,
  findAnswer,
  importAnswer,
  pieceAnswer,
  premisesAnswer,
  premisesImportAnswer,
  premisesListAnswer,
  shopBegun,
  shopsAnswer,
  stockAnswer,
  visitsAnswer,
  waterImportAnswer,
} from './book-answers.ts';
export { callbacksAnswer, dueAnswer, ledgerAnswer, shopTaken } from './ledger-answers.ts';
export { bookShape, changesAnswer, entriesAnswer, entriesShape } from './record-shapes.ts';
