/** Answers that are no hookup: whether two ends fit, what to do about a leak, the parts that were described. */
import {
  endName,
  fitAsked,
  type HouseRules,
  type Part,
  type QuestionRead,
  type Reading,
  turns24,
  type Verdict,
  writeTurns,
} from '../../../core/index.ts';
import { Reasons } from '../../ui/units/index.ts';
import { money } from '../../ui/words.ts';

const VERDICTS: Record<Verdict, [mark: string, words: string]> = {
  seals: ['✓', 'It fits and seals'],
  marginal: ['▲', 'It fits, with care'],
  'false-start': ['✕', 'It does not fit, though it starts'],
  no: ['✕', 'It does not fit'],
};

/** Does the one go on the other: the verdict first, its turns, and why. */
export function Fits({ read, chosen, rules }: { read: QuestionRead; chosen: { from: string | null; to: string | null }; rules: HouseRules }) {
  const fit = fitAsked(startingWith(read.from, chosen.from), startingWith(read.to, chosen.to), rules);
  if (!fit) return null;
  const [mark, words] = VERDICTS[fit.mating.verdict];
  const { turns, bindsAfterTurns, because } = fit.mating;
  return (
    <section aria-label="Does it fit" className="mb-3 border-l-8 border-brass-deep bg-sheet p-3">
      <h2 className="text-2xl">
        <span aria-hidden="true">{mark}</span> {words}
        {bindsAfterTurns !== undefined && `: binds after about ${writeTurns(turns24(bindsAfterTurns))}`}
      </h2>
      <p>
        {endName(fit.a)}, and {endName(fit.b)}
        {turns && `: hand-tight and ${writeTurns(turns24(turns.default))}`}.
      </p>
      {because[0] && <p>{because[0].text}</p>}
      {because.length > 1 && <Reasons because={because} />}
    </section>
  );
}

/** What was pressed comes before what was read first. */
function startingWith(readings: readonly Reading[], chosen: string | null): Reading[] {
  const one = readings.find((r) => r.end === chosen);
  return one && one !== readings[0] ? [one] : [...readings];
}

/** A leak: a visit that begins with finding it, the words kept. */
export function Leak({ text, read }: { text: string; read: QuestionRead }) {
  const on = read.to[0]?.appliance;
  const call = new URLSearchParams({ said: text, work: 'leak-find', ...(on ? { on } : {}) });
  return (
    <section aria-label="A leak" className="mb-3 grid gap-3 border-l-8 border-brass-deep bg-sheet p-3">
      <h2 className="text-2xl">A leak{on ? ` at the ${on.replaceAll('-', ' ')}` : ''}: find it first</h2>
      <p>
        Dry everything, then look from the top down, with the water on: it runs down from where it begins. Water running now: close its stop, else the
        main.
      </p>
      <p className="flex flex-wrap gap-3">
        <a className="key key-main" href={`/call?${call}`}>
          Book a visit to find it
        </a>
        <a className="key" href="/callbacks">
          It is a joint we made
        </a>
      </p>
    </section>
  );
}

/** How many of the parts described are shown. */
const MOST_PARTS = 3;

interface PartsProps {
  ids: readonly string[];
  parts: readonly Part[];
  stock: Readonly<Record<string, number>>;
  elsewhere: (item: string) => string;
  currency: string;
}

/** The parts that were described, in stock or not, before what is made of them. */
export function PartsFound({ ids, parts, stock, elsewhere, currency }: PartsProps) {
  const found = ids.slice(0, MOST_PARTS).flatMap((id) => parts.find((p) => p.id === id) ?? []);
  if (found.length === 0) return <p className="mb-3 text-lg">No part in the catalog is so described.</p>;
  return (
    <section aria-label="Parts so described" className="mb-3">
      <h2>{ids.length === 1 ? 'The part' : 'Parts so described'}</h2>
      <ul className="grid gap-2">
        {found.map((part) => (
          <li key={part.id} className="flex flex-wrap items-baseline gap-x-4 border border-ink bg-sheet px-3 py-2">
            <a href={`/stock?find=${encodeURIComponent(part.name)}`} className="min-w-0 flex-1 basis-60 text-lg">
              {part.name}
            </a>
            <b>{whereIs(part.id, stock, elsewhere)}</b>
            <span>{money(part.priceCents, currency)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function whereIs(id: string, stock: Readonly<Record<string, number>>, elsewhere: (item: string) => string): string {
  const onVan = stock[id] ?? 0;
  const place = elsewhere(id);
  return [onVan > 0 ? `on the van: ${onVan}` : '', place === '' ? '' : `in stock: ${place}`].filter(Boolean).join(', ') || 'to buy';
}
