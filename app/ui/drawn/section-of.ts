import type { BranchEnd, Chain } from '../../../core/index.ts';
import { type LinePart, type LineSection, lineSection, shortName } from '../../../core/index.ts';
import type { DrawnPart } from '../../../record/index.ts';

/** Width that a line drawn across a sheet may take, and its scale where there is room, in pixels. */
const ROOM_PX = 960;

const SCALE = { least: 34, most: 84 };

/** Pixels for an inch so that the longest of these sections has room. */
export function scaleFor(sections: LineSection[], roomPx = ROOM_PX, most = SCALE.most): number {
  const longest = Math.max(1, ...sections.map((s) => s.x1 - s.x0));
  return Math.max(SCALE.least, Math.min(most, roomPx / longest));
}

export type DrawnChain = Pick<Chain, 'path' | 'joints' | 'branches'>;

export function sectionOf(from: string, to: string, chain: DrawnChain, parts: Map<string, DrawnPart>): LineSection {
  const through: LinePart[] = chain.path.map((step, i) => {
    const part = parts.get(step.part);
    const line = part?.cutToLength ? 'tube' : part?.flexible ? 'braided' : null;
    return {
      part: step.part,
      inCode: chain.joints[i]!.b,
      outCode: chain.joints[i + 1]!.a,
      line,
      lengthIn: step.cutLengthIn ?? part?.lengthIn ?? 1,
      branches: branchesOf(chain, step.part),
    };
  });
  return lineSection(from, through, to);
}

/** A part's ends beside the way of the water. The joint with the old line comes after those of the way. */
export function branchesOf(chain: DrawnChain, part: string): BranchEnd[] {
  const back = chain.joints[chain.path.length + 1];
  return chain.branches
    .filter((b) => b.part === part)
    .map((b) =>
      b.use === 'rejoin' && back ? { code: b.code, use: b.use, mate: back.b, joint: back.n } : { code: b.code, use: b.use, mate: null, joint: null },
    );
}

export const labelsOf = (s: LineSection, name: (part: string) => string): string[] =>
  s.spans.map((span) => (span.part ? shortName(name(span.part)) : span.side === 'from' ? 'water side' : 'inlet'));
