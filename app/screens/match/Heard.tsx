import { endName, type HouseRules, type Reading, readQuestion, withMillimetres } from '../../../core/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { demandsOf } from './demands.ts';
import type { Question } from './question.ts';

interface Props {
  q: Question;
  rules: HouseRules;
  set: (change: Partial<Question>) => void;
  /** Reads another sentence. */
  say: (text: string) => void;
}

/** What was read of the sentence: both sides with whatever else they may be, what is asked, what was not understood; and the gap, if there is one. */
export function Heard({ q, rules, set, say }: Props) {
  const units = useUnits();
  const read = readQuestion(units === 'metric' ? withMillimetres(q.text) : q.text);
  const chips = demandsOf(q, rules, units);
  return (
    <section aria-label="What was read" className="mb-3 grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-2 lg:grid-cols-[repeat(2,minmax(0,1fr))]">
      <p className="hidden text-lg lg:col-span-2 print:block">
        <b>
          {q.from ? endName(q.from) : '?'} to {q.to ? endName(q.to) : '?'}
        </b>
        {chips.length > 0 && `: ${chips.map((c) => c.words).join(', ')}`}
      </p>
      <Side
        label="From"
        value={q.from}
        readings={read.from}
        onChoose={(from) => set({ from })}
        usual={WATER_SIDES}
        onUsual={(word) => say(`${q.text} from ${word}`)}
      />
      <Side
        label="To"
        value={q.to}
        readings={read.to}
        onChoose={(to) => set({ to })}
        usual={APPLIANCES}
        onUsual={(word) => say(`${q.text} to ${word}`)}
      />
      {chips.length > 0 && (
        <ul className="flex flex-wrap gap-2 lg:col-span-2 print:hidden" aria-label="Asked of the chain">
          {chips.map(({ words, off }) => (
            <li key={words}>
              <button type="button" className="key min-h-12 px-3" onClick={() => set(off)}>
                <span>{words}</span>
                <span aria-hidden="true">×</span>
                <span className="sr-only">: leave it out</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      {read.unread.length > 0 && (
        <p role="status" className="border-2 border-dashed border-ink px-3 py-1 lg:col-span-2">
          Not understood: <b>{read.unread.join(' ')}</b>
        </p>
      )}
      {read.notes.map((n) => (
        <p key={n.text} className="caution lg:col-span-2">
          {n.text}
        </p>
      ))}
    </section>
  );
}

/** What is met most at each side, in words that are read. */
const WATER_SIDES = ['3/8 comp stop', '1/2 copper', '1/2 pex', '1/2 male pipe', '3/4 hose bib', '1/2 cpvc'];
const APPLIANCES = ['toilet', 'faucet', 'kitchen faucet', 'dishwasher', 'fridge', 'washing machine', 'ice maker', 'bidet seat', 'brewer'];

/** Beyond these the form's own field is quicker. */
const MOST_OTHERS = 6;

interface SideProps {
  label: string;
  value: string | null;
  readings: Reading[];
  onChoose: (end: string) => void;
  usual: string[];
  onUsual: (word: string) => void;
}

function Side({ label, value, readings, onChoose, usual, onUsual }: SideProps) {
  const isRead = readings.some((r) => r.end === value);
  const offered = isRead ? readings.slice(0, MOST_OTHERS).map((r) => r.end) : value === null ? [] : [value];
  const appliance = readings[0]?.appliance?.replaceAll('-', ' ');
  return (
    <fieldset className="grid min-w-0 grid-cols-[minmax(0,1fr)] print:hidden">
      <legend className="label">{label}</legend>
      <div className="flex gap-2 overflow-x-auto p-1">
        {value === null &&
          usual.map((word) => (
            <button key={word} type="button" className="key min-h-12 shrink-0 px-3" onClick={() => onUsual(word)}>
              {word}
            </button>
          ))}
        {value !== null && offered.length === 1 && <b className="text-lg">{endName(value)}</b>}
        {offered.length > 1 &&
          offered.map((end) => (
            <button key={end} type="button" className="key min-h-12 shrink-0 px-3" aria-pressed={end === value} onClick={() => onChoose(end)}>
              {endName(end)}
            </button>
          ))}
      </div>
      {value === null && <p>{label === 'From' ? 'From what does the water come?' : 'What does it go to?'}</p>}
      {appliance && offered.length > 1 && isRead && <p className="text-soft">A {appliance} comes with any of these: look which it is.</p>}
    </fieldset>
  );
}
