import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import {
  type Chain,
  chainWithLength,
  type HouseRules,
  lengthMaking,
  type MatchQuery,
  type OwnWords,
  type QuestionRead,
  usualBoreIn,
} from '../../../core/index.ts';
import type { OpenRun } from '../../../record/index.ts';
import { Chains, chainKey } from '../../ui/chains/index.ts';
import { fetched } from '../../ui/form/index.ts';
import { namesOf, useCatalogue, useShop, whereElse } from '../../ui/held/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { useAddress } from '../../ui/use-address.ts';
import { money } from '../../ui/words.ts';
import { type Answer, answerTo, queryOf } from './answer.ts';
import { Examples } from './Examples.tsx';
import { Form } from './Form.tsx';
import { Heard } from './Heard.tsx';
import { chainName, inShort } from './in-short.ts';
import { addressOf, inchesOf, psiOf, type Question, questionOf, questionTyped, readAgain, readTyped } from './question.ts';
import { Fits, Leak, PartsFound } from './Told.tsx';
import { useSentence } from './use-sentence.ts';

const Take = fetched('The shopping list', () => import('./Take.tsx'));
const WhyNot = fetched('Why not', () => import('./WhyNot.tsx'));

interface Props {
  address: Record<string, string>;
  rules: HouseRules;
  runs: OpenRun[];
  /** The answer to what the address asks, as the server worked it out; null where it asks none. */
  first: Answer | null;
  /** The shop's own words as the page came. */
  words: OwnWords;
  shopId: string;
}

/** Two ends, what the chain must do, and the chains that do it, compared; without any visit. */
export default function Bench({ address: made, first, ...rest }: Props) {
  const address = useAddress(made);
  // A page kept for use without a connection was made for another address.
  const isHere = JSON.stringify(address) === JSON.stringify(made);
  return <Asked key={JSON.stringify(address)} address={address} first={isHere ? first : null} {...rest} />;
}

/** Kinds of question that are answered without a hookup. */
const HAS_OWN_ANSWER: readonly QuestionRead['kind'][] = ['leaks', 'not-ours'];

/** How long the address waits for the next key, ms: browsers allow few changes of it. */
const ADDRESS_WAITS_MS = 300;

/** One question as its address asks it. */
function Asked({ address, rules: made, runs: given, first, words: madeWords, shopId }: Props) {
  const catalogue = useCatalogue();
  const words = useShop()?.words ?? madeWords;
  const rules = catalogue?.rules ?? made;
  const units = useUnits();
  const [q, setQ] = useState<Question>(() => questionOf(address, rules, units, words));
  const [taken, setTaken] = useState<Chain | null>(null);
  const [asksWhy, setAsksWhy] = useState(false);
  const answer = useRef<HTMLElement>(null);
  const [isTyped, setTyped] = useState(false);
  const set = useCallback((change: Partial<Question>) => {
    setTaken(null);
    setTyped(false);
    setQ((old) => ({ ...old, ...change }));
  }, []);
  const say = (text: string) => {
    setTaken(null);
    setTyped(true);
    setQ(questionTyped(text, rules, units, words));
  };
  const read = readTyped(q.text, units, words, catalogue?.parts);
  useReread(words, (before) => setQ((old) => readAgain(old, rules, units, before, words)));
  useSentence(q.text, say, () => answer.current?.focus());
  const link = useSettledAddress(q, isTyped);
  // Most keys change nothing of what is asked.
  const asked = useSame({ ...q, text: '' });
  const query = useMemo(() => (catalogue ? queryOf(asked, catalogue) : null), [asked, catalogue]);
  const names = useMemo(() => namesOf(catalogue), [catalogue]);
  const elsewhere = useMemo(() => whereElse(catalogue?.places ?? []), [catalogue]);
  const [begun] = useState(asked);
  const now = useMemo((): Answer | null => {
    if (!catalogue) return asked === begun ? first : null;
    if (!query) return null;
    return {
      result: answerTo(query, catalogue.appliances),
      from: query.from,
      to: query.to,
      water: query.need.water,
      rules: query.rules ?? catalogue.rules,
      parts: catalogue.parts,
      names,
      currency: catalogue.currency,
      kits: catalogue.kits,
      callbacks: catalogue.callbacks ?? [],
    };
  }, [catalogue, query, names, first, asked, begun]);
  const withLength = useCallback((chain: Chain, part: string) => query && chainWithLength(query, chain, part), [query]);
  const told = useChange(now, q);
  // The best chain in words answers every key; the drawings follow when no key waits.
  const drawn = useWhenIdle(now, isTyped ? NEXT_KEY_MS : 0);
  // A link to a chain opens it as taken.
  const wanted = useRef(address.take ?? null);
  useEffect(() => {
    if (!query || !now || wanted.current === null) return;
    setTaken(taking(now.result, query, wanted.current.split(',')));
    wanted.current = null;
  }, [query, now]);
  const badLength = Number.isNaN(inchesOf(q.length));
  const badPsi = Number.isNaN(psiOf(q.psi));
  const best = now && inShort(now);
  return (
    <div>
      <h1 className="sr-only">Match bench</h1>
      <h2 className="mb-2 text-2xl first-letter:uppercase empty:hidden" aria-live="polite">
        {(read.kind === 'fits' ? null : best) ?? ''}
      </h2>
      {read.kind === 'fits' && <Fits read={read} chosen={q} rules={rules} />}
      {read.part && catalogue && (
        <PartsFound ids={read.part.ids} parts={catalogue.parts} stock={catalogue.stock} elsewhere={elsewhere} currency={catalogue.currency} />
      )}
      <Heard {...{ q, read, rules, set, words, shopId }} />
      {read.kind === 'leaks' && <Leak text={q.text} read={read} />}
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-x-6 border-t border-ink pt-3 lg:grid-cols-[minmax(0,1fr)_20rem] print:block">
        <section ref={answer} id="answer" tabIndex={-1} aria-label="Answer">
          {told && (
            <p className="mt-2 border-l-8 border-brass-deep bg-sheet px-3 py-1 print:hidden" role="status">
              {told}
            </p>
          )}
          {!catalogue && !now && q.from && q.to && <p>Reading the parts ...</p>}
          {!now && !(q.from && q.to) && !badLength && !badPsi && !HAS_OWN_ANSWER.includes(read.kind) && read.asked.length === 0 && (
            <Examples isWhole={q.text.trim() === '' && !q.from && !q.to} say={say} />
          )}
          {read.kind === 'fits' && now && <h2>What joins them</h2>}
          {drawn && now && (
            <div aria-busy={drawn !== now}>
              <Chains {...drawn} elsewhere={elsewhere} onUse={setTaken} useWord="Take" withLength={withLength} minLengthIn={query?.need.minLengthIn}>
                {taken && query && catalogue && (
                  <Take
                    key={chainKey(taken)}
                    chain={taken}
                    query={query}
                    catalogue={catalogue}
                    link={`${link}&take=${taken.parts.join(',')}`}
                    given={given}
                  />
                )}
              </Chains>
              {query && (
                <details className="why mt-3" onToggle={(e) => setAsksWhy(e.currentTarget.open)}>
                  <summary>Why not this part or that?</summary>
                  {asksWhy && <WhyNot query={query} names={names} />}
                </details>
              )}
            </div>
          )}
        </section>
        <Form
          bore={catalogue && q.to ? usualBoreIn(catalogue.appliances, q.to) : null}
          address={link.slice(link.indexOf('?') + 1)}
          q={asked}
          {...{ set, badLength, badPsi, best }}
        />
      </div>
    </div>
  );
}

