import { type LineSection, openSection } from '../../../core/index.ts';
import type { DrawnPart } from '../../../record/index.ts';
import type { JointMark } from './Balloon.tsx';
import { Section } from './Section.tsx';
import { type DrawnChain, labelsOf, scaleFor, sectionOf } from './section-of.ts';

/** Upright on a phone there is little room across: what stands on the line makes it smaller, so that the balloons stay legible. */
const UPRIGHT = { roomPx: 62, least: 28, most: 46 };

const uprightScale = (s: LineSection) => Math.max(UPRIGHT.least, Math.min(UPRIGHT.most, UPRIGHT.roomPx / (s.above + s.radius)));

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
