import * as z from 'zod/v4/core';

/**
 * What an address asks, by its shape; a field that is left empty asks nothing.
 *
 * @throws ZodError with the field that does not read
 */
export function askedOf<T>(shape: z.$ZodType<T>, url: URL): T {
  return z.parse(shape, Object.fromEntries([...url.searchParams].filter(([, value]) => value !== '')));
}
