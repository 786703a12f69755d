import { useMemo } from 'react';
import type { LossRow } from '../../../core/index.ts';
import { fetched } from '../../ui/form/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { Answer, Facts } from './Answer.tsx';
import { answered } from './answered.ts';
import { LineFields } from './Fields.tsx';
import { Helps } from './Helps.tsx';
import { LineSheet } from './LineSheet.tsx';
import { Losses } from './Losses.tsx';
import { PressureSlider } from './PressureSlider.tsx';
import { Profile } from './Profile.tsx';
import { SaveLine } from './SaveLine.tsx';
import type { ApplianceFacts } from './setting.ts';
import { Together } from './Together.tsx';
import { TubeSlider } from './TubeSlider.tsx';
import { useSetting } from './use-setting.ts';

const Crossing = fetched('Where the curves cross', () => import('./Crossing.tsx'));
const Osmosis = fetched('The tank', () => import('./Osmosis.tsx'));

interface Props {
  appliances: ApplianceFacts[];
  losses: LossRow[];
  address: Record<string, string>;
}

/** What reaches the appliance: pressure along the line, what it gets, where it is lost, what would bring more. */
export default function Flow({ appliances, losses, address }: Props) {
  const units = useUnits();
  const of = useSetting(address, appliances, losses);
  const { setting, change, reading, isWaiting } = of;
  const { read } = reading;
  const { found, wrong } = useMemo(() => answered(read, losses, setting.water === 'hot'), [read, losses, setting.water]);
  return (
    <LineSheet
      here="flow"
      of={of}
      wrong={reading.wrong || wrong}
      fields={
        <>
          <LineFields {...{ setting, appliances, losses, bent: read?.bent }} onChange={change} />
          <p className="caution">
            Losses of fittings and valves are typical; the maker’s sheet wins. The pressure is worth measuring where the line begins.
          </p>
        </>
      }
    >
      {read && found && !isWaiting && (
        <>
          <Answer answer={found.answer} appliance={read.appliance} units={units} />
          <Profile pieces={found.pieces} point={found.answer.now} leastPsi={read.appliance.minFlowPsi} water={setting.water} units={units} />
          <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-2 xl:grid-cols-2">
            <PressureSlider psi={read.line.sourcePsi} {...{ setting, units }} onChange={change} />
            <TubeSlider of="line" setting={setting} onChange={change} />
          </div>
          <Facts answer={found.answer} appliance={read.appliance} units={units} />
          <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-2">
            <Losses pieces={found.pieces} point={found.answer.now} units={units} />
            <Helps helps={found.answer.helps} units={units} />
          </div>
          <section aria-label="Line and valve">
            <h2>Where line and valve meet</h2>
            <Crossing line={found.line} point={found.answer.now} units={units} />
          </section>
          {read.appliance.id === 'ro-dispenser' && <Osmosis line={found.line} units={units} />}
          <Together {...{ read, appliances, losses, units }} onChange={(also) => change({ ...setting, also })} />
          <SaveLine name="flow" drawing="svg.flow-profile" csv={({ flowCsv }) => flowCsv(found.pieces, found.answer.now)} />
        </>
      )}
    </LineSheet>
  );
}
