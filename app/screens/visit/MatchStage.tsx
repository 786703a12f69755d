import { useMemo } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { type Chain, matchChains, type Need, stockForCut } from '../../../core/index.ts';
import { type AcceptedChain, itemsOf, type RunState } from '../../../record/index.ts';
import { Chains, chainKey } from '../../ui/Chains.tsx';
import type { StageProps } from './stage-props.ts';

export function needOf(state: RunState, water: 'cold' | 'hot'): Need {
  return {
    water,
    ...(state.distance ? { minLengthIn: state.distance.inches } : {}),
    ...(state.place.ownStop ? { stop: true } : {}),
    ...(state.place.arrestor ? { arrestor: true } : {}),
    ...(state.place.leaveOutlet ? { leaveOutlet: true } : {}),
    ...(state.place.hidden ? { reachable: false } : {}),
  };
}

/** What joins the two ends, ranked; one is accepted with its grounds. */
export function MatchStage({ run, state, catalogue, names, write, go }: StageProps) {
  const { from, to, rejoin } = state;
  const need = useMemo(() => needOf(state, run.water), [state, run.water]);
  const result = useMemo(() => {
    if (!from?.end || !to?.end) return null;
    const { parts, loose, rules, stock } = catalogue;
    const atHand = stockForCut(stock, parts, need.minLengthIn);
    return matchChains({ from: from.end, to: to.end, rejoin: rejoin?.end ?? undefined, parts, loose, rules, stock: atHand, need });
  }, [from, to, rejoin, need, catalogue]);
  if (!from?.end || !to?.end || !result) {
    return (
      <p>
        Both ends are wanted first.{' '}
        <button type="button" className="cursor-pointer underline" onClick={() => go('look')}>
          Look at them
        </button>
      </p>
    );
  }
  const use = (chain: Chain) => {
    const ids = [...chain.parts, ...Object.keys(chain.loose)];
    const body: AcceptedChain = {
      from: from.end!,
      to: to.end!,
      rejoin: rejoin?.end ?? null,
      need,
      chain,
      jointIds: chain.joints.map(() => uuidv7()),
      rules: catalogue.rules,
      catalogueVersion: catalogue.version,
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
      <h2>{result.chains.length > 0 ? 'Chains, best first' : 'No chain'}</h2>
      {made && <p className="caution my-2">Joints of the accepted chain are made already: another chain means taking them apart.</p>}
      <Chains
        result={result}
        from={from.end}
        to={to.end}
        water={run.water}
        parts={catalogue.parts}
        names={names}
        onUse={use}
        used={state.accepted ? chainKey(state.accepted.chain) : null}
      />
    </div>
  );
}
