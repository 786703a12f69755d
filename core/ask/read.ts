/** As a sentence is read, before what follows from the whole of it. */
import type { Described } from './described.ts';
import type { Answered, QuestionRead } from './question-read.ts';

export type Read = Omit<QuestionRead, 'spans' | 'asked' | 'part'> & { described?: Described; turned?: Answered };

export const NOTHING: Read = {
  kind: 'unclear',
  from: [],
  to: [],
  rejoin: [],
  need: {},
  rules: {},
  unread: [],
  said: { from: '', to: '' },
  notes: [],
  margin: 0,
};
