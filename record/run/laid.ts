/** How a line is to lie, as it was measured: kept as typed, and read in inches where it is worked with. */
import * as z from 'zod/mini';
import { InputError } from '../../core/errors.ts';
import type { LengthQuestion } from '../../core/reach/pick-length.ts';
import { lengthQuestion, type MeasuredEnd, WAYS, type Way } from '../../core/reach/setting.ts';
import { readLengthIn } from '../../core/units/length.ts';
import { shortText } from '../shapes.ts';

const typed = shortText.check(z.refine((text) => readLengthIn(text) !== null, 'is no length'));
const end = z.strictObject({ out: typed, up: typed, faces: z.enum(Object.keys(WAYS) as [Way, ...Way[]], 'is no way to face') });

export const laidShape = z.strictObject({
  stop: end,
  inlet: end,
  /** How far the inlet stands to the side of the stop. */
  side: typed,
  /** Left out where the appliance does not move. */
  pulledOut: z.optional(typed),
  /** Where what is over may be coiled. */
  behind: z.optional(z.strictObject({ width: typed, height: typed, depth: typed })),
  /** Outside, tightest bend and straight end of the line. */
  line: z.strictObject({ od: typed, bend: typed, straight: typed }),
});

export type Laid = z.output<typeof laidShape>;

/**
 * What is asked of a line that is to lie so.
 *
 * @throws InputError  names the field that is no length, or out of the room
 */
export function questionOf(laid: Laid, lengthsIn: readonly number[]): LengthQuestion {
  const read = (field: string, text: string): number => {
    const inches = readLengthIn(text);
    if (inches === null) throw new InputError(field, text, 'Type inches as 14 or 14 1/2, feet as 6 ft, or 360 mm.');
    return inches;
  };
  const endOf = (name: string, e: Laid['stop']): MeasuredEnd => ({
    outIn: read(`${name}, out`, e.out),
    upIn: read(`${name}, up`, e.up),
    faces: e.faces,
  });
  const { behind, pulledOut, line } = laid;
  return lengthQuestion(
    {
      stop: endOf('Stop', laid.stop),
      inlet: endOf('Inlet', laid.inlet),
      sideIn: read('To the side', laid.side),
      pulledOutIn: pulledOut === undefined ? null : read('Pulled out', pulledOut),
      behind: behind
        ? {
            widthIn: read('Room behind, across', behind.width),
            heightIn: read('Room behind, up', behind.height),
            depthIn: read('Room behind, deep', behind.depth),
          }
        : null,
    },
    {
      odIn: read('Line, outside', line.od),
      minBendRadiusIn: read('Line, tightest bend', line.bend),
      endStraightIn: read('Line, straight end', line.straight),
    },
    lengthsIn,
  );
}
