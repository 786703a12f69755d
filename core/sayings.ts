/** How rules say themselves: a sentence each, made of the figures that were put in. */
import type { Figures, Reason } from './reason.ts';
import type { Said } from './units/index.ts';

type Words<T> = T | ((figures: Figures) => T);

/** What a rule says, and where it comes from. */
export type Saying = { says: Words<string | Said>; source?: Words<string> };

/** Declares the sayings of a folder; their rules are a closed list from then on. */
export const sayings = <R extends string>(rows: Record<R, Saying>): Record<R, Saying> => rows;

/** Makes the reasons of a folder: by a rule of its list and the figures that the sentence is made of. */
export const reasonsBy =
  <R extends string>(rows: Record<R, Saying>) =>
  (rule: R, figures?: Figures): Reason =>
    worded(rows, rule, figures)!;

/** A rule in words; null for one that is not in the list. */
export function worded(rows: Record<string, Saying>, rule: string, figures?: Figures): Reason | null {
  const row = Object.hasOwn(rows, rule) ? rows[rule] : undefined;
  if (!row) return null;
  const put = figures ?? {};
  const says = typeof row.says === 'function' ? row.says(put) : row.says;
  const source = typeof row.source === 'function' ? row.source(put) : row.source;
  return {
    rule,
    ...(typeof says === 'string' ? { text: says } : says),
    ...(source === undefined ? {} : { source }),
    ...(figures ? { figures } : {}),
  };
}
