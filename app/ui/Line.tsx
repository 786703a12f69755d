import type { Chain, Part } from '../../core/index.ts';
import { type LinePart, type LineSection, lineSection, openSection, shortName } from '../../core/index.ts';
import { type JointMark, Section } from './Section.tsx';

export type { JointMark } from './Section.tsx';

/** Width that a line drawn across a sheet may take, and its scale where there is room, in pixels. */
const ROOM_PX = 960;
const SCALE = { least: 34, upright: 46, most: 84 };

/** Pixels for an inch so that the longest of these sections has room. */
export function scaleFor(sections: LineSection[], roomPx = ROOM_PX, most = SCALE.most): number {
  const longest = Math.max(1, ...sections.map((s) => s.x1 - s.x0));
  return Math.max(SCALE.least, Math.min(most, roomPx / longest));
}

export function sectionOf(from: string, to: string, chain: Pick<Chain, 'path' | 'joints'>, parts: Map<string, Part>): LineSection {
  const through: LinePart[] = chain.path.map((step, i) => {
    const part = parts.get(step.part);
    const line = part?.cutToLength ? 'tube' : part?.flexible ? 'braided' : null;
    return { part: step.part, inCode: chain.joints[i]!.b, outCode: chain.joints[i + 1]!.a, line, lengthIn: step.cutLengthIn ?? part?.lengthIn ?? 1 };
  });
  return lineSection(from, through, to);
}

export const labelsOf = (s: LineSection, name: (part: string) => string): string[] =>
  s.spans.map((span) => (span.part ? shortName(name(span.part)) : span.side === 'from' ? 'water side' : 'inlet'));

interface Props {
  from: string | null;
  to: string | null;
  /** What joins them; null while nothing is chosen: the two ends stand open. */
  chain: Pick<Chain, 'path' | 'joints'> | null;
  parts: Part[];
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
      <div className="hidden lg:block">
        <Section {...drawn} scale={scaleFor([section])} />
      </div>
      <div className="lg:hidden">
        <Section {...drawn} scale={SCALE.upright} upright />
      </div>
    </>
  );
}
