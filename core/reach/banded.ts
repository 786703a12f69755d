/**
 * A symmetric matrix whose entries lie near its diagonal, as a chain's do: each link knows its neighbours alone.
 *
 * Kept by rows: entry (i, i - k) at i * (band + 1) + k, for k = 0 .. band.
 */
export interface Banded {
  size: number;
  /** Diagonals below the main one. */
  band: number;
  of: Float64Array;
}

export const banded = (size: number, band: number): Banded => ({ size, band, of: new Float64Array(size * (band + 1)) });

/**
 * Splits it in place into L D L', L with ones on its diagonal.
 *
 * @returns how many of D are negative: as many as the matrix has negative eigenvalues (Sylvester); NaN where a pivot is nought
 */
export function split({ size, band, of }: Banded): number {
  const width = band + 1;
  let negative = 0;
  for (let i = 0; i < size; i++) {
    const row = i * width;
    const first = Math.max(0, i - band);
    for (let j = first; j < i; j++) {
      let sum = of[row + i - j]!;
      for (let k = Math.max(first, j - band); k < j; k++) sum -= of[row + i - k]! * of[j * width + j - k]!;
      of[row + i - j] = sum;
    }
    let pivot = of[row]!;
    for (let j = first; j < i; j++) {
      const scaled = of[row + i - j]! / of[j * width]!;
      pivot -= scaled * of[row + i - j]!;
      of[row + i - j] = scaled;
    }
    of[row] = pivot;
    if (pivot < 0) negative++;
    if (!(Math.abs(pivot) > 1e-14)) return Number.NaN;
  }
  return negative;
}

/** Solves for one right side, in place, with what `split` has left. */
export function solveSplit({ size, band, of }: Banded, x: Float64Array): void {
  const width = band + 1;
  for (let i = 0; i < size; i++) {
    let sum = x[i]!;
    for (let k = 1; k <= band && k <= i; k++) sum -= of[i * width + k]! * x[i - k]!;
    x[i] = sum;
  }
  for (let i = 0; i < size; i++) x[i] = x[i]! / of[i * width]!;
  for (let i = size - 1; i >= 0; i--) {
    const xi = x[i]!;
    for (let k = 1; k <= band && k <= i; k++) x[i - k] = x[i - k]! - of[i * width + k]! * xi;
  }
}
