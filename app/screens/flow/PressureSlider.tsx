import { pressure, quantityWords, type Units } from '../../../core/index.ts';
import type { Setting } from './setting.ts';

/** What stands in the pipe, tried out. */
export function PressureSlider({
  psi,
  setting,
  units,
  onChange,
}: {
  psi: number;
  setting: Setting;
  units: Units;
  onChange: (setting: Setting) => void;
}) {
  return (
    <label className="grid max-w-120 gap-1 print:hidden">
      <span className="label">Pressure standing, tried out: {quantityWords(pressure(Math.round(psi)), units)}</span>
      <input
        type="range"
        className="h-12 w-full accent-brass-deep"
        min={10}
        max={120}
        step={1}
        value={Math.min(120, Math.max(10, Math.round(psi)))}
        onChange={(e) => onChange({ ...setting, psi: e.target.value })}
      />
    </label>
  );
}
