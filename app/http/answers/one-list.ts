/** One field, one list: what was typed may be a screen, a question of fittings, a customer, a visit or a part; the best comes first, and Enter takes it. */
import { endName, type OwnWords, type QuestionRead, readQuestion } from '../../../core/index.ts';
import { addDays } from '../../../record/index.ts';
import type { Found } from '../../../store/queries/index.ts';
import { SCREENS } from '../../screens.ts';

export interface Listed extends Omit<Found, 'kind'> {
  kind: Found['kind'] | 'screen' | 'match' | 'fits' | 'leak' | 'not ours';
}

/** What a screen is asked for by, beside its name. */
const CALLED: Record<string, string> = {
  today: '/', home: '/', schedule: '/week', calendar: '/week', van: '/stock', truck: '/stock', inventory: '/stock', 'to buy': '/stock', reorder: '/stock',
  customers: '/premises', clients: '/premises', history: '/ledger', leaks: '/callbacks', settings: '/shop', prices: '/shop', 'house rules': '/rules', 'new call': '/call',
  phone: '/call', length: '/reach', thread: '/gauge', 'thread gauge': '/gauge', pressure: '/flow', 'water hammer': '/hammer', catalog: '/parts', rechecks: '/due',
}; // biome-ignore format: a table

function screenOf(typed: string, today: string): Listed | null {
  const asked = typed.trim().toLowerCase();
  // What goes on the van for a day is a side of the stock.
  if (['load', 'load list', 'loading', 'load it', 'load-out'].includes(asked)) {
    return { kind: 'screen', name: 'Load for today', detail: 'What is missing on the van', href: `/stock?load=${today}` };
  }
  if (asked === 'tomorrow') return { kind: 'screen', name: 'Day', detail: 'Tomorrow', href: `/?day=${addDays(today, 1)}` };
  const path = CALLED[asked];
  const screen = SCREENS.find(
    (s) => !s.opens && (path === undefined ? [s.name, s.what].some((name) => name.toLowerCase() === asked) : s.path === path),
  );
  return screen ? { kind: 'screen', name: screen.name, detail: screen.what, href: screen.path } : null;
}

const KINDS: Partial<Record<QuestionRead['kind'], Listed['kind']>> = { fits: 'fits', leaks: 'leak', 'not-ours': 'not ours' };

/** What the match bench makes of it, in a line; null where it makes nothing of it. */
function questionRow(typed: string, read: QuestionRead): Listed | null {
  const [from, to] = [read.from[0], read.to[0]];
  if (read.kind === 'unclear' || (!from && !to && !KINDS[read.kind])) return null;
  const side = (end: typeof from) => end?.appliance?.replaceAll('-', ' ') ?? (end ? endName(end.end) : '?');
  const name =
    { leaks: 'Find the leak', 'not-ours': 'Who does it' }[read.kind as string] ??
    (read.kind === 'fits' ? `Does it fit: ${side(from)}, ${side(to)}` : `${side(from)} to ${side(to)}`);
  const detail = read.unread.length === 0 ? '' : `not used: ${read.unread.join(' ')}`;
  return { kind: KINDS[read.kind] ?? 'match', name, detail, href: `/match?q=${encodeURIComponent(typed)}` };
}

/** A name, a number or a title that is what was typed, or begins so. */
const isMeant = (typed: string, { kind, name }: Found): boolean =>
  (kind === 'premises' || kind === 'visit') && name.toLowerCase().startsWith(typed.trim().toLowerCase());

/**
 * Everything that was typed may be, the likeliest first: a screen by its name; a customer or visit whose name it begins; a question that is read without a word left;
 * whatever else of the shop it is found in; a question that is read in part.
 */
export function oneList(typed: string, found: readonly Found[], { today, words }: { today: string; words: OwnWords }): Listed[] {
  const read = readQuestion(typed, { words });
  const [screen, question] = [screenOf(typed, today), questionRow(typed, read)];
  const meant = found.filter((one) => isMeant(typed, one));
  const others = found.filter((one) => !meant.includes(one));
  const isWhole = question !== null && read.unread.length === 0;
  const ranked = isWhole ? [...meant, question, ...others] : [...meant, ...others, question];
  return [screen, ...ranked].filter((one) => one !== null);
}
