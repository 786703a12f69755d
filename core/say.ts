/** Sentences by the rule that came out and the figures put in: what is kept of a reason is those two, and its words are made whenever it is read. */
import { jointSayings } from './ends/index.ts';
import { chainSayings } from './match/index.ts';
import type { Reason } from './reason.ts';
import { worded } from './sayings.ts';

const SAYINGS = { ...jointSayings, ...chainSayings };

/** A reason as it is kept: without its words. An older record's has them. */
export interface KeptReason extends Omit<Reason, 'text'> {
  text?: string;
}

/** A kept reason with its words; what no rule of this program says stands as its rule's id. */
export function sayReason(kept: KeptReason): Reason {
  if (kept.text !== undefined) return kept as Reason;
  return worded(SAYINGS, kept.rule, kept.figures) ?? { ...kept, text: `by the rule "${kept.rule}"` };
}

/** What is kept of a reason: rule and figures where they say all of it, else the whole of it. */
export function keptReason(reason: KeptReason): KeptReason {
  if (reason.text === undefined) return reason;
  const again = worded(SAYINGS, reason.rule, reason.figures);
  if (again?.text !== reason.text) return reason;
  return { rule: reason.rule, ...(reason.figures ? { figures: reason.figures } : {}) };
}
