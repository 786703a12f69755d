/** A work card as plain text with marks, to be kept in any file or printed anywhere. */

import { textIn, type Units } from '../units/index.ts';
import { figureLines } from './figures/figure-lines.ts';
import type { StepStage } from './step-data.ts';
import { takeAlong } from './take-along.ts';
import type { WorkStep } from './work-card.ts';

/** What a card is for, in words. */
export interface CardHead {
  /** 'Glass rinser, canteen kitchen' */
  run: string;
  work: string;
  premises: string;
  /** 'J1: stop outlet and adapter' and so on, water side first. */
  joints: string[];
}

const STAGE_TITLES: Record<StepStage, string> = { shut: 'Shut', make: 'Make', prove: 'Prove', log: 'Log' };

/**
 * Markdown: a list of tasks by stage, each with its way, cautions and question; what to have along first.
 *
 * @param done  steps that are ticked, by id
 * @param units what its figures are said in
 */
export function cardMarkdown(
  head: CardHead,
  steps: readonly WorkStep[],
  done: Readonly<Record<string, boolean>> = {},
  units: Units = 'inch',
): string {
  const say = (words: string) => text(textIn(words, units));
  const along = takeAlong([{ run: head.run, steps }]);
  const listed = (rows: { what: string; sizes: string[] }[]) =>
    rows.map((r) => `- ${say(r.sizes.length > 0 ? `${r.what} (${r.sizes.join('; ')})` : r.what)}`);
  const lines = [
    `# ${text(head.run)}: ${text(head.work)}`,
    '',
    text(head.premises),
    '',
    ...(head.joints.length > 0 ? ['## Joints', '', ...head.joints.map((j) => `- ${text(j)}`), ''] : []),
    ...(along.people.count > 1 ? [`${along.people.count} people: ${text(along.people.at.map((a) => a.step).join('; '))}`, ''] : []),
    ...(along.tools.length > 0 ? ['## Tools', '', ...listed(along.tools), ''] : []),
    ...(along.materials.length > 0 ? ['## Materials', '', ...listed(along.materials), ''] : []),
  ];
  let n = 0;
  for (const stage of ['shut', 'make', 'prove', 'log'] as const) {
    const own = steps.filter((s) => s.stage === stage);
    if (own.length === 0) continue;
    lines.push(`## ${STAGE_TITLES[stage]}`, '');
    for (const step of own) {
      n += 1;
      lines.push(`- [${done[step.id] ? 'x' : ' '}] **${n}. ${text(step.title)}** ${say(step.detail)}`);
      for (const line of figureLines(step)) lines.push(`  - ${say(line)}`);
      for (const caution of step.cautions) lines.push(`  - **Caution:** ${say(caution)}`);
      if (step.gate) lines.push(`  - **Must be answered:** ${say(step.gate)}`);
    }
    lines.push('');
  }
  lines.push("Local code and the maker's instructions come first; where the code asks for a licensed person, use one.", '');
  return lines.join('\n');
}

/** What a name or a note may hold that would be read as a mark. */
const text = (said: string): string =>
  said
    .replace(/\s+/g, ' ')
    .replace(/[\\`*_[\]<>#|]/g, (mark) => `\\${mark}`)
    .trim();
