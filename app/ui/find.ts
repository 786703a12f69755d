/** Under the bar, as one types: everything that the words may be, best first. Enter takes the first, and the page it opens says what it took. */

import { get } from '../../sync/run.ts';
import type { Listed } from '../http/answers/index.ts';

/** How long typing rests before it is asked, ms. */
const REST_MS = 160;

const bar = document.querySelector<HTMLInputElement>('#quick');
const list = document.querySelector<HTMLUListElement>('#found');
let timer: ReturnType<typeof setTimeout> | undefined;
let asked = '';
/** What was typed last that the server has answered, and its answer. */
let answered: { q: string; found: Listed[] } | null = null;
/** What each is called on the list. */
const CALLED: Record<Listed['kind'], string> = {
  premises: 'customer',
  appliance: 'fixture',
  visit: 'visit',
  'follow-up': 'to follow up',
  part: 'part',
  connection: 'connection',
  screen: 'screen',
  match: 'match',
  fits: 'match',
  leak: 'leak',
  'not ours': 'not ours',
};
/** Where what was taken stands until its page has said it. */
const TOOK = 'brass-nut-took';
/** How long Enter waits for an answer; after that it is asked as a question of fittings, ms. */
const ENTER_WAITS_MS = 1500;

const links = (): HTMLAnchorElement[] => [...(list?.querySelectorAll('a') ?? [])];

function show(found: Listed[]): void {
  if (!list || !bar) return;
  list.replaceChildren(
    ...found.map(({ kind, name, detail, href }) => {
      const [row, link, what] = [document.createElement('li'), document.createElement('a'), document.createElement('span')];
      link.href = href;
      link.addEventListener('click', () => remember({ kind, name, href }));
      what.textContent = CALLED[kind];
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
  const found = await answerTo(q);
  // What was typed meanwhile is asked by itself.
  if (asked === q) show(found ?? []);
}

/** null where the server does not answer. */
async function answerTo(q: string): Promise<Listed[] | null> {
  if (answered?.q === q) return answered.found;
  const answer = await get<{ found: Listed[] }>(`/api/v1/find?q=${encodeURIComponent(q)}`);
  if (answer) answered = { q, found: answer.found };
  return answer?.found ?? null;
}

/** The bench says itself what it was asked. */
function remember({ kind, name, href }: Pick<Listed, 'kind' | 'name' | 'href'>): void {
  if (href.startsWith('/match?')) return;
  try {
    sessionStorage.setItem(TOOK, JSON.stringify({ said: bar?.value.trim(), kind: CALLED[kind], name }));
  } catch {
    // A browser that keeps nothing: the page it opens has a heading of its own.
  }
}

/** Enter: the first of the list; a question of fittings on its own bench stays where it is. */
async function take(event: SubmitEvent): Promise<void> {
  if (event.defaultPrevented) return;
  const q = bar?.value.trim() ?? '';
  if (q === '') return;
  event.preventDefault();
  clearTimeout(timer);
  const found = await Promise.race([answerTo(q), new Promise<null>((done) => setTimeout(done, ENTER_WAITS_MS, null))]);
  const first = found?.[0] ?? { kind: 'match' as const, name: q, href: `/match?q=${encodeURIComponent(q)}` };
  show([]);
  if (isHere(first.href)) return void document.dispatchEvent(new CustomEvent('answer-asked'));
  remember(first);
  location.assign(first.href);
}

/** The bench is open and asks this already. */
const isHere = (href: string): boolean => href.startsWith('/match?q=') && location.pathname === '/match';

/** Says what Enter took, and gives the way to the rest of the list. */
function sayWhatWasTaken(): void {
  const took = document.querySelector<HTMLElement>('#took');
  try {
    const { said, kind, name } = JSON.parse(sessionStorage.getItem(TOOK) ?? 'null') ?? {};
    sessionStorage.removeItem(TOOK);
    if (!took || !said) return;
    took.querySelector('[data-words]')!.textContent = `"${said}": ${kind} ${name}.`;
    took.hidden = false;
    took.querySelector('button')?.addEventListener('click', () => {
      if (!bar) return;
      bar.value = said;
      bar.focus();
      ask();
    });
  } catch {
    // Nothing was kept.
  }
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

sayWhatWasTaken();
if (bar && list) {
  bar.form?.addEventListener('submit', take);
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
