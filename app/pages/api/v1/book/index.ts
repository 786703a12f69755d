import { readSentBook } from '../../../../../record/book/shape.ts';
import { recordBook } from '../../../../../store/book-write.ts';
import { now } from '../../../../../store/clock.ts';
import { database } from '../../../../http/database.ts';
import { takeBatch } from '../../../../http/take-batch.ts';

/** Takes what was made and changed in the book. */
export const POST = takeBatch(readSentBook, (entries, shopId) => recordBook(database(), shopId, entries, now()));
