import * as z from 'zod/mini';
import { asTyped, bucketGpm, flow, pressure, quantityWords, readPressurePsi } from '../../../core/index.ts';
import { always, kind } from '../../kind.ts';
import { shortText } from '../../shapes.ts';

const figure = (most: number) => z.number('wants a number').check(z.gt(0, 'must be more than 0'), z.lte(most, `is more than ${most}`));

/** The water as it comes: pressure while it runs, a bucket filled, hot at the outlet. As typed, and in psi, gallons and F. */
export const waterMeasured = kind({
  name: 'water-measured',
  shape: z.discriminatedUnion('of', [
    z.strictObject({ of: z.literal('running'), text: shortText, psi: figure(1000) }),
    z.strictObject({ of: z.literal('bucket'), text: shortText, gallons: figure(1000), seconds: figure(86_400) }),
    z.strictObject({
      of: z.literal('hot'),
      text: shortText,
      degF: z.number('wants a number').check(z.gte(32, 'is under 32 F'), z.lte(212, 'is more than 212 F')),
    }),
  ]),
  counts: { lastOf: (b) => b.of },
  about: 'run',
  holds: always,
  // A pressure is read from what was typed.
  agreed: (b) => (b.of === 'running' ? { ...b, psi: readPressurePsi(b.text) } : b),
  describe: (b, { units }) => {
    if (b.of === 'running') return `Running pressure: ${asTyped(b.text, pressure(b.psi), units)}`;
    if (b.of === 'hot') return `Hot water: ${b.text}`;
    return `Bucket: ${b.text} in ${b.seconds} s, ${quantityWords(flow(bucketGpm(b)), units)}`;
  },
});
