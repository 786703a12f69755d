import * as z from 'zod/mini';
import { kind } from '../../kind.ts';

const figure = z.number('wants a number');
const HOW = { gauge: 'a logging gauge', file: 'a file', hand: 'readings by hand' } as const;
/** A longer log is kept as means of equal blocks. */
export const MOST_READINGS = 400;

/** What a gauge on the shut line read, and what was let out to learn its give: the grounds of a leak's interval, kept whole. */
export const pressureLogged = kind({
  name: 'pressure-logged',
  shape: z.strictObject({
    from: z.enum(Object.keys(HOW) as (keyof typeof HOW)[]),
    readings: z
      .array(z.strictObject({ minutes: figure, psi: figure, tempF: figure }))
      .check(z.minLength(8, 'wants 8 readings or more'), z.maxLength(MOST_READINGS, `holds more than ${MOST_READINGS}: keep means of equal blocks`)),
    letOut: z
      .array(z.strictObject({ ml: figure, psiBefore: figure, psiAfter: figure }))
      .check(z.minLength(1, 'wants a volume let out'), z.maxLength(20, 'holds more than 20')),
    /** Of one of these readings, psi; and of the single ones of a let-out, where these are means. */
    gaugeSigmaPsi: figure.check(z.gt(0, 'must be more than 0')),
    letOutSigmaPsi: z.optional(figure.check(z.gt(0, 'must be more than 0'))),
  }),
  counts: 'all',
  about: 'run',
  onSigned: () => true,
  // What it comes to is worked out where it is shown: pages that only know of it need not carry that.
  holds: ({ body: { readings, letOut } }) => {
    if (readings.some((r, i) => i > 0 && r.minutes <= readings[i - 1]!.minutes)) {
      return { rule: 'out-of-order', why: 'Readings stand in the order in which they were taken.' };
    }
    if (letOut.some((l) => l.ml <= 0 || l.psiAfter >= l.psiBefore)) {
      return { rule: 'no-give', why: 'The pressure did not fall as water was let out: is the line shut, and the gauge on it?' };
    }
    return null;
  },
  describe: ({ from, readings, letOut }) => {
    const minutes = Math.round(readings.at(-1)!.minutes - readings[0]!.minutes);
    return `Shut and watched for ${minutes} min, by ${HOW[from]}; let out ${letOut.map((l) => `${l.ml} mL`).join(', ')}`;
  },
});
