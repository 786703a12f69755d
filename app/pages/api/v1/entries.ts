import { readSent } from '../../../../record/index.ts';
import { now } from '../../../../store/database/index.ts';
import { record } from '../../../../store/entries/index.ts';
import { database } from '../../../http/database.ts';
import { takeBatch } from '../../../http/door/index.ts';

/** Takes what was recorded on runs. */
export const POST = takeBatch(readSent, (entries, shopId) => record(database(), shopId, entries, now()));
