import { useEffect, useMemo, useRef, useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { type Chain, cardVersionOf, matchPreferring, stockForCut } from '../../../core/index.ts';
import { type AcceptedChain, acceptancesOf, itemsOf, jointIdsFor, needOfRun } from '../../../record/index.ts';
import { stockOf, vanOf } from '../../../record/stock/levels.ts';
import { Chains, chainKey } from '../../ui/Chains.tsx';
import { fetched } from '../../ui/fetched.tsx';
import { whereElse } from '../../ui/stock.ts';
import { Asked } from './Asked.tsx';
import type { StageProps } from './stage-props.ts';

const StillRight = fetched('Whether the accepted chain still does', () => import('./StillRight.tsx'));

/** What joins the two ends, ranked; one is accepted with its grounds. */
export default function MatchStage({ run, context, state, catalogue, names, write, go, entries, vanId }: StageProps) {
  const [asked, setAsked] = useState<Chain | null>(null);
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
    return { from: from.end, to: to.end, rejoin: rejoin?.end ?? undefined, parts, loose, rules, stock: atHand, need };
  }, [from, to, rejoin, need, rules, catalogue, vanId]);
  const result = useMemo(() => query && matchPreferring(query, soft), [query, soft]);
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
      items: itemsOf(ids, catalogue.parts, catalogue.loose),
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
        elsewhere={whereElse(catalogue.places, vanId)}
        onUse={ask}
        used={state.accepted ? chainKey(state.accepted.chain) : null}
      />
    </div>
  );
}
