import type { Said } from './units/index.ts';

/** What was put in, by name: numbers, or words of a closed list. */
export type Figures = Record<string, number | string>;

/**
 * Why a verdict came out as it did: one plain sentence, good enough to show, with the rule that made it, the figures put in and
 * where they come from.
 */
export interface Reason extends Said {
  /** Stable id of the rule, for a screen that words it anew. */
  rule: string;
  source?: string;
  figures?: Figures;
}

/** @param words one plain-English sentence in trade units; with its quantities apart where it has any */
export function reason(rule: string, words: string | Said, extra: { source?: string; figures?: Figures } = {}): Reason {
  return { rule, ...(typeof words === 'string' ? { text: words } : words), ...extra };
}
