/**
 * Why a verdict came out as it did: one plain sentence, good enough to show, with the rule that made it, the figures put in and
 * where they come from.
 */
export interface Reason {
  /** Stable id of the rule, for a screen that words it anew. */
  rule: string;
  /** One plain-English sentence in trade units. */
  text: string;
  source?: string;
  figures?: Record<string, number | string>;
}

export function reason(rule: string, text: string, extra: { source?: string; figures?: Record<string, number | string> } = {}): Reason {
  return { rule, text, ...extra };
}
