import { z as shapes } from 'zod';
import * as z from 'zod/v4/core';

/** How many rows of a list are passed over. */
export const offsetAsked = shapes.coerce
  .number('is not a number')
  .int('is not a whole number')
  .min(0, 'is less than 0')
  .max(1_000_000, 'is more than 1,000,000')
  .optional();

/**
 * What an address asks, by its shape; a field that is left empty asks nothing.
 *
 * @throws ZodError with the field that does not read
 */
export function askedOf<T>(shape: z.$ZodType<T>, url: URL): T {
  return z.parse(shape, Object.fromEntries([...url.searchParams].filter(([, value]) => value !== '')));
}
