/** One service for keys: every key has one owner at a time, none works while text is typed, and letters can be switched off. */

export interface Shortcut {
  /** As the event names them; 'Alt+1' for a digit with Alt. */
  keys: readonly string[];
  run: () => void;
}

const OFF_KEY = 'brass-nut-letters-off';
/** How long after `g` its second key may come, ms. */
const SECOND_KEY_MS = 1500;

/** Owners of keys: the last that asked has it, and gives it back when it goes. */
const owners = new Map<string, Shortcut[]>();
/** Second keys after `g`. */
const doors = new Map<string, () => void>();
let wentAt = Number.NEGATIVE_INFINITY;

const TEXT_TYPES = /^(?:radio|checkbox|button|submit|reset|file|range|color)$/;

/** Whether a key pressed here belongs to a text. */
export function isTyping(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target instanceof HTMLInputElement) return !TEXT_TYPES.test(target.type);
  return target.isContentEditable || /^(?:TEXTAREA|SELECT)$/.test(target.tagName);
}

/** Takes keys; the function gives them back. */
export function ownKeys(shortcuts: readonly Shortcut[]): () => void {
  for (const shortcut of shortcuts) for (const key of shortcut.keys) owners.set(key, [...(owners.get(key) ?? []), shortcut]);
  return () => {
    for (const shortcut of shortcuts) {
      for (const key of shortcut.keys) {
        const left = (owners.get(key) ?? []).filter((s) => s !== shortcut);
        if (left.length > 0) owners.set(key, left);
        else owners.delete(key);
      }
    }
  };
}

/** A key after `g`. */
export const ownDoor = (key: string, run: () => void): void => void doors.set(key, run);

/** Whether keys of a single letter or sign work; remembered on this device. */
export function lettersWork(): boolean {
  try {
    return localStorage.getItem(OFF_KEY) === null;
  } catch {
    return true;
  }
}

export function switchLetters(work: boolean): void {
  try {
    if (work) localStorage.removeItem(OFF_KEY);
    else localStorage.setItem(OFF_KEY, '1');
  } catch {
    // A browser that keeps nothing has them on.
  }
}

function onKey(event: KeyboardEvent): void {
  if (event.ctrlKey || event.metaKey || event.defaultPrevented) return;
  const digit = /^Digit(\d)$/.exec(event.code)?.[1];
  const name = event.altKey ? (digit ? `Alt+${digit}` : null) : event.key;
  if (name === null) return;
  if (!event.altKey) {
    if (isTyping(event.target) || !lettersWork() || document.querySelector('dialog[open]')) return;
    // The second key after `g` is the door's, whoever else owns it.
    if (event.timeStamp - wentAt < SECOND_KEY_MS) {
      wentAt = Number.NEGATIVE_INFINITY;
      const door = doors.get(name);
      if (door) {
        event.preventDefault();
        door();
        return;
      }
    }
    if (name === 'g') {
      wentAt = event.timeStamp;
      return;
    }
  }
  const owner = owners.get(name)?.at(-1);
  if (!owner) return;
  event.preventDefault();
  owner.run();
}

if (typeof document !== 'undefined') document.addEventListener('keydown', onKey);
