/** A tube that was found with its old nut and ferrule still on it. */
import { type EndCode, type Mating, tubeUnder } from '../../ends/index.ts';
import type { HouseRules } from '../../house/index.ts';
import { chainReason } from '../told/sayings.ts';

/** A ferrule that was made before goes this far past where it first resists. */
export const AGAIN_TURNS = 0.25;

/** A joint with a found end: where that is a tube with its old nut and ferrule, they seal again at their old place, and nothing new goes on. */
export function withFound(found: EndCode, other: EndCode, mating: (a: EndCode, b: EndCode) => Mating, rules: HouseRules): Mating {
  const tube = tubeUnder(found);
  const asCodes = mating(found, other);
  if (tube === null || asCodes.seal !== 'washer') return asCodes;
  const fresh = mating(tube, other);
  const turns = fresh.turns && { ...fresh.turns, from: AGAIN_TURNS, default: AGAIN_TURNS };
  return { ...fresh, turns, loose: [], because: [chainReason(rules.reuse === 'when sound' ? 'old-ferrule' : 'old-ferrule-never')] };
}
