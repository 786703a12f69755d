import { readSentBook } from '../../../../../record/index.ts';
import { now } from '../../../../../store/database/index.ts';
import { ingestBookEntries } from '../../../../../store/entries/index.ts';
import { database } from '../../../../http/database.ts';
import { ingestBatch } from '../../../../http/door/index.ts';

/** Takes what was made and changed in the book. */
export const POST = ingestBatch(readSentBook, (entries, shopId) => ingestBookEntries(database(), shopId, entries, now()));
