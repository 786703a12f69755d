export { appendBook, filedBookEntry } from './append-book.ts';
export { recordBook } from './book-write.ts';
export type { Answer } from './one-way-in.ts';
export { saveRules } from './save-rules.ts';
export { insertDrains, insertJoints, record, sameContent } from './write.ts';
