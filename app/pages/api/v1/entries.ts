import { readSent } from '../../../../record/index.ts';
import { now } from '../../../../store/database/index.ts';
import { ingestRunEntries } from '../../../../store/entries/index.ts';
import { database } from '../../../http/database.ts';
import { ingestBatch } from '../../../http/door/index.ts';

/** Takes what was recorded on runs. */
export const POST = ingestBatch(readSent, (entries, shopId) => ingestRunEntries(database(), shopId, entries, now()));
