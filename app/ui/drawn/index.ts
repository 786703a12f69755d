export type { JointMark } from './Balloon.tsx';
export { DrainLine, type DrainMark } from './DrainLine.tsx';
export { Line } from './Line.tsx';
export { Outline } from './Outline.tsx';
export { Section } from './Section.tsx';
export { labelsOf, scaleFor, sectionOf } from './section-of.ts';
export { useWidth } from './use-width.ts';
