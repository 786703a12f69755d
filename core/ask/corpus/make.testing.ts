/** Writes `sentences.txt`: `node --import tsx core/ask/corpus/make.testing.ts`. It was run once; the file is what is read, and stays as it is. */
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { chance } from './chance.testing.ts';
import { FORMS, type Form, SLOTS } from './forms.testing.ts';

const SENTENCES = 1000;

/** Which end each slot tells, and what else it tells. */
function filled(form: Form, next: () => number): { text: string; truth: string } {
  const truth: Record<string, string> = {};
  let pair: string[] | null = null;
  const pick = (slot: string) => SLOTS[slot]![Math.floor(next() * SLOTS[slot]!.length)]!;
  const text = form.text.replace(/\[([A-Z])(\d?)\]/g, (_, slot: string, half: string) => {
    if (slot === 'P') {
      if (!pair) {
        const { text: both, ends } = pick('P');
        const [from, to] = ends.split(' ');
        Object.assign(truth, { from, to });
        pair = both.split('|');
      }
      return pair[Number(half) - 1]!;
    }
    const { text: said, ends } = pick(slot);
    if (slot === 'S' || slot === 'T') truth.from = ends;
    if (slot === 'A' || slot === 'B' || slot === 'W') truth.to = ends;
    if (slot === 'L') truth.inches = ends;
    if (slot === 'N' || slot === 'V') [truth.from, truth.to] = ends.split(' ') as [string, string];
    return said;
  });
  const also = (form.also ?? '').split('; ').filter(Boolean);
  for (const one of also) {
    const [key, value] = one.split(' ') as [string, string | undefined];
    if (key === 'pair') Object.assign(truth, { to: truth.from, from: value! });
    else truth[key === 'no' ? 'push' : key] = key === 'no' ? 'never' : (value ?? 'yes');
  }
  return { text: text.replace(/\ba a /g, 'a '), truth: Object.entries(truth).map(([key, value]) => `${key}=${value}`).join(' ') }; // biome-ignore format: one line
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const next = chance(29);
  const lines = new Set<string>();
  const told = new Map<string, string>();
  for (let round = 0; told.size < SENTENCES && round < 60; round++) {
    FORMS.forEach((form, i) => {
      if (told.size >= SENTENCES) return;
      const { text, truth } = filled(form, next);
      if (told.has(text)) return;
      told.set(text, truth);
      lines.add(`${i + 1} | ${form.kind} | ${text} | ${truth}`);
    });
  }
  writeFileSync(fileURLToPath(new URL('./sentences.txt', import.meta.url)), `${[...lines].join('\n')}\n`);
}
