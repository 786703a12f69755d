import type { APIContext, APIRoute } from 'astro';
import type { ZodType } from 'zod';
import { answerOf } from './faults.ts';
import { readBody } from './guard.ts';
import { json } from './problem.ts';

/** A POST that reads JSON of a shape and answers JSON; whatever goes wrong comes back as problem details. */
export function post<T>(shape: ZodType<T>, answer: (body: T) => unknown | Promise<unknown>): APIRoute {
  return async ({ request }) => {
    try {
      return json(await answer(shape.parse(JSON.parse(await readBody(request)))));
    } catch (error) {
      return answerOf(error);
    }
  };
}

/** What a GET is asked: its address and what stands in its path. */
type Asked = Pick<APIContext, 'url' | 'params'>;

/** A GET that answers JSON likewise. */
export function get(answer: (asked: Asked) => unknown | Promise<unknown>): APIRoute {
  return async (asked) => {
    try {
      return json(await answer(asked));
    } catch (error) {
      return answerOf(error);
    }
  };
}

interface FileKind {
  type: string;
  name: string | ((asked: Asked) => string);
  /** Opened in the browser, not saved. */
  shown?: boolean;
}

/** RFC 4180, UTF-8. */
export const CSV = 'text/csv; charset=utf-8; header=present';

/** A GET that answers a file. */
export function file(
  { type, name, shown = false }: FileKind,
  answer: (asked: Asked) => string | Uint8Array | Promise<string | Uint8Array>,
): APIRoute {
  return async (asked) => {
    try {
      const content = (await answer(asked)) as BodyInit;
      const called = typeof name === 'string' ? name : name(asked);
      const disposition = `${shown ? 'inline' : 'attachment'}; filename="${called}"`;
      return new Response(content, { headers: { 'content-type': type, 'content-disposition': disposition, 'cache-control': 'no-store' } });
    } catch (error) {
      return answerOf(error);
    }
  };
}
