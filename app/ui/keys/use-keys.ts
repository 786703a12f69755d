import { useEffect, useRef } from 'react';
import { ownKeys } from './keyboard.ts';

/** Keys of a part of a screen while it stands there: the action of each by its key; one left out, or null, belongs to nobody here. */
export function useKeys(actions: Record<string, (() => void) | null>): void {
  const current = useRef(actions);
  current.current = actions;
  const keys = Object.keys(actions)
    .filter((key) => actions[key] !== null)
    .join(' ');
  useEffect(() => {
    if (keys === '') return;
    return ownKeys(keys.split(' ').map((key) => ({ keys: [key], run: () => current.current[key]?.() })));
  }, [keys]);
}
