import { CHAMBER_STATES, type ChamberState, type ClosingLaw } from '../../../core/index.ts';
import { Choices, Select } from '../../ui/form/index.ts';
import { SettingFigure } from '../flow/SettingFigure.tsx';
import type { Setting } from '../flow/setting.ts';

const LAWS: [ClosingLaw, string][] = [
  ['late', 'late, as a real valve: most of it in the last half'],
  ['flow', 'its flow in a straight line'],
  ['area', 'its opening in a straight line'],
];

/** How the valve shuts, and what softens it. */
export function HammerFields({ setting: s, onChange }: { setting: Setting; onChange: (setting: Setting) => void }) {
  const set = (change: Partial<Setting>) => onChange({ ...s, ...change });
  const plain = (key: keyof Setting, label: string, placeholder?: string) => (
    <label className="grid content-start gap-1">
      <span className="label">{label}</span>
      <input
        className="field"
        inputMode="decimal"
        maxLength={10}
        placeholder={placeholder}
        value={s[key]}
        onChange={(e) => set({ [key]: e.target.value })}
      />
    </label>
  );
  return (
    <section aria-label="The valve" className="grid gap-3">
      {plain('close', 'It shuts in (ms)')}
      <Select label="How it shuts" value={s.law} options={LAWS} onChange={(law) => set({ law: law as ClosingLaw })} />
      <SettingFigure of="flow" field="gpm" label="Flow before it shuts" placeholder="as the line gives" {...{ setting: s, onChange }} />
      <Choices
        legend="What softens it"
        options={[
          ['none', 'nothing'],
          ['arrestor', 'arrestor'],
          ['chamber', 'air chamber'],
        ]}
        value={s.cushion}
        onChange={(cushion) => set({ cushion })}
      />
      {s.cushion !== 'none' && (
        <>
          <div className="grid grid-cols-2 gap-3">
            <SettingFigure of="gas" field="volume" label={s.cushion === 'arrestor' ? 'Gas in it' : 'Empty stub'} {...{ setting: s, onChange }} />
            {s.cushion === 'arrestor' && <SettingFigure of="pressure" field="precharge" label="Precharge" {...{ setting: s, onChange }} />}
          </div>
          {s.cushion === 'arrestor' && (
            <div>
              <Choices
                legend="On the way back its piston"
                options={[
                  ['rides', 'rides on its gas'],
                  ['stops', 'comes to its stop'],
                ]}
                value={s.piston}
                onChange={(piston) => set({ piston })}
              />
              <p className="mt-1 text-soft">Hard on its stop it bangs anew: the worst of it. Seals and friction take some of that.</p>
            </div>
          )}
          {s.cushion === 'chamber' && (
            <Choices
              legend="Its air is"
              options={(Object.keys(CHAMBER_STATES) as ChamberState[]).map((state) => [state, state])}
              value={s.chamber}
              onChange={(chamber) => set({ chamber })}
            />
          )}
          <SettingFigure of="feet" field="cushionFt" label="From the valve back" {...{ setting: s, onChange }} />
        </>
      )}
      {plain('units', 'Fixture units on the branch', 'one appliance alone')}
    </section>
  );
}
