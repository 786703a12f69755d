import { type EndCode, parseEnd } from '../code.ts';
import { endProfile } from './profile.ts';

const known = new Map<EndCode, number>();

/** Bore of an end, in (typical: as it is drawn). */
export function boreIn(code: EndCode): number {
  const found = known.get(code) ?? 2 * endProfile(parseEnd(code)).boreRadiusIn;
  known.set(code, found);
  return found;
}
