import { type Asked, endName, type HouseRules, type OwnWords, type QuestionRead, type Reading, type SpanKind } from '../../../core/index.ts';
import { InUnits, useUnits } from '../../ui/units/index.ts';
import { demandsOf } from './demands.ts';
import type { Question } from './question.ts';
import { Sentence } from './Sentence.tsx';

interface Props {
  q: Question;
  /** What was read of its sentence. */
  read: QuestionRead;
  rules: HouseRules;
  words: OwnWords;
  shopId: string;
  set: (change: Partial<Question>) => void;
}

/** What was read of the sentence: both sides with whatever else they may be, what is asked, what was not used; and the one question that is asked back. */
export function Heard({ q, read, rules, words, shopId, set }: Props) {
  const units = useUnits();
  const chips = demandsOf(q, rules, units, words);
  const question = read.asked.find((a) => isOpen(a, q)) ?? null;
  // Which inlet is asked where the inlet stands.
  const isInlet = question?.choices.every(({ as }) => as.to && !as.from) === true && q.to !== null;
  const answer = ({ as }: Asked['choices'][number]) =>
    set({
      ...(as.from ? { from: as.from[0]!.end } : {}),
      ...(as.to ? { to: as.to[0]!.end } : {}),
      ...(as.rejoin ? { rejoin: as.rejoin[0]!.end } : {}),
      ...(as.need?.water ? { water: as.need.water } : {}),
    });
  return (
    <section aria-label="What was read" className="mb-3 grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-2 lg:grid-cols-[repeat(2,minmax(0,1fr))]">
      <p className="hidden text-lg lg:col-span-2 print:block">
        <b>
          {q.from ? endName(q.from) : '?'} to {q.to ? endName(q.to) : '?'}
        </b>
        {chips.length > 0 && `: ${chips.map((c) => c.words).join(', ')}`}
      </p>
      <Sentence text={q.text} {...{ read, words, shopId }} />
      {q.from !== null && <Side label="From" value={q.from} readings={read.from} onChoose={(from) => set({ from })} />}
      {q.to !== null && <Side label={isInlet ? question!.text : 'To'} value={q.to} readings={read.to} onChoose={(to) => set({ to })} />}
      {question && !isInlet && (
        <fieldset className="grid min-w-0 grid-cols-[minmax(0,1fr)] lg:col-span-2 print:hidden">
          <legend className="font-head text-xl">{question.text}</legend>
          <div className="flex gap-2 overflow-x-auto p-1">
            {question.choices.map((choice) => (
              <button
                key={choice.say}
                type="button"
                className="key min-h-12 shrink-0 px-3"
                aria-pressed={isTaken(choice, q)}
                onClick={() => answer(choice)}
              >
                {choice.say}
              </button>
            ))}
          </div>
        </fieldset>
      )}
      {chips.length > 0 && (
        <ul className="flex flex-wrap gap-2 print:hidden" aria-label="Asked of the chain">
          {chips.map(({ words: said, off }) => (
            <li key={said}>
              <button type="button" className="key min-h-12 px-3" onClick={() => set(off)}>
                <span>{said}</span>
                <span aria-hidden="true">×</span>
                <span className="sr-only">: leave it out</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {q.text.trim() !== '' && read.spans.length > 0 && (
        <details className="why print:hidden">
          <summary>Why it was read so</summary>
          <ul>
            {read.spans.map(({ at, length, as }) => (
              <li key={at}>
                <b>{q.text.slice(at, at + length)}</b>: {TAKEN_FOR[as]}
              </li>
            ))}
            {read.from[0] && <li>From: {read.from[0].why}.</li>}
            {read.to[0] && <li>To: {read.to[0].why}.</li>}
          </ul>
        </details>
      )}
      {read.notes.map((n) => (
        <p key={n.text} className="caution lg:col-span-2">
          <InUnits said={n} />
        </p>
      ))}
    </section>
  );
}

/** What a word was taken for, in words. */
const TAKEN_FOR: Record<SpanKind, string> = {
  size: 'a size',
  family: 'a kind of thread or fitting',
  gender: 'male or female',
  material: 'what it is made of',
  tube: 'a tube',
  appliance: 'an appliance',
  part: 'a part',
  count: 'how many',
  length: 'a length',
  place: 'where it is',
  relation: 'sets one end against the other',
  wish: 'asked of the hookup',
  filler: 'says nothing of either end',
  unknown: 'not used',
};

/** Whether a choice is what the form says now: at first the likeliest, which answers until another is pressed. */
const isTaken = ({ as }: Asked['choices'][number], q: Question): boolean =>
  (as.from === undefined || as.from[0]!.end === q.from) &&
  (as.to === undefined || as.to[0]!.end === q.to) &&
  (as.need?.water === undefined || as.need.water === q.water);

/** A side that was named since by hand is asked for no more. */
function isOpen({ what }: Asked, q: Question): boolean {
  if (what === 'from') return q.from === null;
  if (what === 'to') return q.to === null;
  return q.from !== null && q.to !== null;
}

/** Beyond these the form's own field is quicker. */
const MOST_OTHERS = 6;

interface SideProps {
  label: string;
  value: string;
  readings: Reading[];
  onChoose: (end: string) => void;
}

function Side({ label, value, readings, onChoose }: SideProps) {
  const isRead = readings.some((r) => r.end === value);
  const offered = isRead ? readings.slice(0, MOST_OTHERS).map((r) => r.end) : [value];
  return (
    <fieldset className="grid min-w-0 grid-cols-[minmax(0,1fr)] print:hidden">
      <legend className="label">{label}</legend>
      <div className="flex gap-2 overflow-x-auto p-1">
        {offered.length === 1 ? (
          <b className="text-lg">{endName(value)}</b>
        ) : (
          offered.map((end) => (
            <button key={end} type="button" className="key min-h-12 shrink-0 px-3" aria-pressed={end === value} onClick={() => onChoose(end)}>
              {endName(end)}
            </button>
          ))
        )}
      </div>
    </fieldset>
  );
}
