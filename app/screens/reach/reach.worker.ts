/** Works out shapes of lines beside the page, so that a drag stays smooth. */
import { expose } from 'comlink';
import { type LengthPick, type LengthQuestion, pickLength } from '../../../core/index.ts';

const reach = { pick: (question: LengthQuestion): LengthPick[] => pickLength(question) };
export type ReachWorker = typeof reach;
expose(reach);
