import type { End } from '../code.ts';
import { nutProfile } from './nut-profile.ts';
import type { EndProfile } from './piece.ts';
import { socketProfile, tubeProfile } from './socket-profile.ts';
import { maleProfile, portProfile } from './thread-profile.ts';

/**
 * The section of an end, drawn from its thread, tube or socket geometry at 1:1.
 *
 * @param insertRadiusIn bore of the insert behind a swivel nut where it is smaller than the thread would allow, as on a hose
 */
export function endProfile(end: End, insertRadiusIn?: number): EndProfile {
  if (end.kind === 'tube') return tubeProfile(end);
  if (end.kind === 'socket') return socketProfile(end);
  if (end.gender === 'm') return maleProfile(end);
  return end.family === 'npt' ? portProfile(end) : nutProfile(end, insertRadiusIn);
}
