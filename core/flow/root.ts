/**
 * The x in a bracket where a falling function is nought, to nearly the last digits.
 *
 * @param f      continuous, >= 0 at `low`, <= 0 at `high`
 * @source M. Dowell and P. Jarratt, BIT 11 (1971) 168: regula falsi with the Illinois weight
 */
export function decreasingRoot(f: (x: number) => number, low: number, high: number): number {
  let [a, b] = [low, high];
  let [fa, fb] = [f(a), f(b)];
  if (fa <= 0) return a;
  if (fb >= 0) return b;
  let side = 0;
  for (let i = 0; i < 200 && b - a > 1e-13 * Math.max(Math.abs(a), Math.abs(b)); i++) {
    // A secant that does not move the far side is weighted down; every eighth step halves, so that no shape of f is slow.
    let x = i % 8 === 7 ? (a + b) / 2 : (a * fb - b * fa) / (fb - fa);
    if (!(x > a && x < b)) x = (a + b) / 2;
    const fx = f(x);
    if (fx === 0) return x;
    if (fx > 0) {
      [a, fa] = [x, fx];
      if (side === 1) fb /= 2;
      side = 1;
    } else {
      [b, fb] = [x, fx];
      if (side === -1) fa /= 2;
      side = -1;
    }
  }
  return (a + b) / 2;
}
