import { type EndCode, freeLengthIn, type Mating, parseEnd, tubeHold } from '../ends/index.ts';
import { type Reason, reason } from '../reason.ts';
import { length, said } from '../units/index.ts';
import type { Stub } from './query.ts';
import { chainReason } from './told/sayings.ts';

const SOURCE = 'trade practice: how joints seal: typical';

/**
 * Why a joint may not be made on a tube found in place; null when it may, or when the end is no plain tube.
 *
 * Chrome never goes into a push fitting; pits hold neither push, ferrule nor solder; and each joint takes its free length.
 */
export function stubRefuses(stub: Stub, tube: EndCode, mating: Mating): Reason | null {
  const end = parseEnd(tube);
  if (end.kind !== 'tube' || mating.seal === null) return null;
  const hold = tubeHold(mating.seal);
  if (stub.finish === 'chromed' && hold === 'push') {
    return reason('stub-chromed', 'The tube is chromed: chrome never goes into a push fitting.', { source: SOURCE });
  }
  if (stub.finish === 'pitted' && (hold === 'push' || hold === 'ferrule' || hold === 'solder')) {
    return reason('stub-pitted', 'The tube is pitted: cut it back to sound tube, no joint holds on it.', { source: SOURCE });
  }
  const need = freeLengthIn(mating.seal, end.size);
  if (need === null || stub.lengthIn === undefined || stub.lengthIn >= need) return null;
  return reason('stub-short', said`The joint needs ${length(need)} of free tube, ${length(stub.lengthIn)} stand out.`, {
    source: SOURCE,
    figures: { needIn: need, lengthIn: stub.lengthIn },
  });
}

/** What to do before the joint on a found tube is made. */
export function stubCautions(stub: Stub, tube: EndCode, mating: Mating): Reason[] {
  if (parseEnd(tube).kind !== 'tube' || mating.seal === null) return [];
  const hold = tubeHold(mating.seal);
  if (stub.finish === 'chromed' && (hold === 'ferrule' || hold === 'solder')) {
    return [chainReason('stub-chromed')];
  }
  if (stub.finish === 'pitted') return [chainReason('stub-pitted')];
  if (stub.finish !== 'unknown') return [];
  return [chainReason('stub-unknown')];
}
