/** What an end tells of the piece it is on. */
import { type EndCode, parseEnd } from './code.ts';

/** Appliance hoses end in a swivel nut; a rigid taper female is a port. */
export function isHoseNut(code: EndCode): boolean {
  const end = parseEnd(code);
  return end.kind === 'thread' && end.gender === 'f' && end.family !== 'npt' && end.family !== 'm' && end.family !== 'aer';
}

/**
 * Is it an open tube or a pipe's thread: no valve stands before it, so that whatever it feeds wants a stop of its own?
 *
 * @source plumbing codes: a shutoff at each fixture's and appliance's supply
 */
export function isOpenPipe(code: EndCode): boolean {
  const end = parseEnd(code);
  return end.kind === 'tube' || (end.kind === 'thread' && end.family === 'npt');
}