/** The chain of an answer that is made of these parts, whichever of its lengths it has. */
function taking({ chains, lengths }: Answer['result'], query: MatchQuery, parts: string[]): Chain | null {
  for (const [i, chain] of chains.entries()) {
    if (chain.parts.join(',') === parts.join(',')) return chain;
    const part = lengthMaking(chain, lengths[i]!, parts);
    if (part !== null) return chainWithLength(query, chain, part);
  }
  return null;
}

/** The sentence again where the shop's words have become others: told here, or come from another device. */
function useReread(words: OwnWords, reread: (before: OwnWords) => void): void {
  const readBy = useRef(words);
  const said = JSON.stringify(words);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what the words say, and not which object says it
  useEffect(() => {
    if (JSON.stringify(readBy.current) === said) return;
    reread(readBy.current);
    readBy.current = words;
  }, [said]);
}

/** The question's address, as the browser shows it: at once after a press, once no key has come for a moment while a sentence is typed. */
function useSettledAddress(q: Question, isTyped: boolean): string {
  const [link, setLink] = useState(() => addressOf(q));
  useEffect(() => {
    const settle = () => {
      const settled = addressOf(q);
      history.replaceState(null, '', settled);
      setLink(settled);
    };
    if (!isTyped) return settle();
    const later = setTimeout(settle, ADDRESS_WAITS_MS);
    return () => clearTimeout(later);
  }, [q, isTyped]);
  return link;
}

/** The same object as long as it says the same. */
function useSame(q: Question): Question {
  const kept = useRef(q);
  if (JSON.stringify(kept.current) !== JSON.stringify(q)) kept.current = q;
  return kept.current;
}

/** How long a drawing waits for the next key of a sentence, ms. */
const NEXT_KEY_MS = 250;

/** A value as it is drawn: the first at once, others when no key waits for its answer. */
function useWhenIdle<T>(value: T, waitMs: number): T {
  const [drawn, setDrawn] = useState(value);
  useEffect(() => {
    const later = setTimeout(() => startTransition(() => setDrawn(value)), waitMs);
    return () => clearTimeout(later);
  }, [value, waitMs]);
  return drawn;
}

/** Says what a changed demand or rule did to the best chain, while the two ends stay the same. */
function useChange(answer: Answer | null, q: Question): string | null {
  const before = useRef<{ ends: string; best: Chain | null } | null>(null);
  const [told, setTold] = useState<string | null>(null);
  useEffect(() => {
    const ends = `${q.from} ${q.to}`;
    const best = answer?.result.chains[0] ?? null;
    const old = before.current;
    before.current = answer ? { ends, best } : old;
    if (!answer || !old || old.ends !== ends) return setTold(null);
    const named = (c: Chain | null) => (c === null ? 'no chain' : chainName(c, (p) => answer.names[p] ?? p));
    if (old.best && best && chainKey(old.best) === chainKey(best)) return;
    const cost = (c: Chain | null) => (c ? ` (${money(Math.round(c.cost.total * 100), answer?.currency ?? 'USD')} expected)` : '');
    setTold(`Was best: ${named(old.best)}${cost(old.best)}. Now: ${named(best)}${cost(best)}.`);
  }, [answer, q.from, q.to]);
  return told;
}
