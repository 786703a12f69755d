/** Why something was done by a press that asks for no words: kept by an id, worded when it is read. */

const BY_PRESS = {
  'at-once': 'taken back at once',
  'back-on-list': 'put back',
  bought: 'bought',
  'cannot-be-read': 'cannot be read',
  'counted-anew': 'counted anew',
  'counted-wrong': 'counted wrong before',
  'found-again': 'found again',
  'in-use-again': 'in use again',
  'known-again': 'As it was known again',
  lost: 'lost or given away',
  'leak-shut': 'Running leak: water shut off, then power.',
  'not-said': 'not said',
  'not-there': 'not there',
  'put-back': 'put back: it was right after all',
  settled: 'settled between two',
  'stands-after-all': 'it stands after all',
  'taken-back': 'taken back',
  'thrown-away': 'thrown away',
  'used-unnoted': 'used and not noted',
} as const;

const PRESS = 'press:';

/** The reason of a press as it is kept. */
export const pressReason = (id: keyof typeof BY_PRESS): string => PRESS + id;

/** Nobody typed it. */
export const isOfPress = (value: unknown): boolean => typeof value === 'string' && value.startsWith(PRESS);

/** A reason as it is told: what a person typed as it stands, that of a press in words. */
export function reasonWords(kept: string): string {
  if (!isOfPress(kept)) return kept;
  const id = kept.slice(PRESS.length);
  // A newer program's is told by its id.
  return id in BY_PRESS ? BY_PRESS[id as keyof typeof BY_PRESS] : id.replaceAll('-', ' ');
}
