import { exportBook } from '../../../../store/files/book-file.ts';
import { database } from '../../../http/database.ts';
import { JSON_LINES, streamed } from '../../../http/door/streamed.ts';

/** Every entry of the book, oldest first, a line each. */
export const GET = streamed({ type: JSON_LINES, name: 'book.jsonl' }, ({ locals }) => exportBook(database(), locals.shop));
