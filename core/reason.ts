import type { Said } from './units/quantity.ts';

/**
 * Why a verdict came out as it did: one plain sentence, good enough to show, with the rule that made it, the figures put in and
 * where they come from.
 */
export interface Reason extends Said {
  /** Stable id of the rule, for a screen that words it anew. */
  rule: string;
  source?: string;
  figures?: Record<string, number | string>;
}

/** @param words one plain-English sentence in trade units; with its quantities apart where it has any */
export function reason(rule: string, words: string | Said, extra: { source?: string; figures?: Record<string, number | string> } = {}): Reason {
  return { rule, ...(typeof words === 'string' ? { text: words } : words), ...extra };
}
