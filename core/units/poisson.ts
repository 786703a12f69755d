/**
 * 95 % interval of a Poisson mean from one count.
 *
 * @param count events counted, a whole number >= 0
 * @source exact (Garwood) interval, Biometrika 28 (1936)
 */
export function poissonMean(count: number): { low: number; high: number } {
  return {
    low: count === 0 ? 0 : solveMean((mean) => 1 - poissonAtMost(count - 1, mean), 0.025, count, true),
    high: solveMean((mean) => poissonAtMost(count, mean), 0.025, count, false),
  };
}

/** P(X <= n) of a Poisson mean, summed from the largest term's logarithm down. */
function poissonAtMost(n: number, mean: number): number {
  if (mean === 0) return 1;
  let logTerm = -mean;
  let sum = Math.exp(logTerm);
  for (let i = 1; i <= n; i++) {
    logTerm += Math.log(mean / i);
    sum += Math.exp(logTerm);
  }
  return Math.min(1, sum);
}

/** The mean at which a tail probability passes `target`, by bisection; the tail rises or falls with the mean. */
function solveMean(tail: (mean: number) => number, target: number, drops: number, rises: boolean): number {
  let low = 0;
  let high = drops + 10 * Math.sqrt(drops + 1) + 10;
  for (let i = 0; i < 100; i++) {
    const mid = (low + high) / 2;
    if (tail(mid) > target === rises) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}
