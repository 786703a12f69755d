import { useEffect, useMemo, useRef, useState } from 'react';
import {
  type Chain,
  HOUSE_CHOICES,
  type HouseRules,
  type MatchQuery,
  type MatchResult,
  matchChains,
  shortName,
  stockForCut,
} from '../../../core/index.ts';
import type { OpenRun } from '../../../record/visit/open-runs.ts';
import { AnswerBar } from '../../ui/AnswerBar.tsx';
import { Chains, chainKey } from '../../ui/Chains.tsx';
import { type ClientCatalogue, namesOf, useCatalogue } from '../../ui/catalogue.ts';
import { EndPicker } from '../../ui/EndPicker.tsx';
import { useAddress } from '../../ui/use-address.ts';
import { useOpenRuns } from '../../ui/use-open-runs.ts';
import { money } from '../../ui/words.ts';
import { EndDrawing } from './EndDrawing.tsx';
import { addressOf, inchesOf, psiOf, type Question, questionOf } from './question.ts';
import { Take } from './Take.tsx';
import { WhyNot } from './WhyNot.tsx';

interface Props {
  address: Record<string, string>;
  rules: HouseRules;
  runs: OpenRun[];
}

function queryOf(q: Question, catalogue: ClientCatalogue): MatchQuery | null {
  const minLengthIn = inchesOf(q.length);
  const pressurePsi = psiOf(q.psi);
  if (!q.from || !q.to || Number.isNaN(minLengthIn) || Number.isNaN(pressurePsi)) return null;
  const { stock, loose } = catalogue;
  return {
    from: q.from,
    to: q.to,
    ...(q.rejoin ? { rejoin: q.rejoin } : {}),
    parts: q.vanOnly ? catalogue.parts.filter((p) => (stock[p.id] ?? 0) > 0) : catalogue.parts,
    loose: q.vanOnly ? loose.filter((l) => !l.code.startsWith('cap-') || (stock[l.code] ?? 0) > 0) : loose,
    rules: { ...catalogue.rules, push: q.push, applianceLine: q.applianceLine, toiletLine: q.toiletLine },
    stock: stockForCut(stock, catalogue.parts, minLengthIn),
    need: {
      water: q.water,
      ...(minLengthIn === undefined ? {} : { minLengthIn }),
      ...(q.stop ? { stop: true } : {}),
      ...(q.arrestor ? { arrestor: true } : {}),
      ...(q.check ? { check: true } : {}),
      ...(q.outlet ? { leaveOutlet: true } : {}),
      ...(q.hidden ? { reachable: false } : {}),
      ...(q.afterRo ? { avoid: ['copper', 'brass'] } : {}),
      ...(pressurePsi === undefined ? {} : { pressurePsi }),
    },
  };
}

/** Two ends, what the chain must do, and the chains that do it, compared; without any visit. */
export default function Bench({ address: made, rules, runs: given }: Props) {
  const address = useAddress(made);
  return <Asked key={JSON.stringify(address)} {...{ address, rules }} runs={given} />;
}

/** One question as its address asks it. */
function Asked({ address, rules, runs: given }: Props) {
  const catalogue = useCatalogue();
  const runs = useOpenRuns(catalogue, given);
  const [q, setQ] = useState<Question>(() => questionOf(address, catalogue?.rules ?? rules));
  const [taken, setTaken] = useState<Chain | null>(null);
  const set = (change: Partial<Question>) => {
    setTaken(null);
    setQ((old) => ({ ...old, ...change }));
  };
  const link = addressOf(q);
  useEffect(() => {
    history.replaceState(null, '', link);
  }, [link]);
  const query = useMemo(() => (catalogue ? queryOf(q, catalogue) : null), [q, catalogue]);
  const result = useMemo(() => (query ? matchChains(query) : null), [query]);
  const names = useMemo(() => namesOf(catalogue), [catalogue]);
  const told = useChange(result, q, names);
  // A link to a chain opens it as taken.
  const wanted = useRef(address.take ?? null);
  useEffect(() => {
    if (!result || wanted.current === null) return;
    setTaken(result.chains.find((c) => c.parts.join(',') === wanted.current) ?? null);
    wanted.current = null;
  }, [result]);
  const badLength = Number.isNaN(inchesOf(q.length));
  const badPsi = Number.isNaN(psiOf(q.psi));
  const swap = () => set({ from: q.to, to: q.from });
  return (
    <div>
      <h1 className="sr-only">Match bench</h1>
      <div className="grid items-start gap-4 lg:grid-cols-[1fr_auto_1fr_21rem]">
        <div>
          <EndPicker id="from" label="From, water side" value={q.from} onChange={(from) => set({ from })} />
          <EndDrawing code={q.from} side="from" asked={link.slice(link.indexOf('?') + 1)} />
        </div>
        <button type="button" className="key justify-self-start lg:mt-7" onClick={swap} aria-label="Swap the two ends">
          ⇄
        </button>
        <div>
          <EndPicker id="to" label="To, appliance side" value={q.to} onChange={(to) => set({ to })} />
          <EndDrawing code={q.to} side="to" asked={link.slice(link.indexOf('?') + 1)} />
        </div>
        <Demands q={q} set={set} badLength={badLength} badPsi={badPsi} />
        {result && <AnswerBar to="answer">{inShort(result, names)}</AnswerBar>}
      </div>
      {told && (
        <p className="mt-3 border-l-8 border-brass-deep bg-sheet px-3 py-1" role="status">
          {told}
        </p>
      )}
      <section id="answer" className="mt-3 border-t border-ink pt-2" aria-live="polite" aria-label="Answer">
        <h2 className="sr-only">Chains</h2>
        {!catalogue && <p>Reading the parts ...</p>}
        {catalogue && !result && !badLength && !badPsi && <p className="text-soft">Name both ends, and the chains that join them appear here.</p>}
        {result && query && catalogue && (
          <>
            <Chains
              result={result}
              from={query.from}
              to={query.to}
              water={q.water}
              parts={catalogue.parts}
              names={names}
              onUse={setTaken}
              useWord="Take"
            >
              {taken && (
                <Take
                  key={chainKey(taken)}
                  chain={taken}
                  query={query}
                  catalogue={catalogue}
                  link={`${link}&take=${taken.parts.join(',')}`}
                  runs={runs}
                />
              )}
            </Chains>
            <WhyNot query={query} names={names} />
          </>
        )}
      </section>
    </div>
  );
}

