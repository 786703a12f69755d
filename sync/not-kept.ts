/** Why a device could not keep something, in words for a person. */

/** The browser has no store, will not open it, or has no room. */
export class NotKeptError extends Error {
  override readonly name = 'NotKeptError';
}

export function notKept(error: unknown): NotKeptError {
  const { name } = error as { name?: string };
  const why =
    name === 'QuotaExceededError'
      ? 'This device has no room left: make some, then enter it again.'
      : name === 'VersionError'
        ? 'A newer Brass Nut runs in another tab: load this page again, then enter it again.'
        : 'This browser lets nothing be kept (a private window, or storage is switched off). Open Brass Nut in another, then enter it again.';
  return new NotKeptError(why, { cause: error });
}
