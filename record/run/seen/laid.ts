/** How a line is to lie, as it was measured: kept as typed, and read in inches where it is worked with. */
import * as z from 'zod/mini';
import { finite, InputError, type LengthQuestion, lengthQuestion, type MeasuredEnd, readLengthIn, WAYS, type Way } from '../../../core/index.ts';
import { shortText } from '../../shapes.ts';

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

/** How much may be said, inches: more is a slip of the thumb, and what is worked out on it would be refused there without its name. */
const AROUND = { atLeast: 0, atMost: 480 };
const AWAY = { atLeast: 0, atMost: 240 };
const ROOM = { above: 0, atMost: 480 };

export type Laid = z.output<typeof laidShape>;

/**
 * What is asked of a line that is to lie so.
 *
 * @throws InputError  names the field that is no length, or out of the room
 */
export function questionOf(laid: Laid, lengthsIn: readonly number[]): LengthQuestion {
  const read = (field: string, text: string, within: Parameters<typeof finite>[2]): number => {
    const inches = readLengthIn(text);
    if (inches === null) throw new InputError(field, text, 'Type inches as 14 or 14 1/2, feet as 6 ft, or 360 mm.');
    return finite(field, inches, within);
  };
  const endOf = (name: string, e: Laid['stop']): MeasuredEnd => ({
    outIn: read(`${name}, out`, e.out, AROUND),
    upIn: read(`${name}, up`, e.up, AROUND),
    faces: e.faces,
  });
  const { behind, pulledOut, line } = laid;
  return lengthQuestion(
    {
      stop: endOf('Stop', laid.stop),
      inlet: endOf('Inlet', laid.inlet),
      sideIn: read('To the side', laid.side, AWAY),
      pulledOutIn: pulledOut === undefined ? null : read('Pulled out', pulledOut, AWAY),
      behind: behind
        ? {
            widthIn: read('Room behind, across', behind.width, ROOM),
            heightIn: read('Room behind, up', behind.height, ROOM),
            depthIn: read('Room behind, deep', behind.depth, ROOM),
          }
        : null,
    },
    {
      odIn: read('Line, outside', line.od, { above: 0, atMost: 6 }),
      minBendRadiusIn: read('Line, tightest bend', line.bend, { above: 0, atMost: 240 }),
      endStraightIn: read('Line, straight end', line.straight, { atLeast: 0, atMost: 24 }),
    },
    lengthsIn,
  );
}
