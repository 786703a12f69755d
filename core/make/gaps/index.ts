/** Holds any list of steps to the order rules, independently of how it was composed. */
import type { Reason } from '../../reason.ts';
import type { RunFacts } from '../run-facts.ts';
import type { WorkStep } from '../work-card.ts';
import { drainsInTurn } from './drains.ts';
import { gatesHold, ofItsKind } from './gates.ts';
import { eachMadeOnce, heatFirst } from './joints.ts';
import { bondedFirst, powerOff } from './power.ts';
import { cardOf, gapsOf, type OrderRule } from './rule.ts';
import { asItIsMade, readAtArmsLength } from './said.ts';
import { fixedBeforeJoined, iceOff, reachableOrder } from './set-first.ts';
import { badStopLeftAlone, bothSidesDead } from './sides.ts';
import { backInStages, deadBeforeOpen, flushedFirst, triedAndRinsed } from './water.ts';

export const ORDER_RULES: readonly OrderRule[] = [
  deadBeforeOpen,
  powerOff,
  bondedFirst,
  eachMadeOnce,
  heatFirst,
  flushedFirst,
  backInStages,
  drainsInTurn,
  triedAndRinsed,
  gatesHold,
  bothSidesDead,
  badStopLeftAlone,
  fixedBeforeJoined,
  reachableOrder,
  iceOff,
  asItIsMade,
  readAtArmsLength,
  ofItsKind,
];

/**
 * What breaks the order rules in a list of steps; [] when all hold.
 *
 * @param steps a card in the order of work, composed here or anywhere
 * @param run   what it is for
 */
export function makeGaps(steps: readonly WorkStep[], run: RunFacts): Reason[] {
  const card = cardOf(steps, run);
  return ORDER_RULES.flatMap((rule) => gapsOf(rule, card));
}
