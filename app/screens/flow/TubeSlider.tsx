import { diameter, quantityWords, type Tube, tubeById, tubeName, tubes } from '../../../core/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import type { Setting } from './setting.ts';

/** Tubes of the same stuff, by bore. */
const sizesOf = (tube: Tube): Tube[] => tubes.filter((t) => t.material === tube.material).sort((a, b) => a.idIn - b.idIn);

/** The size of the line or of the house's pipe, tried out; nothing where only one is made, or where a chain decides. */
export function TubeSlider({ of, setting, onChange }: { of: 'line' | 'house'; setting: Setting; onChange: (setting: Setting) => void }) {
  const units = useUnits();
  const own = of === 'line' && setting.chain ? undefined : tubeById(setting[of]);
  const sizes = own ? sizesOf(own) : [];
  if (!own || sizes.length < 2) return null;
  return (
    <label className="grid max-w-120 gap-1 print:hidden">
      <span className="label">
        {of === 'line' ? 'Line' : 'House’s pipe'}, tried out: {tubeName(own)}, bore {quantityWords(diameter(own.idIn, 3), units)}
      </span>
      <input
        type="range"
        className="h-12 w-full accent-brass-deep"
        min={0}
        max={sizes.length - 1}
        step={1}
        value={sizes.indexOf(own)}
        onChange={(e) => onChange({ ...setting, [of]: sizes[Number(e.target.value)]!.id })}
      />
    </label>
  );
}
