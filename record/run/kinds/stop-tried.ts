import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';

export const STOP_CONDITIONS = {
  works: 'works',
  passes: 'does not shut fully',
  'seized-open': 'seized open',
  'seized-shut': 'seized shut',
  broken: 'handle broken',
  weeps: 'weeps at the stem',
  unknown: 'not tried',
} as const;

/** The valve that serves the appliance, and whether it holds. */
export const stopTried = kind({
  name: 'stop-tried',
  shape: z.strictObject({
    kind: z.enum(['quarter-turn', 'multi-turn', 'gate', 'saddle', 'none']),
    condition: z.enum(['works', 'passes', 'seized-open', 'seized-shut', 'broken', 'weeps', 'unknown']),
  }),
  counts: 'last',
  about: 'run',
  holds: always,
  describe: (b) => (b.kind === 'none' ? 'No stop here' : `Stop: ${b.kind}, ${STOP_CONDITIONS[b.condition]}`),
});
