import * as z from 'zod/mini';
import type { FindingRow } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { findingIds, findingWords } from '../seen/findings.ts';

const THINGS = { stop: 'Stop', screen: 'Inlet screen', washer: 'Washer', place: 'Place' } as const satisfies Partial<
  Record<FindingRow['on'], string>
>;

/** What was seen on the stop, the screen, a washer or about the place; [] where it was looked at and nothing was found. */
export const thingSeen = kind({
  name: 'thing-seen',
  shape: z.strictObject({ on: z.enum(Object.keys(THINGS) as (keyof typeof THINGS)[], 'is nothing that is looked at'), seen: findingIds }),
  counts: { lastOf: (b) => b.on },
  about: 'run',
  holds: always,
  describe: ({ on, seen }) => `${THINGS[on]}: ${findingWords(seen)}`,
});
