/** Text that a database and a file can hold. What a device or a file says is walked through once, before its shape is read. */

/** NUL, or half of a surrogate pair standing alone. */
const UNSTORABLE = /\0|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;

const BARRED_KEYS = new Set(['__proto__', 'constructor', 'prototype']);
const MAX_DEPTH = 32;

/** Where a value cannot be kept, and why. */
export interface Unstorable {
  /** Path of the field: 'body.text', 'entries[3].body.items'; '' for the value itself. */
  at: string;
  why: string;
}

export const isStorable = (text: string): boolean => !UNSTORABLE.test(text);

/** The first place of a JSON value that cannot be kept as text; null when all of it can. */
export function unstorable(value: unknown, at = '', depth = 0): Unstorable | null {
  if (typeof value === 'string') return isStorable(value) ? null : { at, why: 'holds a character that cannot be kept (a NUL, or half of a pair)' };
  if (typeof value !== 'object' || value === null) return null;
  if (depth > MAX_DEPTH) return { at, why: 'is nested too deep' };
  if (Array.isArray(value)) {
    for (let i = 0; i < value.length; i++) {
      const found = unstorable(value[i], `${at}[${i}]`, depth + 1);
      if (found) return found;
    }
    return null;
  }
  for (const [key, held] of Object.entries(value)) {
    const path = at === '' ? key : `${at}.${key}`;
    if (BARRED_KEYS.has(key)) return { at: path, why: 'is a name that cannot be used' };
    if (!isStorable(key)) return { at: at || 'a name', why: 'holds a name with a character that cannot be kept' };
    const found = unstorable(held, path, depth + 1);
    if (found) return found;
  }
  return null;
}

/** A path of a shape's issue as people write it: 'entries[0].body.end'. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((at, step) => (typeof step === 'number' ? `${at}[${step}]` : at ? `${at}.${String(step)}` : String(step)), '');
}
