/** What is typed on the sheet: fields as text, and from them what is asked. */
import type { ReachPreset } from '../../../catalog/reach.ts';
import { InputError, type LengthQuestion, readLengthIn, type Way, writeFraction } from '../../../core/index.ts';
import { type Laid, questionOf } from '../../../record/index.ts';

const inches = (value: number): string => writeFraction(Math.round(value * 32) / 32, 32);

/** A usual setting as one would type it. */
export function laidOf(p: ReachPreset): Laid {
  const end = (e: { outIn: number; upIn: number; faces: Way }) => ({ out: inches(e.outIn), up: inches(e.upIn), faces: e.faces });
  const { behind, line } = p;
  return {
    stop: end(p.stop),
    inlet: end(p.inlet),
    side: inches(p.sideIn),
    ...(p.pulledOutIn === null ? {} : { pulledOut: inches(p.pulledOutIn) }),
    ...(behind ? { behind: { width: inches(behind.widthIn), height: inches(behind.heightIn), depth: inches(behind.depthIn) } } : {}),
    line: { od: inches(line.odIn), bend: inches(line.minBendRadiusIn), straight: inches(line.endStraightIn) },
  };
}

/** Lengths as they are typed: '9 12 16', '9, 12 in', '300 mm, 400 mm'; null where one of them is none. */
export function readLengths(text: string): number[] | null {
  const parts = text
    .split(/[,;]|\s+(?=\d)/)
    .map((t) => t.trim())
    .filter(Boolean);
  const read = parts.map((t) => readLengthIn(t));
  return parts.length > 0 && read.every((r): r is number => r !== null && r > 0 && r <= 1200) ? read.slice(0, 12) : null;
}

/** What is asked, or which field does not read and why. */
export function readTyped(laid: Laid, lengths: string): { question: LengthQuestion; wrong: null } | { question: null; wrong: string } {
  const lengthsIn = readLengths(lengths);
  if (!lengthsIn) return { question: null, wrong: 'Lengths: type them as 9 12 16 20, up to 100 ft each.' };
  try {
    return { question: questionOf(laid, lengthsIn), wrong: null };
  } catch (error) {
    if (error instanceof InputError) return { question: null, wrong: error.message };
    throw error;
  }
}

/** An end taken to another place on the drawing, to the eighth of an inch; never behind the wall or under the floor. */
export function movedTo(laid: Laid, end: 'stop' | 'inlet', view: 'side' | 'front', [x, y]: readonly [number, number], isOut: boolean): Laid {
  const eighth = (v: number) => inches(Math.max(0, Math.round(v * 8) / 8));
  const up = eighth(y);
  if (view === 'front') {
    // The stop stands at nought; the inlet is measured from it.
    return end === 'stop' ? { ...laid, stop: { ...laid.stop, up } } : { ...laid, inlet: { ...laid.inlet, up }, side: eighth(x) };
  }
  if (end === 'inlet' && isOut && laid.pulledOut !== undefined) {
    return { ...laid, inlet: { ...laid.inlet, up }, pulledOut: eighth(x - (readLengthIn(laid.inlet.out) ?? 0)) };
  }
  return { ...laid, [end]: { ...laid[end], out: eighth(x), up } };
}
