import { useId } from 'react';
import { WAYS, type Way } from '../../../core/index.ts';
import type { Laid } from '../../../record/index.ts';
import { FigureInput, ownUnit, useUnits } from '../../ui/units/index.ts';

interface Props {
  laid: Laid;
  lengths: string;
  onChange: (laid: Laid) => void;
  onLengths: (text: string) => void;
}

/** What was measured, in the order of a tape: the stop, the inlet, the line. */
export function Measured({ laid, lengths, onChange, onLengths }: Props) {
  const units = useUnits();
  const id = useId();
  const end = (which: 'stop' | 'inlet', title: string) => (
    <fieldset className="grid grid-cols-2 gap-2">
      <legend className="label">{title}</legend>
      <Figure label="Out from the wall" value={laid[which].out} onChange={(out) => onChange({ ...laid, [which]: { ...laid[which], out } })} />
      <Figure label="Up from the floor" value={laid[which].up} onChange={(up) => onChange({ ...laid, [which]: { ...laid[which], up } })} />
      <label className="col-span-2 grid">
        <span>{which === 'stop' ? 'Its outlet faces' : 'It faces'}</span>
        <select
          className="field"
          value={laid[which].faces}
          onChange={(e) => onChange({ ...laid, [which]: { ...laid[which], faces: e.target.value as Way } })}
        >
          {Object.entries(WAYS).map(([way, { name }]) => (
            <option key={way} value={way}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </fieldset>
  );
  return (
    <section aria-label="Measured" className="grid gap-x-8 gap-y-3 lg:grid-cols-2">
      <h2 className="lg:col-span-2">Measured ({ownUnit('length', units)})</h2>
      {end('stop', 'The stop')}
      {end('inlet', 'The inlet')}
      <div className="grid grid-cols-2 gap-2">
        <Figure label="Inlet to the side of the stop" value={laid.side} onChange={(side) => onChange({ ...laid, side })} />
        {laid.pulledOut !== undefined && (
          <Figure label="Pulled out by" value={laid.pulledOut} onChange={(pulledOut) => onChange({ ...laid, pulledOut })} />
        )}
      </div>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={laid.pulledOut !== undefined}
          onChange={(e) => {
            const { pulledOut: _, behind: __, ...still } = laid;
            onChange(e.target.checked ? { ...laid, pulledOut: '36', behind: { width: '24', height: '36', depth: '3' } } : still);
          }}
        />
        The appliance moves
      </label>
      {laid.behind && (
        <fieldset className="grid grid-cols-3 gap-2">
          <legend className="label">Room behind it, for what is over</legend>
          {(['width', 'height', 'depth'] as const).map((side) => (
            <Figure
              key={side}
              label={{ width: 'Across', height: 'Up', depth: 'Deep' }[side]}
              value={laid.behind![side]}
              onChange={(to) => onChange({ ...laid, behind: { ...laid.behind!, [side]: to } })}
            />
          ))}
        </fieldset>
      )}
      <fieldset className="grid grid-cols-3 gap-2">
        <legend className="label">The line: outside, tightest bend allowed, straight at each end</legend>
        {(['od', 'bend', 'straight'] as const).map((of) => (
          <Figure
            key={of}
            label={{ od: 'Outside', bend: 'Bend', straight: 'Straight' }[of]}
            value={laid.line[of]}
            onChange={(to) => onChange({ ...laid, line: { ...laid.line, [of]: to } })}
          />
        ))}
      </fieldset>
      <div>
        <label className="label block" htmlFor={id}>
          Lengths that can be had (in, or say mm)
        </label>
        <input id={id} className="field" value={lengths} maxLength={120} onChange={(e) => onLengths(e.target.value)} />
      </div>
    </section>
  );
}

function Figure({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  return (
    <label className="grid content-end">
      <span>{label}</span>
      <FigureInput of="length" className="field" maxLength={30} value={value} onChange={onChange} />
    </label>
  );
}
