import { useMemo } from 'react';
import { against, type Chain, endLabel, type MatchQuery, matchPreferring, shortName } from '../../../../core/index.ts';
import type { Bodies } from '../../../../record/index.ts';
import { EndLookup } from '../../../ui/ends/index.ts';
import type { StageProps } from '../stage-props.ts';

interface Props extends Pick<StageProps, 'state' | 'catalogue' | 'run' | 'visitId' | 'context'> {
  query: MatchQuery;
  soft: string[];
  /** The one that would be taken. */
  chain: Chain;
}

const NAMES = { from: 'water side', to: 'inlet' } as const;

/** Ends that nobody is sure of: whether the chain joins what else they may be, and what is taken along where it does not. */
export default function InDoubt({ state, run, visitId, context, ...question }: Props) {
  const sides = (['from', 'to'] as const).filter((side) => state[side]?.doubt);
  return sides.map((side) => {
    const { end, doubt } = state[side] as Bodies['end-seen'];
    const share = doubt?.share === undefined ? '' : ` (${Math.round(doubt.share * 100)} % by the gauge)`;
    return (
      <section key={side} className="caution my-2" aria-label={`Not sure of the ${NAMES[side]}`}>
        <p>
          Not sure of the {NAMES[side]}: <b>{endLabel(end ?? '')}</b>
          {share}. {doubt?.others.length === 0 ? 'Measure it before parts are bought.' : 'Measure it, or take along what the others want:'}
        </p>
        <ul className="list-disc pl-5">
          {doubt?.others.map((other) => (
            <Other key={other} {...{ side, other }} {...question} />
          ))}
        </ul>
        <EndLookup wanted={{ asked: '', run: { visitId, runId: run.id }, on: context.appliance.id, side }} />
      </section>
    );
  });
}

function Other({
  side,
  other,
  query,
  soft,
  chain,
  catalogue,
}: Omit<Props, 'state' | 'run' | 'visitId' | 'context'> & { side: 'from' | 'to'; other: string }) {
  const said = useMemo(() => {
    const asked = { ...query, [side]: other };
    if (against(asked, chain.parts).length === 0) return 'the first chain joins it too';
    const [best] = matchPreferring(asked, soft).chains;
    if (!best) return 'nothing in the catalogue joins it';
    const more = best.parts.filter((id) => !chain.parts.includes(id)).map((id) => catalogue.parts.find((p) => p.id === id));
    return more.length === 0 ? 'the same parts join it' : `take along: ${more.map((p) => shortName(p?.name ?? '')).join(', ')}`;
  }, [side, other, query, soft, chain, catalogue]);
  return (
    <li>
      <b>{endLabel(other)}</b>: {said}
    </li>
  );
}
