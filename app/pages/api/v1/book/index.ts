import { readSentBook } from '../../../../../record/index.ts';
import { now } from '../../../../../store/database/index.ts';
import { recordBook } from '../../../../../store/entries/index.ts';
import { database } from '../../../../http/database.ts';
import { takeBatch } from '../../../../http/door/index.ts';

/** Takes what was made and changed in the book. */
export const POST = takeBatch(readSentBook, (entries, shopId) => recordBook(database(), shopId, entries, now()));
