import type { APIRoute } from 'astro';
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

/** A GET that answers JSON likewise. */
export function get(answer: (url: URL) => unknown | Promise<unknown>): APIRoute {
  return async ({ url }) => {
    try {
      return json(await answer(url));
    } catch (error) {
      return answerOf(error);
    }
  };
}

/** A GET that answers a CSV file (RFC 4180, UTF-8). */
export function csvFile(name: string, answer: (url: URL) => Promise<string>): APIRoute {
  return async ({ url }) => {
    try {
      return new Response(await answer(url), {
        headers: {
          'content-type': 'text/csv; charset=utf-8; header=present',
          'content-disposition': `attachment; filename="${name}"`,
          'cache-control': 'no-store',
        },
      });
    } catch (error) {
      return answerOf(error);
    }
  };
}
