import { useState } from 'react';
import { length, quantityWords, riserMarks } from '../../../core/index.ts';
import { ownUnit, Reasons, useUnits } from '../../ui/units/index.ts';
import { Figures, useFigures } from './Figures.tsx';

const FIELDS = {
  riseIn: ['From the stop’s face up to the shank’s', '14'],
  offsetIn: ['Sideways between their middles', '1 1/2'],
  insertBelowIn: ['Goes in below', '3/8'],
  insertAboveIn: ['Goes in above', '3/4'],
  straightBelowIn: ['Straight kept below', '1'],
  straightAboveIn: ['Straight kept above', '1'],
  bendRadiusIn: ['Bend radius, middle of the tube', '1 1/8'],
} as const;

const STRIP = 600;

/** A rigid riser: where it is bent and where it is cut, marked along the straight tube. */
export function Riser() {
  const units = useUnits();
  const figures = useFigures(FIELDS);
  const [fault, marks] = figures.worked((q) => riserMarks(q));
  const [isShown, setShown] = useState(false);
  const words = (inches: number) => quantityWords(length(inches), units);
  const at = (inches: number) => (inches / (marks?.cutIn ?? 1)) * STRIP;
  return (
    <details className="why" open={isShown} onToggle={(e) => setShown(e.currentTarget.open)}>
      <summary>A rigid riser: bends and cut ({ownUnit('length', units)})</summary>
      <div className="mt-2 grid gap-3">
        <Figures figures={figures} />
        {fault && <p className="caution">{fault}</p>}
        {!fault && !marks && <p className="caution">No offset of that width lies in that rise: a flexible line is wanted.</p>}
        {marks && (
          <>
            <p className="text-xl">
              Cut at <b>{words(marks.cutIn)}</b>
              {marks.firstBend && marks.secondBend ? (
                <>
                  ; bend from <b>{words(marks.firstBend.fromIn)}</b> to <b>{words(marks.firstBend.toIn)}</b>, and back from{' '}
                  <b>{words(marks.secondBend.fromIn)}</b> to <b>{words(marks.secondBend.toIn)}</b>: {marks.bendDeg.toFixed(1).replace(/\.0$/, '')}{' '}
                  degrees each.
                </>
              ) : (
                ', no bend.'
              )}{' '}
              Marks from its lower end.
            </p>
            <svg viewBox={`-4 0 ${STRIP + 8} 40`} className="reach h-auto w-full max-w-160" role="img" aria-label="The straight tube with its marks">
              <rect x={0} y={12} width={STRIP} height={14} className="nut" />
              {[marks.firstBend, marks.secondBend].map(
                (b) => b && <rect key={b.fromIn} x={at(b.fromIn)} y={8} width={at(b.toIn - b.fromIn)} height={22} className="tight" />,
              )}
            </svg>
            <Reasons because={marks.because} />
            <p className="text-soft">Bend first, cut to the mark, start both nuts by hand, tighten the lower, then the upper.</p>
          </>
        )}
      </div>
    </details>
  );
}
