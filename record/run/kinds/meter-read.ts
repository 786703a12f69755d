import * as z from 'zod/mini';
import { METER_UNITS, type MeterUnit } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { notNegative } from '../../shapes.ts';

/** The premises' water meter, read once: two readings with everything shut between them say what ran through. */
export const meterRead = kind({
  name: 'meter-read',
  shape: z.strictObject({
    value: notNegative,
    unit: z.enum(Object.keys(METER_UNITS) as [MeterUnit, ...MeterUnit[]]),
    /** Smallest step of its dial, in that unit. */
    step: z.number('wants a number').check(z.gt(0, 'must be more than 0'), z.lte(1000, 'is more than 1000')),
  }),
  counts: 'all',
  about: 'run',
  onSigned: () => true,
  holds: always,
  describe: ({ value, unit, step }) => `Water meter read: ${value} ${METER_UNITS[unit].name}, in steps of ${step}`,
});
