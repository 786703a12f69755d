import type { BranchEnd, Chain } from '../../../core/index.ts';
import { type LinePart, type LineSection, lineSection, openSection, shortName } from '../../../core/index.ts';
import type { DrawnPart } from '../../../record/index.ts';
import type { JointMark } from './Balloon.tsx';
import { Section } from './Section.tsx';

/** Width that a line drawn across a sheet may take, and its scale where there is room, in pixels. */
const ROOM_PX = 960;
const SCALE = { least: 34, most: 84 };
/** Upright on a phone there is little room across: what stands on the line makes it smaller, so that the balloons stay legible. */
const UPRIGHT = { roomPx: 62, least: 28, most: 46 };

/** Pixels for an inch so that the longest of these sections has room. */
export function scaleFor(sections: LineSection[], roomPx = ROOM_PX, most = SCALE.most): number {
  const longest = Math.max(1, ...sections.map((s) => s.x1 - s.x0));
  return Math.max(SCALE.least, Math.min(most, roomPx / longest));
}

type DrawnChain = Pick<Chain, 'path' | 'joints' | 'branches'>;

const uprightScale = (s: LineSection) => Math.max(UPRIGHT.least, Math.min(UPRIGHT.most, UPRIGHT.roomPx / (s.above + s.radius)));

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
function branchesOf(chain: DrawnChain, part: string): BranchEnd[] {
  const back = chain.joints[chain.path.length + 1];
  return chain.branches
    .filter((b) => b.part === part)
    .map((b) =>
      b.use === 'rejoin' && back ? { code: b.code, use: b.use, mate: back.b, joint: back.n } : { code: b.code, use: b.use, mate: null, joint: null },
    );
}

export const labelsOf = (s: LineSection, name: (part: string) => string): string[] =>
  s.spans.map((span) => (span.part ? shortName(name(span.part)) : span.side === 'from' ? 'water side' : 'inlet'));

interface Props {
  from: string | null;
  to: string | null;
  /** What joins them; null while nothing is chosen: the two ends stand open. */
  chain: DrawnChain | null;
  parts: DrawnPart[];
  water: 'cold' | 'hot';
  marks?: JointMark[];
  ringed?: number | null;
  title: string;
}

/**
 * The run drawn from the water side to the appliance, from the ends' real geometry. It lies across a wide sheet and stands upright on a phone,
 * water at the bottom.
 */
export function Line({ from, to, chain, parts, water, marks, ringed, title }: Props) {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const section = chain && from !== null && to !== null ? sectionOf(from, to, chain, byId) : openSection(from, to);
  const labels = labelsOf(section, (id) => byId.get(id)?.name ?? id);
  const drawn = { section, water, labels, marks, ringed, title };
  return (
    <>
      <div className="hidden lg:block print:block">
        <Section {...drawn} scale={scaleFor([section])} />
      </div>
      <div className="lg:hidden print:hidden">
        <Section {...drawn} scale={uprightScale(section)} upright />
      </div>
    </>
  );
}