function Demands({ q, set, badLength, badPsi }: { q: Question; set: (change: Partial<Question>) => void; badLength: boolean; badPsi: boolean }) {
  const box = (key: 'stop' | 'arrestor' | 'check' | 'outlet' | 'hidden' | 'afterRo' | 'vanOnly', label: string) => (
    <label className="flex min-h-10 items-center gap-2">
      <input type="checkbox" className="size-5 shrink-0" checked={q[key]} onChange={(e) => set({ [key]: e.target.checked })} /> {label}
    </label>
  );
  const choice = <K extends 'push' | 'applianceLine' | 'toiletLine'>(key: K, label: string, options: readonly Question[K][]) => (
    <label className="grid gap-0.5">
      <span className="label">{label}</span>
      <select className="field" value={q[key]} onChange={(e) => set({ [key]: e.target.value } as Partial<Question>)}>
        {options.map((o) => (
          <option key={o}>{o}</option>
        ))}
      </select>
    </label>
  );
  return (
    <fieldset className="grid grid-cols-2 gap-x-3 border-rule lg:border-l lg:pl-4">
      <legend className="label">It must</legend>
      <label className="flex min-h-10 items-center gap-2">
        <input
          type="checkbox"
          className="size-5 shrink-0"
          checked={q.water === 'hot'}
          onChange={(e) => set({ water: e.target.checked ? 'hot' : 'cold' })}
        />{' '}
        carry hot water
      </label>
      {box('stop', 'have its own stop')}
      {box('arrestor', 'have an arrestor')}
      {box('check', 'stop backflow')}
      {box('outlet', 'leave an outlet free')}
      {box('hidden', 'be walled in')}
      {box('afterRo', 'follow an RO unit')}
      {box('vanOnly', 'come off the van')}
      <label className="col-span-2 flex items-center gap-2">
        reach at least
        <input
          className="field max-w-24"
          maxLength={20}
          value={q.length}
          onChange={(e) => set({ length: e.target.value })}
          aria-invalid={badLength}
        />{' '}
        in
      </label>
      {badLength && <p className="col-span-2">Give a length of more than 0 in, or nothing.</p>}
      <details className="why col-span-2 mt-1" open={q.rejoin !== null || q.psi !== ''}>
        <summary>Old line to join again, pressure</summary>
        <EndPicker
          id="rejoin"
          label="End of the old line, where the outlet is in use"
          value={q.rejoin}
          onChange={(rejoin) => set({ rejoin })}
          hint={['comp-3/8-f', 'bc-7/8-m']}
        />
        <label className="flex items-center gap-2">
          hold
          <input
            className="field max-w-24"
            inputMode="decimal"
            maxLength={10}
            placeholder="80"
            value={q.psi}
            onChange={(e) => set({ psi: e.target.value })}
            aria-invalid={badPsi}
          />{' '}
          psi
        </label>
        {badPsi && <p>Give a pressure of 1 to 1000 psi, or nothing.</p>}
      </details>
      <details className="why col-span-2 mt-1">
        <summary>House rules, tried out</summary>
        <div className="grid gap-2">
          {choice('push', 'Push-to-connect', HOUSE_CHOICES.push)}
          {choice('applianceLine', 'Line to an appliance', HOUSE_CHOICES.applianceLine)}
          {choice('toiletLine', 'Line to a toilet or basin', HOUSE_CHOICES.toiletLine)}
        </div>
      </details>
    </fieldset>
  );
}

const chainName = (chain: Chain, name: (part: string) => string) => chain.parts.map(name).join(' + ') || 'the two ends by themselves';

/** The best chain in a line. */
function inShort({ chains: [best] }: MatchResult, names: Record<string, string>): string {
  if (!best) return 'No chain: see why';
  return `${chainName(best, (p) => shortName(names[p] ?? p))}, ${money(best.priceCents)}, ${best.offVan.length === 0 ? 'all on the van' : 'not all on the van'}`;
}

/** Says what a changed demand or rule did to the best chain, while the two ends stay the same. */
function useChange(result: MatchResult | null, q: Question, names: Record<string, string>): string | null {
  const before = useRef<{ ends: string; best: Chain | null } | null>(null);
  const [told, setTold] = useState<string | null>(null);
  useEffect(() => {
    const ends = `${q.from} ${q.to}`;
    const best = result?.chains[0] ?? null;
    const old = before.current;
    before.current = result ? { ends, best } : old;
    if (!result || !old || old.ends !== ends) return setTold(null);
    const named = (c: Chain | null) => (c === null ? 'no chain' : chainName(c, (p) => names[p] ?? p));
    if (named(old.best) === named(best)) return setTold(old.best ? 'The best chain stays the same.' : null);
    const cost = (c: Chain | null) => (c ? ` ($${c.cost.total.toFixed(2)} expected)` : '');
    setTold(`Was best: ${named(old.best)}${cost(old.best)}. Now: ${named(best)}${cost(best)}.`);
  }, [result, q.from, q.to, names]);
  return told;
}
