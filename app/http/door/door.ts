/** What is looked at before a request goes anywhere, files of the program included. */
import { type Refused, refuseHost } from './guard.ts';

/** On every answer. */
export const HEADERS: Readonly<Record<string, string>> = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'cross-origin-opener-policy': 'same-origin',
  'permissions-policy': 'camera=(self), microphone=(self), geolocation=()',
};

const METHODS = ['GET', 'HEAD', 'POST'];
const MAX_ADDRESS = 8000;

/** @returns why a request is not let in; null when it is */
export function refusedAtDoor(request: { method: string; address: string; host: string }): Refused | null {
  const { method, address, host } = request;
  if (!METHODS.includes(method)) {
    return {
      status: 405,
      rule: 'no-such-method',
      title: 'Not so',
      detail: `There is no ${method.slice(0, 20)} here: GET, HEAD and POST are answered.`,
      at: 'the method',
    };
  }
  const foreign = refuseHost(host);
  if (foreign) return foreign;
  if (address.length > MAX_ADDRESS)
    return { status: 414, rule: 'address', title: 'Too long', detail: `The address is longer than ${MAX_ADDRESS} characters.`, at: 'the address' };
  return refuseAddress(address);
}

function refuseAddress(address: string): Refused | null {
  const refuse = (at: string, detail: string): Refused => ({ status: 400, rule: 'address', title: 'Not an address', detail, at });
  const path = address.split(/[?#]/)[0] as string;
  try {
    const read = decodeURIComponent(path);
    // The framework would read it once more, and stumble.
    if (read.includes('%')) return refuse('the path', 'The path is encoded twice, or holds a percent sign.');
    if (read.includes('\0')) return refuse('the path', 'The path holds a character that no address has (a NUL).');
  } catch {
    return refuse('the path', 'The path does not read: a % stands before something that is no character.');
  }
  // The framework's own service for pictures has nothing to serve here.
  if (path === '/_image' || path.startsWith('/_image/'))
    return { status: 404, rule: 'no-such-call', title: 'No such page', detail: 'There is nothing at this address.', at: 'the path' };
  const query = address.indexOf('?');
  for (const [name, value] of new URLSearchParams(query === -1 ? '' : address.slice(query))) {
    if (name.includes('\0') || value.includes('\0')) {
      return refuse(name.replace(/\0/g, '').slice(0, 60) || 'the query', 'It holds a character that cannot be looked for (a NUL).');
    }
  }
  return null;
}
