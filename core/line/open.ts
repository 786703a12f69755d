import { type EndCode, parseEnd } from '../ends/index.ts';
import { bounded, emptySection, type LineSection, siteStub } from './section.ts';

/** Open space between two ends that nothing joins yet, inches on paper. */
const GAP_IN = 3.2;

/** The two ends as they were found, with nothing between them; an end not looked at yet is left out. */
export function openSection(from: EndCode | null, to: EndCode | null): LineSection {
  const out = emptySection();
  if (from !== null) siteStub(out, parseEnd(from), 1, 0);
  if (to !== null) siteStub(out, parseEnd(to), -1, from === null ? 0 : GAP_IN);
  return bounded(out);
}
