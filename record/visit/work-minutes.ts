/** How long kinds of work take: starting guesses of the trade, until the shop's own record speaks. */
import type { WorkKindId } from '../../core/make/work-kinds.ts';

/** Minutes at the place, and where it goes slowly (one time in ten). */
interface Minutes {
  usual: number;
  slow: number;
}

/** Beside the work itself, once a visit: in and out, floor covered, water off and on, the looks at the end. */
const ONCE: Minutes = { usual: 20, slow: 35 };

/** Source: starting guesses, one plumber, stop and pipe in order; a shop's own record takes their place. */
const GUESSES: Record<WorkKindId, Minutes> = {
  'toilet-line': { usual: 20, slow: 45 },
  'toilet-riser': { usual: 30, slow: 60 },
  'toilet-replace': { usual: 90, slow: 180 },
  'toilet-remove': { usual: 35, slow: 70 },
  'toilet-tank': { usual: 60, slow: 110 },
  'bidet-seat': { usual: 40, slow: 75 },
  'basin-faucet': { usual: 60, slow: 120 },
  'basin-drop-in': { usual: 120, slow: 210 },
  'kitchen-faucet-lines': { usual: 35, slow: 75 },
  'dishwasher-new': { usual: 100, slow: 180 },
  'dishwasher-inlet': { usual: 35, slow: 70 },
  'dishwasher-swap': { usual: 90, slow: 165 },
  'dishwasher-drain': { usual: 40, slow: 75 },
  'refrigerator-wall-box': { usual: 30, slow: 60 },
  'refrigerator-stop': { usual: 40, slow: 80 },
  'refrigerator-from-below': { usual: 75, slow: 150 },
  'refrigerator-ro': { usual: 45, slow: 90 },
  'refrigerator-idle-line': { usual: 50, slow: 100 },
  'refrigerator-plastic': { usual: 60, slow: 120 },
  'ice-maker': { usual: 45, slow: 90 },
  'glass-rinser': { usual: 40, slow: 75 },
  brewer: { usual: 50, slow: 100 },
  'ro-dispenser': { usual: 45, slow: 90 },
  'washer-arrestors': { usual: 30, slow: 60 },
  hydrant: { usual: 120, slow: 240 },
  'tub-rough': { usual: 150, slow: 300 },
  'tub-finish': { usual: 150, slow: 270 },
  'stop-replace': { usual: 40, slow: 90 },
  'saddle-remove': { usual: 60, slow: 120 },
};

/**
 * Minutes of a visit by its kinds of work.
 *
 * Slow ones do not all fall on one visit: what each takes over its usual time is added as the root of its squares.
 *
 * @returns whole minutes, rounded up to five
 */
export function workMinutes(works: readonly WorkKindId[]): Minutes {
  const parts = [ONCE, ...works.map((work) => GUESSES[work])];
  const usual = parts.reduce((sum, p) => sum + p.usual, 0);
  const over = Math.sqrt(parts.reduce((sum, p) => sum + (p.slow - p.usual) ** 2, 0));
  const toFive = (minutes: number) => Math.ceil(minutes / 5) * 5;
  return { usual: toFive(usual), slow: toFive(usual + over) };
}
