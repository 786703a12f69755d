/** Works out transients beside the page: one bare and one with its cushion, and sweeps that tell how far they are. */
import { expose } from 'comlink';
import {
  type Band,
  bandOf,
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

/** A page that moved on says which sweep it wants no more. */
let wanted = 0;

const hammer = {
  both: (question: SurgeQuestion): { bare: Surge; cushioned: Surge | null } => {
    const { cushion, cushionFt, ...bare } = question;
    return { bare: surge(bare), cushioned: cushion ? surge({ ...bare, cushion, cushionFt }) : null };
  },
  effects: (question: SurgeQuestion): Effect[] => surgeEffects(question),
  /** @param onRun told after every few runs how many are done */
  sweep: async (question: SurgeQuestion, spread: Spread, runs: number, onRun: (done: number) => void): Promise<Band | null> => {
    const own = ++wanted;
    const swept: SweptRun[] = [];
    for (let i = 0; i < runs; i++) {
      swept.push(sweptRun(surge(sweptQuestion(question, spread, i)), question.seconds));
      if (i % 10 === 9) {
        onRun(i + 1);
        // Lets a newer question or a stop in.
        await new Promise((wake) => setTimeout(wake));
        if (own !== wanted) return null;
      }
    }
    return bandOf(swept, question.seconds);
  },
  stop: (): void => {
    wanted++;
  },
};
export type HammerWorker = typeof hammer;
expose(hammer);
