/** How long kinds of work take: starting guesses of the trade, until the shop's own record speaks. */
import type { WorkKindId } from '../../core/index.ts';
import { type Minutes, minutesFrom, type OwnRecord, oneAfterAnother } from '../minutes.ts';

export type { Minutes, OwnRecord } from '../minutes.ts';

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
  'leak-find': { usual: 45, slow: 100 },
};

/** A shop's own visits by kind of work: their minutes beyond what each visit takes once. */
export type OwnMinutes = Partial<Record<WorkKindId, OwnRecord>>;

/** Shorter than this a visit was no work, minutes. */
export const LEAST_MIN = 5;

/** Minutes of one kind of work, from the shop's own visits as far as there are any. */
export const minutesOfWork = (work: WorkKindId, own: OwnMinutes = {}): Minutes => minutesFrom(GUESSES[work], own[work]);

/** Minutes at a place that a visit of one kind of work took, as its record counts them. */
export const minutesOfOne = (minutes: number): number => Math.max(LEAST_MIN, minutes - ONCE.usual);

/** How many of the shop's own visits stand behind the minutes of some kinds of work: of the least known one. */
export const ownVisits = (works: readonly WorkKindId[], own: OwnMinutes = {}): number =>
  works.length === 0 ? 0 : Math.min(...works.map((work) => own[work]?.n ?? 0));

/**
 * Minutes of a visit by its kinds of work.
 *
 * @param own what the shop's own record says; left out, the trade's first guesses
 * @returns whole minutes, rounded up to five
 */
export function workMinutes(works: readonly WorkKindId[], own: OwnMinutes = {}): Minutes {
  const { usual, slow } = oneAfterAnother([ONCE, ...works.map((work) => minutesOfWork(work, own))]);
  const toFive = (minutes: number) => Math.ceil(minutes / 5 - 1e-9) * 5;
  return { usual: toFive(usual), slow: toFive(slow) };
}
