import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import {
  type Chain,
  cardVersionOf,
  chainWithLength,
  hangsOn,
  matchPreferring,
  type OpenFact,
  stockForCut,
  workKind,
} from '../../../../core/index.ts';
import { type AcceptedChain, acceptancesOf, itemsOf, jointIdsFor, judgeRun, needOfRun, stockOf, surveyOf, vanOf } from '../../../../record/index.ts';
import { Chains, chainKey } from '../../../ui/chains/index.ts';
import { fetched } from '../../../ui/form/index.ts';
import { whereElse } from '../../../ui/held/index.ts';
import type { StageProps } from '../stage-props.ts';
import { Asked } from './Asked.tsx';

const HangsOn = fetched('What the chain hangs on', () => import('./HangsOn.tsx'));
const InDoubt = fetched('The end in doubt', () => import('./InDoubt.tsx'));
const StillRight = fetched('Whether the accepted chain still does', () => import('./StillRight.tsx'));

/** What joins the two ends, ranked; one is accepted with its grounds. */
export default function MatchStage({ run, context, state, catalogue, names, write, go, entries, vanId, visitId }: StageProps) {
  const [asked, setAsked] = useState<Chain | null>(null);
  const [open, setOpen] = useState<{ chain: Chain; on: ReturnType<typeof hangsOn>[number] } | null>(null);
  const question = useRef<HTMLElement>(null);
  // The chain pressed may stand far below the question it raises.
  useEffect(() => {
    if (asked) question.current?.focus();
  }, [asked]);
  const { from, to, rejoin } = state;
  const { asked: needs, need, soft, rules } = useMemo(() => needOfRun(context, state, catalogue.rules), [context, state, catalogue]);
  const query = useMemo(() => {
    if (!from?.end || !to?.end) return null;
    const { parts, loose, places } = catalogue;
    const atHand = stockForCut(stockOf(vanOf(places, vanId)), parts, need.minLengthIn);
    return {
      from: from.end,
      to: to.end,
      rejoin: rejoin?.end ?? undefined,
      parts,
      loose,
      rules,
      callbackRates: catalogue.callbackRates,
      stock: atHand,
      need,
    };
  }, [from, to, rejoin, need, rules, catalogue, vanId]);
  const result = useMemo(() => query && matchPreferring(query, soft), [query, soft]);
  const withLength = useCallback((chain: Chain, part: string) => query && chainWithLength(query, chain, part), [query]);
  const flows = useMemo(() => {
    const { flowOf } = catalogue;
    if (!flowOf || !result) return undefined;
    const { staticPsi, runningPsi, bucket, appliance } = surveyOf(context, state);
    const read = { staticPsi, runningPsi, bucket };
    return { of: (c: Chain) => flowOf({ ...context.appliance, ...appliance }, run.water, read, c.path), isRead: staticPsi !== undefined };
  }, [catalogue, result, context, state, run.water]);
  if (!workKind(run.work).joins) {
    return (
      <p>
        Nothing is joined in this work: its card needs no chain.{' '}
        <button type="button" className="cursor-pointer underline" onClick={() => go('shut')}>
          On to Shut
        </button>
      </p>
    );
  }
  if (!from?.end || !to?.end || !result || !query) {
    return (
      <p>
        Both ends are wanted first.{' '}
        <button type="button" className="cursor-pointer underline" onClick={() => go('look')}>
          Look at them
        </button>
      </p>
    );
  }
  const before = acceptancesOf(entries, run.id);
  /** Made joints that another chain would take apart. */
  const undone = (chain: Chain) => {
    const stays = new Set(jointIdsFor(chain, before, () => ''));
    return state.joints.filter((j) => j.made && !stays.has(j.id));
  };
  /** What nobody has said yet of what decides over parts, one at a time; none where it rules nothing out. */
  const openOn = (chain: Chain, said: OpenFact[] = []) => {
    const unknown = judgeRun(context, state, rules).unknowns.map((u) => u.fact);
    const facts = (['hidden', 'osmosis'] as const).filter((fact) => unknown.includes(fact) && !said.includes(fact));
    return hangsOn(query, chain.parts, facts)[0] ?? null;
  };
  const take = (chain: Chain, said: OpenFact[] = []) => {
    const on = openOn(chain, said);
    setOpen(on && { chain, on });
    if (!on) ask(chain);
  };
  const settle = (fact: OpenFact, isSo: boolean) => {
    write('place-seen', run.id, fact === 'hidden' ? { hidden: isSo, hiddenKnown: true } : { afterOsmosis: isSo });
    // So: the chains are others now, and are looked at again. Not so: this one is as good as it was.
    if (isSo || !open) setOpen(null);
    else take(open.chain, [fact]);
  };
  const ask = (chain: Chain) => (undone(chain).length > 0 || state.signedOff ? setAsked(chain) : use(chain));
  const use = (chain: Chain) => {
    setAsked(null);
    const ids = [...chain.parts, ...Object.keys(chain.loose)];
    const body: AcceptedChain = {
      from: from.end!,
      to: to.end!,
      rejoin: rejoin?.end ?? null,
      need,
      chain,
      jointIds: jointIdsFor(chain, before, () => uuidv7()),
      rules,
      catalogueVersion: catalogue.version,
      cardVersion: cardVersionOf(context.stepData),
      items: itemsOf(ids, catalogue),
      currency: catalogue.currency,
      replacesId: state.accepted?.entryId ?? null,
    };
    write('chain-accepted', run.id, body);
    go('shut');
  };
  const made = state.joints.some((j) => j.made);
  return (
    <div>
      <Asked asked={needs} {...{ run, write, state }} />
      {open && <HangsOn key={open.on.fact} open={open.on} onSaid={settle} onLeave={() => setOpen(null)} />}
      {!state.signedOff && result.chains[0] && (from.doubt || to.doubt) && (
        <InDoubt chain={result.chains[0]} {...{ state, run, visitId, context, query, soft, catalogue }} />
      )}
      {state.accepted && !state.signedOff && <StillRight query={query} parts={state.accepted.chain.parts} />}
      <h2>{result.chains.length > 0 ? 'Chains, best first' : 'No chain'}</h2>
      {made && !asked && <p className="caution my-2">Joints of the accepted chain are made already: another chain may mean taking some apart.</p>}
      {asked && (
        <section ref={question} tabIndex={-1} role="alertdialog" aria-label="Another chain" className="my-3 border-2 border-ink bg-sheet p-4">
          <h3 className="text-xl">Another chain in place of the one accepted?</h3>
          {state.signedOff && <p className="mt-1">This run is signed off: with another chain it no longer is.</p>}
          {undone(asked).length > 0 && (
            <p className="mt-1 text-lg">
              It undoes{' '}
              {undone(asked)
                .map((j) => `${j.label} (${j.a} · ${j.b})`)
                .join(', ')}
              . Joints that stay keep their turns and looks; going back to the old chain brings its work back.
            </p>
          )}
          <div className="mt-2 flex flex-wrap gap-3">
            <button type="button" className="key key-main" onClick={() => use(asked)}>
              Accept the other chain
            </button>
            <button type="button" className="key" onClick={() => setAsked(null)}>
              Keep the one there is
            </button>
          </div>
        </section>
      )}
      <Chains
        result={result}
        from={from.end}
        to={to.end}
        water={run.water}
        parts={catalogue.parts}
        names={names}
        rules={rules}
        currency={catalogue.currency}
        kits={catalogue.kits}
        callbacks={catalogue.callbacks}
        flows={flows}
        withLength={withLength}
        minLengthIn={need.minLengthIn}
        usualIn={context.appliance.usualLine.lengthIn}
        elsewhere={whereElse(catalogue.places, vanId)}
        onUse={take}
        used={state.accepted ? chainKey(state.accepted.chain) : null}
      />
    </div>
  );
}
