/** Day and hour as they are said on a telephone: 'tomorrow 10', 'thu 2 pm', '27 nov 14:30'. */
import { addDays } from './day.ts';

export interface When {
  /** null where none was said, or none could be read. */
  onDate: string | null;
  startsAt: string | null;
  /** Words that say neither. */
  unread: string[];
}

const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];
const MONTHS = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'];
const FILLER = new Set(['at', 'on', 'the', 'next', 'this', 'in', 'around', 'about', 'oclock', "o'clock", 'of', 'st', 'nd', 'rd', 'th', 'h']);
const NUMBERS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
/** Hours before this are said of the afternoon: nobody is called at two at night. */
const FIRST_HOUR = 7;

/**
 * @param text  what was typed
 * @param today the shop's day, 'YYYY-MM-DD'; what has no year is the next such day from then on
 */
export function readWhen(text: string, today: string): When {
  const words = text
    .toLowerCase()
    .replace(/(\d)(am|pm)\b/g, '$1 $2')
    .replace(/([a-z])\.(?=\s|$)/g, '$1')
    .replace(/,/g, ' ')
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => (NUMBERS.includes(word) ? String(NUMBERS.indexOf(word) + 1) : word));
  const when: When = { onDate: null, startsAt: null, unread: [] };
  for (let i = 0; i < words.length; ) i += take(words, i, when, today);
  return when;
}

/** Reads what begins at a word; how many words that were. */
function take(words: string[], i: number, when: When, today: string): number {
  const word = words[i]!;
  const next = words[i + 1] ?? '';
  const day = dayWord(word, today) ?? fullDate(word, today);
  if (day !== null) {
    when.onDate = day;
    return 1;
  }
  const days = /^(\d{1,2})$/.exec(word)?.[1];
  if (days && /^days?$/.test(next)) {
    when.onDate = addDays(today, Number(days));
    return 2;
  }
  if (days && /^weeks?$/.test(next)) {
    when.onDate = addDays(today, Number(days) * 7);
    return 2;
  }
  const ofMonth = /^(\d{1,2})(?:st|nd|rd|th)?$/.exec(word)?.[1];
  if (ofMonth && monthOf(next) !== null) return named(when, monthOf(next)!, Number(ofMonth), today);
  const monthFirst = monthOf(word);
  const dayAfter = /^(\d{1,2})(?:st|nd|rd|th)?$/.exec(next)?.[1];
  if (monthFirst !== null && dayAfter) return named(when, monthFirst, Number(dayAfter), today);
  const time = timeOf(word, next);
  if (time && when.startsAt === null) {
    when.startsAt = time.at;
    return time.words;
  }
  const lone = /^(\d{1,2})(?:st|nd|rd|th)$/.exec(word)?.[1];
  if (lone) {
    const found = dayOfMonth(Number(lone), today);
    if (found) when.onDate = found;
    return 1;
  }
  if (!FILLER.has(word)) when.unread.push(word);
  return 1;
}

function named(when: When, month: number, day: number, today: string): number {
  const found = dated(month, day, today);
  if (found) when.onDate = found;
  return 2;
}

function dayWord(word: string, today: string): string | null {
  if (word === 'today' || word === 'tod') return today;
  if (word.length >= 3 && ('tomorrow'.startsWith(word) || word === 'tmw' || word === 'tomorow')) return addDays(today, 1);
  const weekday = word.length >= 3 || /^(mo|tu|we|th|fr|sa|su)$/.test(word) ? WEEKDAYS.findIndex((d) => d.startsWith(word) || `${d}s` === word) : -1;
  if (weekday === -1 || word === 'th') return null;
  const now = new Date(`${today}T00:00:00Z`).getUTCDay();
  // The day of that name that comes next; today's own is a week from now.
  return addDays(today, ((weekday - now + 6) % 7) + 1);
}

function fullDate(word: string, today: string): string | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(word);
  if (iso) return valid(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const slashed = /^(\d{1,2})\/(\d{1,2})(?:\/(\d{2}|\d{4}))?$/.exec(word);
  if (!slashed) return null;
  const [month, day] = [Number(slashed[1]), Number(slashed[2])];
  if (slashed[3] === undefined) return dated(month, day, today);
  return valid(Number(slashed[3].length === 2 ? `20${slashed[3]}` : slashed[3]), month, day);
}

function monthOf(word: string): number | null {
  const at = word.length >= 3 ? MONTHS.findIndex((m) => m.startsWith(word)) : -1;
  return at === -1 ? null : at + 1;
}

/** The next such day from today on. */
function dated(month: number, day: number, today: string): string | null {
  const year = Number(today.slice(0, 4));
  const found = valid(year, month, day);
  return found !== null && found < today ? valid(year + 1, month, day) : found;
}

function dayOfMonth(day: number, today: string): string | null {
  const [year, month] = [Number(today.slice(0, 4)), Number(today.slice(5, 7))];
  const found = valid(year, month, day);
  if (found !== null && found >= today) return found;
  return month === 12 ? valid(year + 1, 1, day) : valid(year, month + 1, day);
}

function valid(year: number, month: number, day: number): string | null {
  const at = new Date(Date.UTC(year, month - 1, day));
  return at.getUTCMonth() === month - 1 && at.getUTCDate() === day ? at.toISOString().slice(0, 10) : null;
}

function timeOf(word: string, next: string): { at: string; words: number } | null {
  if (word === 'noon' || word === 'midday') return { at: '12:00', words: 1 };
  if (word === 'morning') return { at: '08:00', words: 1 };
  if (word === 'afternoon') return { at: '13:00', words: 1 };
  const found = /^(\d{1,2})(?:[:.h](\d{2})?)?$/.exec(word) ?? /^(\d{1,2})(\d{2})$/.exec(word);
  if (!found) return null;
  const [hour, minute] = [Number(found[1]), Number(found[2] ?? 0)];
  if (hour > 23 || minute > 59) return null;
  const half = next === 'am' || next === 'pm' ? next : null;
  const words = half ? 2 : 1;
  if (half) return hour === 0 || hour > 12 ? null : { at: clock((hour % 12) + (half === 'pm' ? 12 : 0), minute), words };
  return { at: clock(hour < FIRST_HOUR && hour > 0 && word.length < 4 ? hour + 12 : hour, minute), words };
}

const clock = (hour: number, minute: number): string => `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}`;
