/** How long things take: a first guess, until what the shop itself took speaks. */

/** The usual minutes, and where it goes slowly (one time in ten). */
export interface Minutes {
  usual: number;
  slow: number;
}

/** What a shop took: how often, and the sums of the logarithms of its minutes and of their squares. */
export interface OwnRecord {
  n: number;
  sumLn: number;
  sumLn2: number;
}

/** A first guess counts as much as so many of the shop's own. */
const GUESS_COUNTS = 4;
/** One time in ten lies further above the middle than so many standard deviations of a normal distribution. */
const ONE_IN_TEN = 1.2816;

/**
 * Minutes from a guess and the shop's own record.
 *
 * Minutes are taken as log-normal: the guess says the middle and the spread as if it were some times itself, the shop's own are added to them, so that the
 * first counts a little and the fiftieth leaves nothing of the guess.
 */
export function minutesFrom(guess: Minutes, record?: OwnRecord): Minutes {
  if (!record || record.n === 0) return guess;
  const [middle, spread] = [Math.log(guess.usual), Math.log(guess.slow / guess.usual) / ONE_IN_TEN];
  const n = GUESS_COUNTS + record.n;
  const mean = (GUESS_COUNTS * middle + record.sumLn) / n;
  const squares = GUESS_COUNTS * (spread ** 2 + (middle - mean) ** 2) + record.sumLn2 - 2 * mean * record.sumLn + record.n * mean ** 2;
  return { usual: Math.exp(mean), slow: Math.exp(mean + ONE_IN_TEN * Math.sqrt(Math.max(0, squares / n))) };
}

/** One after another. Slow ones do not all fall together: what each takes over its usual time is added as the root of its squares. */
export function oneAfterAnother(parts: readonly Minutes[]): Minutes {
  const usual = parts.reduce((sum, p) => sum + p.usual, 0);
  const over = Math.sqrt(parts.reduce((sum, p) => sum + (p.slow - p.usual) ** 2, 0));
  return { usual, slow: usual + over };
}

/** The record of some minutes. Six places: the same wherever it is added up. */
export function recordOfMinutes(minutes: readonly number[]): OwnRecord {
  const logs = minutes.map(Math.log);
  const sum = (of: (x: number) => number) => Number(logs.reduce((all, x) => all + of(x), 0).toFixed(6));
  return { n: logs.length, sumLn: sum((x) => x), sumLn2: sum((x) => x * x) };
}
