/** Works out transients beside the page: one bare and one with its cushion, what each figure does to it, and shares of a sweep. */
import { expose } from 'comlink';
import {
  type Effect,
  type Spread,
  type Surge,
  type SurgeQuestion,
  type SweptRun,
  surge,
  surgeEffects,
  sweptQuestion,
  sweptRun,
} from '../../../core/index.ts';

const hammer = {
  both: (question: SurgeQuestion): { bare: Surge; cushioned: Surge | null } => {
    const { cushion, cushionFt, ...bare } = question;
    return { bare: surge(bare), cushioned: cushion ? surge({ ...bare, cushion, cushionFt }) : null };
  },
  effects: (question: SurgeQuestion): Effect[] => surgeEffects(question),
  /** Every so-many-th run of a sweep. @param onRun told after every few how many of them are done */
  sweep: (
    question: SurgeQuestion,
    spread: Spread,
    { first, every, runs }: { first: number; every: number; runs: number },
    onRun: (done: number) => void,
  ): SweptRun[] => {
    const swept: SweptRun[] = [];
    for (let i = first; i < runs; i += every) {
      swept.push(sweptRun(surge(sweptQuestion(question, spread, i)), question.seconds));
      if (swept.length % 5 === 0) onRun(swept.length);
    }
    return swept;
  },
};
export type HammerWorker = typeof hammer;
expose(hammer);
