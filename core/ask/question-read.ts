/** What is read of a question, and what it is asked with. */
import type { Reading } from '../ends/index.ts';
import type { HouseRules } from '../house/index.ts';
import type { Need, Part } from '../match/index.ts';
import type { Reason } from '../reason.ts';
import type { QuestionKind } from './kinds.ts';
import type { OwnWords } from './own-words.ts';
import type { WordSpan } from './spans.ts';

export interface QuestionRead {
  kind: QuestionKind;
  /** Readings of the water side, best first; [] where none was said or none fits. */
  from: Reading[];
  /** Readings of the appliance's side. */
  to: Reading[];
  /** What was parted and is joined again, where a fixture keeps its water. */
  rejoin: Reading[];
  need: Partial<Need>;
  /** House rules that are told otherwise: 'no push'. */
  rules: { push?: HouseRules['push'] };
  /** Words that were not used. */
  unread: string[];
  /** What was said of each side, as typed. */
  said: { from: string; to: string };
  /** What to beware of in what was said, and why something of it was not used. */
  notes: Reason[];
  /** Of the best reading over the next, in nats. */
  margin: number;
  /** Every word as typed, with what it was taken for. */
  spans: WordSpan[];
  /** What must still be known, most useful first. */
  asked: Asked[];
  /** Of parts that were given, those that are described by their own ends, the likeliest first. */
  part?: { ids: string[] };
}

/** What a shop knows besides. */
export interface Given {
  parts?: readonly Part[];
  /** Its own words. */
  words?: OwnWords;
}

/** What an answer makes of the question. */
export type Answered = Partial<Pick<QuestionRead, 'from' | 'to' | 'rejoin' | 'need'>>;

export interface Asked {
  what: 'from' | 'to' | 'length' | 'water' | 'which';
  text: string;
  choices: { say: string; as: Answered }[];
}
