/** What is asked of a line: its water, the house's pipe, stop and line. Flow and hammer ask the same. */
import { type LossRow, type Reason, tubeName, tubes } from '../../../core/index.ts';
import { Choices, Select } from '../../ui/form/index.ts';
import { InUnits } from '../../ui/units/index.ts';
import { SettingFigure } from './SettingFigure.tsx';
import { type ApplianceFacts, type Setting, settingOf } from './setting.ts';

interface Props {
  setting: Setting;
  appliances: ApplianceFacts[];
  losses: LossRow[];
  /** What the readings of the main say against one another. */
  bent?: Reason | null;
  onChange: (setting: Setting) => void;
}

const isHose = (material: string) => material === 'braided' || material === 'rubber';
const HOUSE: [string, string][] = [
  ['', 'none: read at the stop'],
  ...tubes.filter((t) => !isHose(t.material) && t.idIn > 0.3).map((t): [string, string] => [t.id, tubeName(t)]),
];
const LINES: [string, string][] = tubes.filter((t) => t.material !== 'steel').map((t) => [t.id, tubeName(t)]);

export function LineFields({ setting: s, appliances, losses, bent, onChange }: Props) {
  const set = (change: Partial<Setting>) => onChange({ ...s, ...change });
  const appliance = appliances.find((a) => a.id === s.on);
  return (
    <section aria-label="The line" className="grid gap-3">
      <Select
        label="Appliance"
        value={s.on}
        options={appliances.map((a) => [a.id, a.name])}
        onChange={(on) => onChange(settingOf({ on, psi: s.psi, house: s.house, houseFt: s.houseFt }, appliances))}
      />
      {(appliance?.water.length ?? 0) > 1 && (
        <Choices
          legend="Water"
          options={[
            ['cold', 'cold'],
            ['hot', 'hot'],
          ]}
          value={s.water}
          onChange={(water) => set({ water })}
        />
      )}
      <SettingFigure of="pressure" field="psi" label="Pressure standing" {...{ setting: s, onChange }} />
      <details className="grid gap-3" open={s.running !== '' || s.regulator !== ''}>
        <summary className="cursor-pointer">A weak main, a regulator</summary>
        <div className="mt-2 grid gap-3">
          <div className="grid grid-cols-2 gap-3">
            <SettingFigure of="pressure" field="running" label="Running" {...{ setting: s, onChange }} />
            <SettingFigure of="flow" field="runningGpm" label="Flow then" {...{ setting: s, onChange }} />
            <SettingFigure of="pressure" field="again" label="Once more" {...{ setting: s, onChange }} />
            <SettingFigure of="flow" field="againGpm" label="At another flow" {...{ setting: s, onChange }} />
          </div>
          {bent && (
            <p className="caution">
              <InUnits said={bent} />
            </p>
          )}
          <SettingFigure of="pressure" field="regulator" label="Regulator set to" {...{ setting: s, onChange }} />
          <p className="text-soft">Behind a regulator the first two are the main’s own, before it.</p>
        </div>
      </details>
      <Select label="House’s pipe from the gauge" value={s.house} options={HOUSE} onChange={(house) => set({ house })} />
      <div className="grid grid-cols-2 gap-3">
        {s.house && <SettingFigure of="feet" field="houseFt" label="Its length" {...{ setting: s, onChange }} />}
        <SettingFigure of="feet" field="rise" label="Inlet higher by" {...{ setting: s, onChange }} />
      </div>
      {s.chain ? (
        <p>
          Stop and line are the chain of the run.{' '}
          <button type="button" className="cursor-pointer underline" onClick={() => set({ chain: '' })}>
            Try another
          </button>
        </p>
      ) : (
        <>
          <Select
            label="Stop"
            value={s.stop}
            options={[['', 'none'], ...losses.filter((r) => r.begins).map((r): [string, string] => [r.id, r.name])]}
            onChange={(stop) => set({ stop })}
          />
          <Select label="Line" value={s.line} options={LINES} onChange={(line) => set({ line })} />
          <SettingFigure of="length" field="lineLength" label="Length" {...{ setting: s, onChange }} />
        </>
      )}
    </section>
  );
}
