/** What an end tells of the piece it is on. */
import { type EndCode, parseEnd } from './code.ts';

/** Appliance hoses end in a swivel nut; a rigid taper female is a port. */
export function isHoseNut(code: EndCode): boolean {
  const end = parseEnd(code);
  return end.kind === 'thread' && end.gender === 'f' && !['npt', 'm', 'aer'].includes(end.family) && tubeUnder(code) === null;
}

/**
 * Is it an open tube or a pipe's thread: no valve stands before it, so that whatever it feeds wants a stop of its own?
 *
 * @source plumbing codes: a shutoff at each fixture's and appliance's supply
 */
export function isOpenPipe(code: EndCode): boolean {
  const end = parseEnd(code);
  return end.kind === 'tube' || (end.kind === 'thread' && end.family === 'npt') || tubeUnder(code) !== null;
}

/** Sizes of pipe: no connector brings a compression nut of these with its own rubber, so a found one sits on a tube with its old ferrule. */
const OF_PIPE = ['5/8', '7/8'];

/** The tube under a found compression nut and its old ferrule; null where the nut is a connector's. */
export function tubeUnder(code: EndCode): EndCode | null {
  const end = parseEnd(code);
  return end.kind === 'thread' && code === `comp-${end.size}-f` && OF_PIPE.includes(end.size) ? `cu-${end.size}od` : null;
}
