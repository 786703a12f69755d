import type { WorkStep } from '../../../../core/index.ts';
import { minutesOfStep, type OwnStepMinutes, rowOfStep } from '../../../../record/index.ts';

/** 'about 4 min, 8 where it goes slowly'; of the shop's own where it has some. */
export function minutesWords(step: WorkStep, own: OwnStepMinutes | undefined): string {
  const { usual, slow } = minutesOfStep(step, own);
  const whole = (minutes: number) => (minutes < 1 ? '1/2' : String(Math.round(minutes)));
  const ours = own?.[rowOfStep(step.id)] ? ', by your own record' : '';
  return `about ${whole(usual)} min, ${whole(slow)} where it goes slowly${ours}`;
}
