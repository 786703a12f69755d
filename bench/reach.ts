/** Shapes of lines between ends that lie anywhere, the same at every run. */
import { type HoseQuestion, hoseShape, pickLength } from '../core/index.ts';
import { chance } from '../store/seed/index.ts';

function questions(count: number, inSpace: boolean): HoseQuestion[] {
  const next = chance(inSpace ? 2 : 1);
  return Array.from({ length: count }, () => {
    const lengthIn = 9 + next() * 40;
    const end = () => ({ headingDeg: next() * 360, ...(inSpace ? { z: (next() - 0.5) * lengthIn * 0.5, climbDeg: (next() - 0.5) * 90 } : {}) });
    const away = lengthIn * 0.9;
    return {
      from: { x: 0, y: 0, ...end() },
      to: { x: (next() - 0.5) * away, y: (next() - 0.5) * away, ...end() },
      lengthIn,
      endStraightIn: 1.25,
      minBendRadiusIn: 2,
    };
  }).filter((q) => hoseShape(q).verdict !== 'too-short');
}

const each = (work: () => unknown): number => {
  const began = performance.now();
  work();
  return performance.now() - began;
};

/** Milliseconds for one shape of 64 segments or more, in a plane and in space; and for a refrigerator's six lengths, out and home. */
export function reachTimes(): { plane: number[]; space: number[]; pick: number[] } {
  const [plane, space] = [false, true].map((inSpace) => questions(1000, inSpace).map((q) => each(() => hoseShape(q)))) as [number[], number[]];
  const fridge = {
    from: { x: 3, y: 8, headingDeg: 0 },
    to: { x: 8, y: 6, headingDeg: 180 },
    pulledOut: { x: 44, y: 6, headingDeg: 0 },
    lengthsIn: [48, 60, 72, 84, 120, 240],
    endStraightIn: 1.25,
    minBendRadiusIn: 2,
    odIn: 0.36,
    room: { leftIn: 0, floorIn: 0 },
    coilSpace: { widthIn: 30, heightIn: 60, depthIn: 2 },
  };
  return { plane, space, pick: Array.from({ length: 60 }, () => each(() => pickLength(fridge))) };
}
