import {
  cup,
  type FlowVerdict,
  flow,
  type LineAnswer,
  pressure,
  quantityWords,
  type Reason,
  speed,
  type Units,
  volume,
} from '../../../core/index.ts';
import { InUnits, inUnits, Reasons } from '../../ui/units/index.ts';
import { fastestWords, three, timeWords } from './answer-words.ts';
import type { ApplianceFacts } from './setting.ts';

const VERDICTS: Record<FlowVerdict, string> = { enough: 'enough', weak: '▲ weak', none: '▲ nothing flows' };

interface Props {
  answer: LineAnswer;
  appliance: ApplianceFacts;
  units: Units;
}

/** What comes, and whether it is enough. */
export function Answer({ answer: { now }, appliance, units }: Props) {
  return (
    <section aria-label="What it gets" className="grid gap-2" aria-live="polite">
      <p className="font-head text-4xl font-semibold">
        {quantityWords(flow(now.gpm), units)} <span className="text-2xl font-medium">at {quantityWords(pressure(now.inletPsi), units)}</span>
      </p>
      <p className="text-lg">
        <b>{VERDICTS[now.verdict]}</b>
        {now.verdict !== 'none' && (
          <>
            {' '}
            for a {appliance.name}: {quantityWords(flow(appliance.designGpm), units)} at {quantityWords(pressure(appliance.minFlowPsi), units)} is
            what it asks
          </>
        )}
      </p>
      {now.because
        .filter((r) => r.rule === 'flow-over' || r.rule === 'flow-noise' || r.rule === 'flow-none')
        .map((r) => (
          <p key={r.rule} className="caution">
            <InUnits said={r} />
          </p>
        ))}
      <Reasons because={now.because} label="How that comes about" />
    </section>
  );
}

/** What follows from the flow, each figure with its equation. */
export function Facts({ answer, appliance, units }: Props) {
  const { now, fill, rinse, hot, held } = answer;
  return (
    <dl className="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-4 gap-y-2">
      {fill && (
        <Fact name={`Fills ${quantityWords(volume(appliance.typicalVolumeGal), units)} in`} value={timeWords(fill.value)} because={fill.because} />
      )}
      {hot && (
        <Fact
          name="Hot water after"
          value={`${timeWords(hot.value.seconds)}, ${quantityWords(volume(hot.value.wastedGal), units)} run away`}
          because={hot.because}
        />
      )}
      {rinse && (
        <Fact
          name="Rinse first"
          value={`${quantityWords(cup(rinse.value.cups), units)}, ${timeWords(rinse.value.seconds)}`}
          because={rinse.because}
        />
      )}
      <Fact name="Stands in pipe and line" value={quantityWords(volume(held.value), units)} because={held.because} />
      <Fact name="Fastest" value={quantityWords(speed(Math.max(0, ...now.speedFtS)), units)} because={told(fastestWords(now), 'q = v A')} />
      <Fact
        name="Standing at the inlet"
        value={quantityWords(pressure(Math.max(0, now.staticPsi)), units)}
        because={told(`With nothing running: the source’s pressure less ${three(now.risePsi)} psi of height.`, 'rho g h')}
      />
    </dl>
  );
}
const told = (text: string, source: string): Reason[] => inUnits([{ rule: 'told', text, source }]);

function Fact({ name, value, because }: { name: string; value: string; because?: Reason[] }) {
  return (
    <div className="border-t border-rule pt-1">
      <dt className="text-soft">{name}</dt>
      <dd>
        <b className="text-lg">{value}</b>
        {because && <Reasons because={because} label="how" />}
      </dd>
    </div>
  );
}
