import { useEffect, useState } from 'react';
import { diameter, endLabel, said } from '../../../core/index.ts';
import { Outline } from '../../ui/drawn/index.ts';
import { InUnits } from '../../ui/units/index.ts';

const KEPT = 'brass-nut-screen';

/** A card of the usual format (ISO/IEC 7810 ID-1), inches. */
const CARD_IN = { width: 85.6 / 25.4, height: 53.98 / 25.4 };

/** Screens lie between these, device pixels to the inch. */
const RANGE = { least: 60, most: 600, usual: 110 };

/** Device pixels to the inch of this screen, set against a card once; zooming the page changes nothing. */
function useScreen(): { cssPerIn: number; devicePerIn: number; known: boolean; set: (devicePerIn: number) => void } {
  const [devicePerIn, setDevice] = useState<number | null>(null);
  const [ratio, setRatio] = useState(1);
  useEffect(() => {
    const look = () => setRatio(window.devicePixelRatio || 1);
    const kept = Number(localStorage.getItem(KEPT));
    if (kept >= RANGE.least && kept <= RANGE.most) setDevice(kept);
    look();
    window.addEventListener('resize', look);
    return () => window.removeEventListener('resize', look);
  }, []);
  const device = devicePerIn ?? RANGE.usual * ratio;
  const set = (value: number) => {
    setDevice(value);
    localStorage.setItem(KEPT, String(value));
  };
  return { cssPerIn: device / ratio, devicePerIn: device, known: devicePerIn !== null, set };
}

/** Silhouettes at 1:1 on a screen that was set against a card or a ruler, and the same on paper. */
export function LifeSize({ codes }: { codes: string[] }) {
  const screen = useScreen();
  const { cssPerIn } = screen;
  return (
    <section className="mt-4 border-t border-ink pt-3" aria-label="Life size">
      <h2>Life size</h2>
      <p>{screen.known ? 'Hold the fitting against its outline.' : 'Not to scale yet: set this screen against a card first.'}</p>
      <div className="mt-2 flex flex-wrap items-center gap-5">
        {codes.map((code) => (
          <figure key={code}>
            <Outline code={code} scale={cssPerIn} />
            <figcaption className="max-w-44 text-sm">{endLabel(code)}</figcaption>
          </figure>
        ))}
      </div>
      <details className="why mt-3" open={!screen.known}>
        <summary>Set this screen</summary>
        <p>
          Lay any bank or identity card on the frame and move the slider until both agree; or a ruler along the line of{' '}
          <InUnits said={said`${diameter(3)}`} />.
        </p>
        <label className="mt-1 grid max-w-120 gap-1">
          <span className="label">Size of the frame</span>
          <input
            type="range"
            min={RANGE.least}
            max={RANGE.most}
            step="0.5"
            value={screen.devicePerIn}
            onChange={(e) => screen.set(Number(e.target.value))}
            className="min-h-12"
          />
        </label>
        <section className="scroll" tabIndex={0} aria-label="To set against a card or a ruler">
          <svg
            width={CARD_IN.width * cssPerIn + 4}
            height={CARD_IN.height * cssPerIn + 40}
            role="img"
            aria-label="Frame of a card, and a line of three inches (76.2 mm)"
            data-frame="card"
          >
            <rect
              x="2"
              y="2"
              width={CARD_IN.width * cssPerIn}
              height={CARD_IN.height * cssPerIn}
              rx={0.125 * cssPerIn}
              className="fill-sheet stroke-ink"
              strokeWidth="1.5"
            />
            <path
              d={`M2 ${CARD_IN.height * cssPerIn + 24} h ${3 * cssPerIn} m 0 -8 v 16 m ${-3 * cssPerIn} -16 v 16`}
              className="stroke-ink"
              strokeWidth="1.5"
            />
          </svg>
        </section>
      </details>
      <p className="mt-3 flex flex-wrap gap-3">
        <a className="key" href="/api/v1/gauge-card.pdf">
          Gauge card to print (PDF)
        </a>
        <a className="key" href="/api/v1/gauge-card.svg">
          As SVG
        </a>
      </p>
    </section>
  );
}
