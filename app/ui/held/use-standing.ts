import { useSyncExternalStore } from 'react';
import { type Standing, sync } from '../../../sync/run.ts';

const NOTHING: Standing = { waiting: 0, refused: [], pictures: 0, later: null, notKept: null, kept: 0, elsewhere: [], cleared: null };

/** How keeping and sending stand. */
export function useStanding(): Standing {
  return useSyncExternalStore(
    (changed) => sync.subscribe(changed),
    () => sync.standing,
    () => NOTHING,
  );
}
