import type { WorkStep } from '../work-card.ts';

/** Figures of a step as lines of words: what its sheet says, what was measured, what they come to; what is missing with room to write it. */
export function figureLines(step: WorkStep): string[] {
  const read = (step.figures ?? []).filter((f) => f.text !== '').map((f) => `Its sheet, ${f.name}: ${f.text}`);
  const measured = (step.measures ?? []).map((m) => `Measured, ${m.name}: ${m.text === '' ? '______' : m.text}`);
  const reckoned = (step.reckoned ?? []).filter((r) => r.text !== '').map((r) => `${r.title}: ${r.text}`);
  return [...read, ...measured, ...reckoned];
}
