/** What a valve lets out of a line in a moment. */

/** q = fixed + perRoot sqrt(p). */
export interface ValveNow {
  fixed: number;
  perRoot: number;
}

export const SHUT: ValveNow = { fixed: 0, perRoot: 0 };

/** Pa at which what comes is what the valve passes: `c - y p = fixed + perRoot sqrt(p)`. */
export function withoutGas(c: number, y: number, { fixed, perRoot }: ValveNow): number {
  const rest = c - fixed;
  if (perRoot === 0 || rest <= 0) return rest / y;
  const root = (2 * rest) / (perRoot + Math.sqrt(perRoot * perRoot + 4 * y * rest));
  return root * root;
}

export const passes = ({ fixed, perRoot }: ValveNow, pa: number): number => fixed + (pa > 0 && perRoot > 0 ? perRoot * Math.sqrt(pa) : 0);
