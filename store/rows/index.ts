export {
  type BookRow,
  bookColumns,
  bookEntryOf,
  entriesOfSubjects,
  insertBookEntries,
  ofShop,
  type PlacedBookEntry,
  type PlacedBookRow,
  placedBookEntryOf,
} from './book-row.ts';
export { digestOf, shopKey } from './digest.ts';
export { type EntryRow, entriesById, entryAsWritten, entryColumns, entryOf, insertEntries, type PlacedEntry } from './entry-row.ts';
export { type Shown, shownOf } from './shown.ts';
