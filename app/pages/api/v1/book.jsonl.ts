import type { APIRoute } from 'astro';
import { exportBook } from '../../../../store/book-file.ts';
import { database } from '../../../http/database.ts';

/** Every entry of the book, oldest first, a line each: as long as it is, a slice at a time. */
export const GET: APIRoute = ({ locals }) => {
  const encoder = new TextEncoder();
  const slices = exportBook(database(), locals.shop);
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { value, done } = await slices.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
    async cancel() {
      await slices.return(undefined);
    },
  });
  return new Response(body, {
    headers: {
      'content-type': 'application/jsonl; charset=utf-8',
      'content-disposition': 'attachment; filename="book.jsonl"',
      'cache-control': 'no-store',
    },
  });
};
