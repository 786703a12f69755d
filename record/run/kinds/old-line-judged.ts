import * as z from 'zod/mini';
import { always, kind } from '../../kind.ts';
import { shortText } from '../../shapes.ts';

const VERDICTS = { none: 'there is none', keep: 'sound, may stay', replace: 'to be replaced' } as const;

/** What becomes of the line that was there. */
export const oldLineJudged = kind({
  name: 'old-line-judged',
  shape: z.strictObject({ verdict: z.enum(['none', 'keep', 'replace']), findings: z.array(shortText).check(z.maxLength(30)) }),
  counts: 'last',
  about: 'run',
  holds: always,
  describe: (b) => `Old line: ${VERDICTS[b.verdict]}${b.findings.length > 0 ? ` (${b.findings.join(', ')})` : ''}`,
});
