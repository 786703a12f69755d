import { ROUNDS, type Round, withQuantities } from '../../../../core/index.ts';
import { InUnits } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';

/** What a round is for, and what the card says of it for this appliance. */
export function RoundWords({ round, card }: { round: Round; card: StageProps['state']['card'] }) {
  const own = card.filter((step) => step.round === round);
  return (
    <>
      <p>{own.length > 0 ? <InUnits said={withQuantities(own.map((s) => s.detail).join(' '))} /> : ROUNDS.find((r) => r.id === round)?.what}</p>
      {own
        .flatMap((s) => s.cautions)
        .map((c) => (
          <p key={c} className="caution">
            <InUnits said={withQuantities(c)} />
          </p>
        ))}
    </>
  );
}
