/** Joints of the drain that a card makes, as things that are looked at: each has an identity that every device and the server give it alike. */

import type { Appliance } from '../../../core/index.ts';
import { DRAINS_APART, type DrainJoint, type WorkStep } from '../../../core/index.ts';

export interface DrainPoint {
  id: string;
  drain: DrainJoint;
  /** Id of the step that makes it. */
  madeBy: string;
}

const lastByte = (id: string): number => Number.parseInt(id.slice(-2), 16);

/** The run's own id, its last byte turned by the joint's number: 'D2' by 0x20. A stem has the last bit. */
export function drainIdOf(runId: string, on: string): string {
  const turned = lastByte(runId) ^ (Number(on.slice(1)) << 4);
  return runId.slice(0, -2) + turned.toString(16).padStart(2, '0');
}

/** 'D2' of the id of a run's drain joint; null where it is none. */
export function drainOfId(runId: string, id: string): string | null {
  if (id.slice(0, -2) !== runId.slice(0, -2)) return null;
  const turned = lastByte(id) ^ lastByte(runId);
  return turned >= 0x10 && turned <= 0x90 && turned % 0x10 === 0 ? `D${turned >> 4}` : null;
}

/**
 * What of a card's drain is looked at. An appliance with two runs has one drain: it is looked at with the cold one.
 *
 * @param cardVersion of the card
 */
export function drainPointsOf(
  run: { runId: string; water: 'cold' | 'hot'; appliance: Pick<Appliance, 'water'> },
  card: readonly WorkStep[],
  cardVersion: number,
): DrainPoint[] {
  if (cardVersion < DRAINS_APART || (run.water === 'hot' && run.appliance.water.includes('cold'))) return [];
  const makers = card.filter((step) => step.stage === 'make');
  return makers.flatMap((step) => (step.drains ?? []).map((drain) => ({ id: drainIdOf(run.runId, drain.on), drain, madeBy: step.id })));
}
