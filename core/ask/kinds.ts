/** What a sentence wants: a hookup, a part, whether two ends fit, or that a leak is found. */
export type QuestionKind = 'chain' | 'part' | 'fits' | 'leaks' | 'rough' | 'not-ours' | 'unclear';

const LEAKS =
  /\b(?:leak(?:s|ed|ing|y)?|drip(?:s|ping|py)?|wet|spray(?:s|ed|ing)?|weep(?:s|ing)?|puddle[sd]?|flood(?:s|ed|ing)?|gush(?:es|ing)?|water (?:under|on the floor|everywhere|coming out)|soaked|burst|won'?t stop running|(?:won'?t|doesn'?t|does not|will not|cannot|can'?t) (?:shut|close|hold|turn|seal)(?: off)?|runs constantly|keeps running|seized|(?:valve|stop|shut ?-?off)s?\s+(?:\w+\s+){0,3}stuck|stuck (?:shut|open|valve|stop))\b/i;
/** A wish for a device, not a leak. */
const LEAK_DEVICE = /\b(?:stop[- ]leak|leak[- ](?:stop|guard|proof|check|test|free))/i;

export const isLeak = (text: string): boolean => LEAKS.test(text) && !LEAK_DEVICE.test(text);

const A = '(.+?)';
const FITS: readonly RegExp[] = [
  new RegExp(String.raw`^(?:will|would|does|do|can|could)\s+(?:i\s+|you\s+)?(?:screw|thread|put)\s+${A}\s+(?:on|onto|in|into|to|over)\s+(.+)$`, 'i'),
  new RegExp(String.raw`^(?:will|would|does|do|can|could)\s+(?:i\s+)?(?:my\s+)?(?:screw\s+|thread\s+|put\s+|join\s+)?${A}\s+(?:fit|fits|mate|mates|seal|work|go|goes|match|matches|screw|thread)\s*(?:with|on|onto|in|into|to|over)?\s+(.+)$`, 'i'),
  new RegExp(String.raw`^(?:is|are)\s+${A}\s+(?:the\s+)?(?:same\s+(?:thread\s+|size\s+)?as|compatible with|interchangeable with|equal to)\s+(.+)$`, 'i'),
  new RegExp(String.raw`^${A}\s+(?:vs\.?|versus|or)\s+(.+?)[,\s]+(?:are they\s+)?(?:the\s+)?same(?:\s+\w+)?$`, 'i'),
  new RegExp(String.raw`^${A}\s+(?:vs\.?|versus)\s+(.+)$`, 'i'),
]; // biome-ignore format: a table

/** The two things asked about: does the one go on the other? null where nothing of the sort is asked. */
export function fitsAsked(text: string): [a: string, b: string] | null {
  const plain = text.replace(/[?!.\s]+$/, '').trim();
  if (/\b(?:how|what|where|from)\b/i.test(plain)) return null;
  for (const form of FITS) {
    const found = form.exec(plain);
    if (found) return [found[1]!, found[2]!];
  }
  return null;
}
