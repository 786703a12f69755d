import { createHash } from 'node:crypto';

/** An id that follows from what it is of, so that the same data carried over twice has the same entries. */
export function carriedId(what: string): string {
  const h = createHash('md5').update(what).digest('hex');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-7${h.slice(13, 16)}-8${h.slice(17, 20)}-${h.slice(20, 32)}`;
}
