/** What is done when a step goes wrong. */
import { applies } from './conditions.ts';
import type { Known } from './facts.ts';
import type { RunFacts } from './run-facts.ts';
import type { Recovery, StepTemplate } from './step-data.ts';
import type { Subject } from './subject.ts';

/** What can go wrong at a step, and the way out of it. */
export const recoveriesAt = (
  template: StepTemplate,
  run: RunFacts,
  known: Known,
  subject: Subject,
): Pick<Recovery, 'id' | 'title' | 'steps' | 'source'>[] =>
  (template.recoveries ?? [])
    .filter((r) => applies(r.when, run, known, subject))
    .map(({ id, title, steps, source }) => ({ id, title, steps, source }));

/** Rows with what can go wrong at them, by the verbs of their acts. */
export const withRecoveries = (templates: StepTemplate[], recoveries: readonly Recovery[]): StepTemplate[] =>
  templates.map((t) => {
    const own = recoveries.filter((r) => t.acts?.some((act) => r.at.includes(act.do)));
    return own.length === 0 ? t : { ...t, recoveries: own };
  });
