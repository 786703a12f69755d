/** A fixture that keeps its water: what is fed hangs on a tee, and the old line is joined again. */
import type { Reading } from '../ends/index.ts';

export interface Kept {
  /** The text without what is only kept. */
  rest: string;
  /** The fixture whose line is parted and joined again; null where none keeps its water. */
  fixture: 'toilet' | 'sink' | null;
  /** The stop is named: its outlet is parted, else the fixture's own inlet. */
  atStop: boolean;
}

const FIXTURE = '(?:toilet|commode|faucet|tap|sink|lav(?:atory)?|kitchen(?: sink| faucet)?|bathroom(?: sink| faucet)?|basin|vanity)';
const THE = String.raw`(?:the\s+|my\s+|a\s+|an\s+|our\s+)?`;
/** What is kept, said outright. */
const KEPT: readonly RegExp[] = [
  new RegExp(String.raw`[\s,]*\b(?:and|but|while|still)?\s*(?:keep|keeps|keeping|leave|leaves|leaving)\s+${THE}(${FIXTURE})\b(?:\s+(?:line|supply))?(?:\s+(?:connected|working|running|hooked up|on|in place|as is|alone|going))?`, 'i'),
  new RegExp(String.raw`[\s,]*\bwithout\s+(?:losing|disconnecting|shutting off|touching|cutting off)\s+${THE}(${FIXTURE})(?:'s)?(?:\s+(?:water|line|supply))?`, 'i'),
  new RegExp(String.raw`\bso\s+(?:that\s+)?it\s+feeds\s+(?:both\s+)?${THE}(${FIXTURE})\s+and\b`, 'i'),
]; // biome-ignore format: a table
const TEE = /\b(?:tee|teed|teeing|split|splitting|splice|branch)\b(?:\s+(?:off|into|out of|from))?/i;
const AT_STOP = new RegExp(
  String.raw`\b(?:off|from|at|on|into|out of)\s+(?:of\s+)?${THE}(?:[\d/]+"?\s+)?(?:cold\s+|hot\s+)?(${FIXTURE})(?:'s)?(?:\s+(?:sink|cold|hot|cold water|water))*\s+(?:angle\s+)?(?:stop|valve|shut ?-?off|supply)\b`,
  'i',
);
const AT_FIXTURE = new RegExp(String.raw`\b(?:off|off of)\s+${THE}(toilet|commode)\b(?!\s+(?:stop|valve|shut|supply))`, 'i');

export function keptIn(text: string): Kept {
  const kept = KEPT.map((form) => form.exec(text)).find((found) => found !== null);
  const atStop = AT_STOP.exec(text);
  const atFixture = AT_FIXTURE.exec(text);
  const named = (kept ?? atStop ?? atFixture)?.[1];
  const isTee = TEE.test(text);
  if (named === undefined && !isTee) return { rest: text, fixture: null, atStop: false };
  const stripped = kept ? text.replace(kept[0], ' , ') : text;
  // Which fixture's stop it is tells no end: its size does.
  const rest = (
    atStop ? stripped.replace(new RegExp(`\\b${atStop[1]}(?:'s)?(?:\\s+(?:sink|cold|hot|cold water|water))*(?=\\s)`, 'i'), ' ') : stripped
  )
    .replace(TEE, ' from ')
    .replace(/\bfrom\s+(?:off|from|of)\b/i, 'from')
    .replace(atFixture?.[0] ?? /$^/, ' , ');
  return {
    rest,
    fixture: named !== undefined && /toilet|commode/i.test(named) ? 'toilet' : 'sink',
    atStop: atStop !== null || isTee || /\bstop\b/i.test(text),
  };
}

/** What is parted where the source was not said, and what of the old line is joined again. */
export function partedAt({ fixture, atStop }: Kept, from: Reading[]): { from: Reading[]; rejoin: Reading[] } {
  const source = from[0]?.end;
  const why = 'the fixture keeps its water';
  if (source === undefined && fixture === 'toilet' && !atStop) {
    return { from: [{ end: 'bc-7/8-f', why }], rejoin: [{ end: 'bc-7/8-m', why }] };
  }
  const nut = /^(comp-[\d/]+)-m$/.exec(source ?? 'comp-3/8-m');
  return { from: source === undefined ? [{ end: 'comp-3/8-m', why }] : from, rejoin: nut ? [{ end: `${nut[1]}-f`, why }] : [] };
}
