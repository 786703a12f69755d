/** Under the bar, as one types: what of the shop the words are found in. Enter still asks what joins the one to the other. */
import type { Found } from '../../store/queries/index.ts';
import { get } from '../../sync/run.ts';

/** How long typing rests before it is asked, ms. */
const REST_MS = 160;

const bar = document.querySelector<HTMLInputElement>('#quick');
const list = document.querySelector<HTMLUListElement>('#found');
let timer: ReturnType<typeof setTimeout> | undefined;
let asked = '';

const links = (): HTMLAnchorElement[] => [...(list?.querySelectorAll('a') ?? [])];

function show(found: Found[]): void {
  if (!list || !bar) return;
  list.replaceChildren(
    ...found.map(({ kind, name, detail, href }) => {
      const [row, link, what] = [document.createElement('li'), document.createElement('a'), document.createElement('span')];
      link.href = href;
      what.textContent = kind;
      link.append(what, ` ${name}`);
      if (detail !== '') {
        const where = document.createElement('small');
        where.textContent = detail;
        link.append(where);
      }
      row.append(link);
      return row;
    }),
  );
  list.hidden = found.length === 0;
}

async function ask(): Promise<void> {
  const q = bar?.value.trim() ?? '';
  asked = q;
  if (q.length < 2) return show([]);
  const answer = await get<{ found: Found[] }>(`/api/v1/find?q=${encodeURIComponent(q)}`);
  // What was typed meanwhile is asked by itself.
  if (asked === q) show(answer?.found ?? []);
}

function step(event: KeyboardEvent): void {
  if (event.key === 'Escape') {
    show([]);
    bar?.focus();
    return;
  }
  const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
  if (by === undefined || list?.hidden) return;
  event.preventDefault();
  const all: HTMLElement[] = [bar!, ...links()];
  all[Math.min(all.length - 1, Math.max(0, all.indexOf(document.activeElement as HTMLElement) + by))]?.focus();
}

if (bar && list) {
  bar.addEventListener('input', () => {
    clearTimeout(timer);
    timer = setTimeout(ask, REST_MS);
  });
  bar.addEventListener('keydown', step);
  list.addEventListener('keydown', step);
  document.addEventListener('click', (event) => {
    if (!bar.form?.contains(event.target as Node)) show([]);
  });
}
