import type { APIContext, APIRoute } from 'astro';
import * as z from 'zod/mini';
import { InputError } from '../../../core/index.ts';
import { unstorable } from '../../../record/index.ts';
import { answerOf } from './faults.ts';
import { readJson } from './guard.ts';
import { json } from './problem.ts';

/** A route that tells the shape it reads, so that its description can be held to it. */
export type Reading = APIRoute & { takes: z.core.$ZodType };

/** A POST that reads JSON of a shape and answers JSON; whatever goes wrong comes back as problem details. */
export function post<T>(shape: z.core.$ZodType<T>, answer: (body: T, asked: Asked) => unknown | Promise<unknown>): Reading {
  const route: APIRoute = async (asked) => {
    try {
      return json(await answer(readAs(shape, await readJson(asked.request)), asked));
    } catch (error) {
      return answerOf(error);
    }
  };
  return Object.assign(route, { takes: shape });
}

/** @throws ZodError, InputError naming the field */
function readAs<T>(shape: z.core.$ZodType<T>, body: unknown): T {
  const bad = unstorable(body);
  if (bad) throw new InputError(bad.at || 'the request', '', `It ${bad.why}.`);
  return z.parse(shape, body);
}

/** What is asked: the address, what stands in its path, and the shop that is meant. */
export type Asked = Pick<APIContext, 'url' | 'params' | 'locals' | 'cookies'>;

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
