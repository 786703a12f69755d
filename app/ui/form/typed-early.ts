/**
 * What is typed before a page answers is kept.
 *
 * On a slow line the fields stand there long before their code has come, and a plumber types at once. The code knows nothing of that text, and
 * some fields are emptied as it takes them over: it is typed to them once more then.
 */
const typed = new Map<HTMLInputElement | HTMLTextAreaElement, string>();

const isText = (target: EventTarget | null): target is HTMLInputElement | HTMLTextAreaElement =>
  target instanceof HTMLTextAreaElement || (target instanceof HTMLInputElement && !['checkbox', 'radio', 'file'].includes(target.type));

/** The framework watches a field it has taken over by a `value` of the field's own. */
const isTaken = (field: Element): boolean => Object.hasOwn(field, 'value');

function keep(field: HTMLInputElement | HTMLTextAreaElement): void {
  if (!field.closest('astro-island') || isTaken(field)) return;
  if (typed.size === 0) setTimeout(hand, 50);
  typed.set(field, field.value);
}

/** Gives each field that is taken over by now what was typed into it, as if it were typed at this moment. */
function hand(): void {
  for (const [field, text] of typed) {
    if (field.isConnected && !isTaken(field)) continue;
    typed.delete(field);
    if (!field.isConnected) continue;
    const prototype = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement.prototype : HTMLInputElement.prototype;
    const now = field.value || text;
    field.value = '';
    // The framework takes for typed what is set past its own setter.
    Object.getOwnPropertyDescriptor(prototype, 'value')!.set!.call(field, now);
    field.dispatchEvent(new Event('input', { bubbles: true }));
  }
  if (typed.size > 0) setTimeout(hand, 50);
}

for (const field of document.querySelectorAll('astro-island input, astro-island textarea')) {
  if (isText(field) && field.value !== field.defaultValue) keep(field);
}
document.addEventListener('input', (e) => isText(e.target) && keep(e.target), { capture: true });
