import type * as z from 'zod/mini';
import { pathText } from './storable.ts';

/** The first fault of what was read: the field, and what is wrong with it. */
export function issueOf(error: z.core.$ZodError, before: PropertyKey[] = []): { at: string; why: string } {
  const issue = error.issues[0]!;
  const extra = issue.code === 'unrecognized_keys' ? issue.keys.slice(0, 1) : [];
  const at = pathText([...before, ...issue.path, ...extra]) || 'entry';
  if (extra.length > 0) return { at, why: 'is not known here' };
  return { at, why: issue.message === 'Invalid input' && issue.code === 'invalid_type' ? `wants ${articled(issue.expected)}` : issue.message };
}

const articled = (word: string): string => (/^[aeiou]/.test(word) ? `an ${word}` : `a ${word}`);
