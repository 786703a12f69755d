export type { BranchEnd, LineBranch } from './branch.ts';
export { openSection } from './open.ts';
export { type LinePart, type LineSection, lineSection } from './section.ts';
