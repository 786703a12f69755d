import type { Typed } from '../../../core/index.ts';
import { FigureInput, ownUnit, useUnits } from '../../ui/units/index.ts';
import type { Setting } from './setting.ts';

interface Props {
  of: 'length' | 'pressure' | Typed;
  field: keyof Setting;
  label: string;
  placeholder?: string;
  setting: Setting;
  onChange: (setting: Setting) => void;
}

/** A figure of what is asked, in the device's unit. */
export function SettingFigure({ of, field, label, placeholder, setting, onChange }: Props) {
  return (
    <label className="grid content-start gap-1">
      <span className="label">
        {label} ({ownUnit(of, useUnits())})
      </span>
      <FigureInput
        of={of}
        className="field"
        inputMode="decimal"
        maxLength={14}
        placeholder={placeholder}
        value={setting[field]}
        onChange={(text) => onChange({ ...setting, [field]: text })}
      />
    </label>
  );
}
