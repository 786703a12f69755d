import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { text } from '../../shapes.ts';

export const SAFETY_DEVICES = { float: 'Float', 'stop-leak': 'Stop-leak device', relief: 'Relief' } as const;
export type SafetyDevice = keyof typeof SAFETY_DEVICES;

/** A safety device that was tried: what it did, how long that took; of a stop-leak device whether its insert is new and how many spares lie by it. */
export const safetyTried = kind({
  name: 'safety-tried',
  shape: z.strictObject({
    device: z.enum(Object.keys(SAFETY_DEVICES) as [SafetyDevice, ...SafetyDevice[]], 'is no safety device'),
    /** It stopped the water, and was set again. */
    held: z.boolean(),
    /** From filling to shut, from wet to tripped, seconds; null where nobody timed it. */
    seconds: z.nullable(z.number('wants seconds').check(z.gte(0, 'must not be less than 0'), z.lte(86_400, 'is more than a day'))),
    newInsert: z.optional(z.boolean()),
    spares: z.optional(z.nullable(z.int('wants a whole number').check(z.gte(0, 'must not be less than 0'), z.lte(100, 'is more than 100')))),
    note: z.optional(text),
  }),
  counts: { lastOf: (b) => b.device },
  about: 'run',
  onSigned: () => true,
  holds: always,
  describe: ({ device, held, seconds, newInsert, spares, note }) =>
    [
      `${SAFETY_DEVICES[device]} tried: ${held ? 'it stopped the water' : 'it did NOT stop the water'}`,
      seconds === null ? '' : `after ${Math.round(seconds)} s`,
      newInsert ? 'a new insert is in it' : '',
      typeof spares === 'number' ? `${spares} spare insert${spares === 1 ? '' : 's'} by it` : '',
      note?.trim() ?? '',
    ]
      .filter(Boolean)
      .join(', '),
});
