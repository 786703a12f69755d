/** How a reading stands against what was meant. */
import { readFileSync } from 'node:fs';
import type { QuestionRead } from '../question-read.ts';

export interface Sentence {
  form: number;
  /** Nobody looks at how it is read while the reader is tuned. */
  isHeld: boolean;
  kind: string;
  text: string;
  meant: Record<string, string>;
}

export const sentences: readonly Sentence[] = readFileSync(new URL('./sentences.txt', import.meta.url), 'utf8')
  .split('\n')
  .filter(Boolean)
  .map((line) => {
    const [form, kind, text, truth] = line.split(' | ') as [string, string, string, string | undefined];
    const meant = Object.fromEntries(
      (truth ?? '')
        .split(' ')
        .filter(Boolean)
        .map((pair) => pair.split('=') as [string, string]),
    );
    return { form: Number(form), isHeld: Number(form) % 3 === 0, kind, text, meant };
  });

type Read = Pick<QuestionRead, 'from' | 'to' | 'need' | 'rules'> & { kind?: string; rejoin?: QuestionRead['from'] };

/** What is wrong of a reading; [] where it is right. */
export function faults({ kind, meant }: Sentence, read: Read): string[] {
  const out: string[] = [];
  const isOf = (readings: Read['from'] | undefined, ends: string | undefined) =>
    ends === undefined ? (readings ?? []).length === 0 : ends.split(',').includes(readings?.[0]?.end ?? '');
  const got = (readings: Read['from'] | undefined) => readings?.[0]?.end ?? '-';
  if (
    read.kind !== undefined &&
    read.kind !== kind &&
    !(kind === 'part' && read.kind === 'chain') &&
    !(read.kind === 'unclear' && kind === 'chain')
  ) {
    out.push(`kind ${read.kind}`);
  }
  if (kind === 'not-ours') return read.from.length + read.to.length > 0 ? [...out, 'not refused'] : out;
  const [there, back] = [
    [read.from, read.to],
    [read.to, read.from],
  ];
  const fits = ([a, b]: Read['from'][]) => isOf(a, meant.from) && isOf(b, meant.to);
  // A connector and a question of two ends have no water side of their own.
  const isEitherWay = kind === 'fits' || (kind === 'part' && meant.stop === undefined);
  if (kind === 'leaks') {
    if (!isOf(read.to, meant.to)) out.push(`to ${got(read.to)}`);
  } else if (!fits(there!) && !(isEitherWay && fits(back!))) out.push(`${got(read.from)} > ${got(read.to)}`);
  if (meant.rejoin && !isOf(read.rejoin, meant.rejoin)) out.push(`rejoin ${got(read.rejoin)}`);
  if (kind !== 'leaks' && kind !== 'fits') {
    const inches = meant.inches === undefined ? undefined : Number(meant.inches);
    if (read.need.minLengthIn !== inches) out.push(`inches ${read.need.minLengthIn}`);
    if (meant.stop && !read.need.stop) out.push('no stop');
    if (meant.arrestor && !read.need.arrestor) out.push('no arrestor');
    if (meant.hot && read.need.water !== 'hot') out.push('not hot');
    if (meant.avoid && !read.need.avoid?.includes(meant.avoid)) out.push('not avoided');
    if (meant.push && read.rules.push !== meant.push) out.push('push');
  }
  return out;
}

/** The same with one slip of the keyboard in a word of four letters or more; sizes stay as they are. */
export function slipped(text: string, next: () => number): string {
  const words = [...text.matchAll(/[a-zA-Z]{4,}/g)];
  if (words.length === 0) return text;
  const { 0: word, index } = words[Math.floor(next() * words.length)]!;
  const at = 1 + Math.floor(next() * (word.length - 2));
  const kinds = [
    word.slice(0, at) + word[at + 1] + word[at] + word.slice(at + 2),
    word.slice(0, at) + word.slice(at + 1),
    word.slice(0, at) + word[at] + word.slice(at),
    `${word.slice(0, at)}${'etaoinsrhl'[Math.floor(next() * 10)]}${word.slice(at + 1)}`,
  ];
  return text.slice(0, index) + kinds[Math.floor(next() * kinds.length)] + text.slice(index + word.length);
}
