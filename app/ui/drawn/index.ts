export type { JointMark } from './Balloon.tsx';
export { DrainLine, type DrainMark } from './DrainLine.tsx';
export { Line, labelsOf, scaleFor, sectionOf } from './Line.tsx';
export { Outline } from './Outline.tsx';
export { Section } from './Section.tsx';
export { useWidth } from './use-width.ts';
