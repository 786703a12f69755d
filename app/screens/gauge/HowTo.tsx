import type { ReactNode } from 'react';
import { type Measure, saidIn, type Units, withQuantities } from '../../../core/index.ts';
import { useUnits } from '../../ui/units/index.ts';

const teeth = (x0: number, y: number, n: number, pitch: number, depth: number) =>
  Array.from({ length: n }, (_, i) => `${x0 + i * pitch} ${y + depth} L ${x0 + (i + 0.5) * pitch} ${y} L`).join(' ');

/** A thread seen from the side, to measure on. */
function Thread({ taper = 0 }: { taper?: number }) {
  return (
    <>
      <path d={`M ${teeth(40, 40, 9, 12, 7)} 148 ${47 + taper} L 148 100 L 40 100 Z`} className="fill-[#f3e3bd] stroke-ink" strokeWidth="1.3" />
      <rect x="148" y="34" width="24" height="72" className="fill-[#f3e3bd] stroke-ink" strokeWidth="1.3" />
    </>
  );
}

const DRAWINGS: Record<Measure, { said: string; drawing: ReactNode }> = {
  diameter: {
    said: 'Caliper jaws across the crests, at the end',
    drawing: (
      <>
        <Thread />
        <path
          d="M52 20 h14 v20 h-14 Z M52 100 h14 v22 h-14 Z M30 8 h8 v126 h-8 Z M38 14 h28 v6 h-28 Z M38 122 h28 v6 h-28 Z"
          className="fill-sheet stroke-ink"
          strokeWidth="1.3"
        />
      </>
    ),
  },
  pitch: {
    said: 'A pitch gauge or the printed comb laid on the thread: no light between',
    drawing: (
      <>
        <Thread />
        <path
          d={`M 40 14 L 148 14 L 148 36 L ${Array.from({ length: 9 }, (_, i) => `${148 - i * 12 - 6} 42 L ${148 - (i + 1) * 12} 35`).join(' L ')} Z`}
          className="fill-sheet stroke-ink"
          strokeWidth="1.3"
        />
      </>
    ),
  },
  taper: {
    said: 'Two diameters, at the end and 1/2 in further on: a taper grows by 1/32 in',
    drawing: (
      <>
        <path d="M40 46 L148 38 L148 102 L40 94 Z" className="fill-[#f3e3bd] stroke-ink" strokeWidth="1.3" />
        <path
          d="M50 30 v78 M46 36 l4 9 4 -9 M46 104 l4 -9 4 9 M130 22 v96 M126 30 l4 9 4 -9 M126 110 l4 -9 4 9"
          fill="none"
          className="stroke-ink"
          strokeWidth="1.5"
        />
      </>
    ),
  },
  flank: {
    said: 'A profile gauge in one groove: 55 degrees is steeper and rounded',
    drawing: (
      <>
        <path d="M20 100 L50 40 L80 100 L110 40 L140 100 L170 40" fill="none" className="stroke-ink" strokeWidth="2" />
        <path d="M80 100 L104 52 M80 100 L56 52" className="stroke-brass-deep" strokeWidth="3" />
        <text x="80" y="78" textAnchor="middle" fontSize="15" className="fill-ink font-text">
          60 or 55
        </text>
      </>
    ),
  },
  seat: {
    said: 'Look into the mouth: flat rim, cone, flare, or nothing to seal on',
    drawing: (
      <>
        <path d="M16 40 h30 v50 h-30 Z M26 40 v50 M36 40 v50" className="fill-[#f3e3bd] stroke-ink" strokeWidth="1.3" />
        <path d="M66 40 h30 l-8 16 v34 h-14 v-34 Z" className="fill-[#f3e3bd] stroke-ink" strokeWidth="1.3" />
        <path d="M126 40 l-10 16 v34 h30 v-34 l-10 -16 Z" className="fill-[#f3e3bd] stroke-ink" strokeWidth="1.3" />
        <text x="31" y="112" textAnchor="middle" fontSize="14" className="fill-ink font-text">
          flat
        </text>
        <text x="81" y="112" textAnchor="middle" fontSize="14" className="fill-ink font-text">
          cone
        </text>
        <text x="131" y="112" textAnchor="middle" fontSize="14" className="fill-ink font-text">
          flare
        </text>
      </>
    ),
  },
};

/** How a measurement is taken, in words and drawn. */
export const howTo = (measure: Measure, units: Units): string => saidIn(withQuantities(DRAWINGS[measure].said), units);

export function HowTo({ measure }: { measure: Measure }) {
  const units = useUnits();
  return (
    <svg viewBox="0 0 180 140" className="w-full max-w-44" role="img" aria-label={howTo(measure, units)}>
      {DRAWINGS[measure].drawing}
    </svg>
  );
}
