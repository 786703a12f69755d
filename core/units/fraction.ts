/**
 * Fractions as the trade writes them: 3/8, 1 1/4, 1-1/4, and decimals.
 */

const FORMS = /^(?:(\d+)[ -])?(\d+)\/(\d+)$|^(\d+(?:\.\d+)?|\.\d+)$/;

/**
 * Reads a length as typed, in its own unit: "3/8", "1 1/4", "1-1/4", "0.375", ".5", each with an optional inch mark.
 *
 * @returns the number, or null when the text is not one length >= 0
 */
export function readFraction(text: string): number | null {
  const clean = text
    .trim()
    .replace(/\s*(?:"|in\.?|inch(?:es)?)$/i, '')
    .replace(/\s+/g, ' ');
  const found = FORMS.exec(clean);
  if (!found) return null;
  const [, whole, top, bottom, decimal] = found;
  if (decimal !== undefined) return Number(decimal);
  if (Number(bottom) === 0) return null;
  return Number(whole ?? 0) + Number(top) / Number(bottom);
}

/**
 * Writes a number as the trade would: the nearest 1/`denominator` when it is within `tolerance` of one, else a decimal.
 *
 * @param value       any finite number
 * @param denominator finest fraction; 64 by default
 */
export function writeFraction(value: number, denominator = 64, tolerance = 1e-6): string {
  const sign = value < 0 ? '-' : '';
  const size = Math.abs(value);
  const parts = Math.round(size * denominator);
  if (Math.abs(parts / denominator - size) > tolerance) return sign + String(Number(size.toFixed(4)));
  const whole = Math.floor(parts / denominator);
  const top = parts - whole * denominator;
  if (top === 0) return sign + String(whole);
  const common = gcd(top, denominator);
  return `${sign}${whole ? `${whole} ` : ''}${top / common}/${denominator / common}`;
}

/** Of whole numbers; past what a double counts exactly the fraction is left as it stands. */
function gcd(a: number, b: number): number {
  let [large, small] = Number.isSafeInteger(a) && Number.isSafeInteger(b) ? [a, b] : [1, 0];
  while (small !== 0) [large, small] = [small, large % small];
  return large;
}

/** Turns past hand-tight, exact as whole 24ths of a turn: 0.16667 of a turn is 4. */
export function turns24(turns: number): number {
  return Math.round(turns * 24);
}

/** Turns in 24ths in words a plumber says: 12 -> "1/2 turn", 30 -> "1 1/4 turns", 0 -> "by hand only". */
export function writeTurns(in24ths: number): string {
  if (in24ths === 0) return 'by hand only';
  return `${writeFraction(in24ths / 24, 24)} turn${in24ths > 24 ? 's' : ''}`;
}

const GLYPHS: Record<string, string> = { '½': '1/2', '¼': '1/4', '¾': '3/4', '⅛': '1/8', '⅜': '3/8', '⅝': '5/8', '⅞': '7/8' };

/** Fractions of one letter in figures: '½ copper' is '1/2 copper'. */
export const withoutGlyphs = (text: string): string => text.replace(/[½¼¾⅛⅜⅝⅞]/g, (g) => ` ${GLYPHS[g]} `);
