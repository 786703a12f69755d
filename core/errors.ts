/**
 * A value the trade cannot work with. Names the field, the value and what to do about it, so that a screen can show it as it stands.
 */
export class InputError extends Error {
  override readonly name: string = 'InputError';
  constructor(
    readonly field: string,
    readonly value: unknown,
    readonly remedy: string,
  ) {
    super(`${field}: ${show(value)} will not do. ${remedy}`);
  }
}

/** An end code that does not read; `at` counts characters from 0 and `expected` lists what would have been right there. */
export class EndCodeError extends InputError {
  override readonly name = 'EndCodeError';
  constructor(
    readonly code: string,
    readonly at: number,
    readonly expected: string[],
  ) {
    super('end code', code, `At character ${at + 1} it wants ${list(expected)}.`);
  }
}

function show(value: unknown): string {
  if (typeof value === 'string') return `"${value.length > 60 ? `${value.slice(0, 57)}...` : value}"`;
  return String(value);
}

function list(words: string[]): string {
  if (words.length === 0) return 'nothing more';
  const shown = words.slice(0, 12).map((w) => (w === '' ? 'the end of the code' : `"${w}"`));
  if (words.length > 12) shown.push(`one of ${words.length - 12} more`);
  return shown.length === 1 ? (shown[0] as string) : `${shown.slice(0, -1).join(', ')} or ${shown.at(-1)}`;
}

/** Checks a number that must be finite and within bounds; returns it. */
export function finite(field: string, value: number, bounds: { above?: number; atLeast?: number; atMost?: number } = {}): number {
  const { above, atLeast, atMost } = bounds;
  const low = above !== undefined ? value > above : atLeast === undefined || value >= atLeast;
  if (!Number.isFinite(value) || !low || (atMost !== undefined && value > atMost)) {
    const want = [
      above !== undefined ? `more than ${above}` : atLeast !== undefined ? `at least ${atLeast}` : '',
      atMost !== undefined ? `at most ${atMost}` : '',
    ].filter(Boolean);
    throw new InputError(field, value, `Give a number${want.length ? ` of ${want.join(' and ')}` : ''}.`);
  }
  return value;
}
