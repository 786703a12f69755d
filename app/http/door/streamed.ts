import type { APIRoute } from 'astro';
import { drained, responseHere } from './draining.ts';
import type { Asked } from './endpoint.ts';

/** A GET that answers a file as long as it is, a slice at a time. */
export function streamed({ type, name }: { type: string; name: string }, slicesOf: (asked: Asked) => AsyncGenerator<string>): APIRoute {
  return (asked) => {
    const encoder = new TextEncoder();
    const slices = slicesOf(asked);
    const response = responseHere();
    const body = new ReadableStream<Uint8Array>({
      async pull(controller) {
        await drained(response);
        const { value, done } = await slices.next();
        if (done) controller.close();
        else controller.enqueue(encoder.encode(value));
      },
      async cancel() {
        await slices.return(undefined);
      },
    });
    return new Response(body, {
      headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"`, 'cache-control': 'no-store' },
    });
  };
}

export const JSON_LINES = 'application/jsonl; charset=utf-8';
