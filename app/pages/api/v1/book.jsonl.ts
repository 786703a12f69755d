import { exportBook } from '../../../../store/files/index.ts';
import { database } from '../../../http/database.ts';
import { JSON_LINES, streamed } from '../../../http/door/index.ts';

/** Every entry of the book, oldest first, a line each. */
export const GET = streamed({ type: JSON_LINES, name: 'book.jsonl' }, ({ locals }) => exportBook(database(), locals.shop));
