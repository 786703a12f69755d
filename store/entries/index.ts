export { appendBook, filedBookEntry } from './append-book.ts';
export { ingestBookEntries } from './book-entries.ts';
export type { Answer } from './ingest.ts';
export { ingestRunEntries, insertDrains, insertJoints, sameContent } from './run-entries.ts';
export { saveRules } from './save-rules.ts';
