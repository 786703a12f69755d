import * as z from 'zod/mini';

const shape = z.object({
  after: z.pipe(
    z.nullable(z.string().check(z.regex(/^\d{1,15}$/, 'wants a position'))),
    z.transform((t) => Number(t ?? 0)),
  ),
});

/** The position that a reader has come to. */
export const afterAsked = (url: URL): number => z.parse(shape, { after: url.searchParams.get('after') }).after;
