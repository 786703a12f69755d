import { ofThisShop } from '../../../sync/shop-here.ts';
import { type Draft, EMPTY } from './draft.ts';

const KEY = ofThisShop('brass-nut-call');

/** Keeps a call as far as it is typed; the same. An empty one is forgotten. */
export function keepDraft(draft: Draft): Draft {
  try {
    const isEmpty = JSON.stringify(draft) === JSON.stringify(EMPTY);
    if (isEmpty) localStorage.removeItem(KEY);
    else localStorage.setItem(KEY, JSON.stringify(draft));
  } catch {
    // A browser that keeps nothing: it is lost with its page.
  }
  return draft;
}

export function keptDraft(): Draft | null {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Draft | null;
    return kept && { ...EMPTY, ...kept };
  } catch {
    return null;
  }
}
