/** A work card on paper: black on white, two columns, boxes to tick. */
import { figureLines, takeAlong, textIn, type Units, type WorkStep } from '../../../core/index.ts';
import type { RunCard } from '../answers/index.ts';
import { newPdf, Paper } from './paper.ts';

const STAGES = { shut: 'Shut', make: 'Make', prove: 'Prove', log: 'Log' } as const;

/** The card as PDF, its figures in these units. */
export async function workCardPdf({ head, steps, done }: RunCard, units: Units): Promise<Uint8Array> {
  const say = (text: string) => textIn(text, units);
  const { pdf, fonts } = await newPdf(`Work card: ${head.run}`);
  const paper = new Paper(pdf, fonts, `${head.run}: ${head.work}`);
  paper.text(head.premises);
  for (const joint of head.joints) paper.text(joint, { bold: true });
  const along = takeAlong([{ run: head.run, steps }]);
  const listed = (rows: typeof along.tools) => rows.map((r) => (r.sizes.length > 0 ? `${r.what} (${r.sizes.join('; ')})` : r.what)).join(', ');
  if (along.people.count > 1) paper.text(`${along.people.count} people: ${along.people.at.map((a) => a.step).join('; ')}`);
  if (along.tools.length > 0) paper.text(say(`Tools: ${listed(along.tools)}`));
  if (along.materials.length > 0) paper.text(say(`Materials: ${listed(along.materials)}`));
  let n = 0;
  for (const stage of ['shut', 'make', 'prove', 'log'] as const) {
    const own = steps.filter((s) => s.stage === stage);
    if (own.length === 0) continue;
    paper.space(6);
    paper.room(36);
    paper.text(STAGES[stage], { size: 12, bold: true });
    for (const step of own) stepOn(paper, step, ++n, done[step.id] ?? false, say);
  }
  paper.space(6);
  paper.text("Local code and the maker's instructions come first; where the code asks for a licensed person, use one.");
  return pdf.save();
}

function stepOn(paper: Paper, step: WorkStep, n: number, isDone: boolean, say: (text: string) => string): void {
  paper.space(3);
  paper.box(isDone);
  paper.text(`${n}. ${step.title}`, { size: 9.5, bold: true, indent: 12 });
  paper.text(say(step.detail), { indent: 12 });
  for (const line of figureLines(step)) paper.text(say(line), { indent: 12 });
  for (const caution of step.cautions) paper.text(say(`! ${caution}`), { indent: 12, bold: true });
  if (step.gate) paper.text(say(`Must be answered: ${step.gate}   yes / no`), { indent: 12 });
}
