/** Amounts of money and shares as people type them. */

const LARGEST_CENTS = 2_147_483_647;

/**
 * Reads an amount of money, with or without the sign or the letters of its currency: '89', '$89', '89.50', '1,234.50', '12,5 EUR'.
 *
 * @returns whole cents, 0 or more; null when the text is not one amount
 */
export function readCents(text: string): number | null {
  const bare = text
    .trim()
    .replace(/^(?:[A-Z]{3}|\p{Sc})\s*/u, '')
    .replace(/\s*(?:[A-Z]{3}|\p{Sc})$/u, '');
  const found = /^(\d{1,3}(?:[,' ]\d{3})+|\d{1,8})(?:[.,](\d{1,2}))?$/.exec(bare);
  if (!found) return null;
  const cents = Number(found[1]!.replace(/[,' ]/g, '')) * 100 + Number((found[2] ?? '').padEnd(2, '0'));
  return cents <= LARGEST_CENTS ? cents : null;
}

/**
 * Reads a share in percent: '8.25', '7.5%', '7,5 %'.
 *
 * @returns percent, 0 to 100; null when the text is not one share
 */
export function readPercent(text: string): number | null {
  const found = /^(\d{1,3}(?:[.,]\d{1,4})?)\s*%?$/.exec(text.trim());
  const percent = found ? Number(found[1]!.replace(',', '.')) : Number.NaN;
  return percent >= 0 && percent <= 100 ? percent : null;
}
