import { useEffect, useState } from 'react';
import { coil, pressure, quantityWords, type Surge, type Units } from '../../../core/index.ts';
import { useWidth } from '../../ui/drawn/index.ts';
import { AXIS } from '../../ui/saved/index.ts';

const TOP = 14;
const HEIGHT = 190;
const SIDE = 46;
/** Pictures a second: the wave is shown so slowly that it is seen. */
const RATE = 20;

/** The pressure along the line at a moment, between the highest and lowest it comes to; played, or moved by hand. */
export function AlongPipe({ surge, units }: { surge: Surge; units: Units }) {
  const [ref, wide] = useWidth(880);
  const [at, setAt] = useState(0);
  const [isPlaying, setPlaying] = useState(false);
  const { frames, along } = surge;
  const count = frames.length;
  const frame = frames[Math.min(at, count - 1)];
  useEffect(() => {
    if (!isPlaying) return;
    const timer = setInterval(() => setAt((n) => (n + 1) % count), 1000 / RATE);
    return () => clearInterval(timer);
  }, [isPlaying, count]);
  if (!frame) return null;
  const W = Math.max(300, wide);
  const end = along.at(-1)!.ft;
  const most = Math.max(surge.limitPsi, ...along.map((a) => a.highPsi)) * 1.04;
  const least = Math.min(0, ...along.map((a) => a.lowPsi)) - 2;
  const x = (ft: number) => SIDE + ((W - SIDE - 12) * ft) / end;
  const y = (psi: number) => TOP + HEIGHT * (1 - (psi - least) / (most - least));
  const path = (of: (i: number) => number) => along.map((a, i) => `${i === 0 ? 'M' : 'L'}${x(a.ft).toFixed(1)} ${y(of(i)).toFixed(1)}`).join('');
  const band = `${path((i) => along[i]!.highPsi)}${[...along]
    .reverse()
    .map((a) => `L${x(a.ft).toFixed(1)} ${y(a.lowPsi).toFixed(1)}`)
    .join('')}Z`;
  const words = (psi: number) => quantityWords(pressure(psi), units);
  return (
    <section aria-label="Along the pipe" className="grid grid-cols-[minmax(0,1fr)] gap-2">
      <h2>Along the pipe</h2>
      <div ref={ref} className="w-full min-w-0">
        <svg
          className="hammer-along block w-full"
          viewBox={`0 0 ${W} ${TOP + HEIGHT + 34}`}
          role="img"
          aria-label={`Along the line the pressure comes to ${words(surge.worst.psi)} at most, and to ${words(Math.min(...along.map((a) => a.lowPsi)))} at least.`}
        >
          <path d={band} className="fill-brass-light stroke-none" />
          <path d={`M${SIDE} ${y(surge.limitPsi)}H${W - 12}`} className="fill-none stroke-ink" strokeWidth="1.4" strokeDasharray="3 4" />
          <text x={SIDE + 4} y={y(surge.limitPsi) - 5} className="fill-ink text-[14px]">
            limit {words(surge.limitPsi)}
          </text>
          <path d={`M${SIDE} ${y(0)}H${W - 12}`} className="stroke-soft" strokeWidth="0.8" />
          {[0, 50, 100, 150, 200, 300, 400]
            .filter((v) => v < most && (v !== 150 || surge.limitPsi === 150))
            .map((v) => (
              <text key={v} x={2} y={y(v) + 5} className="fill-soft font-mono text-[13px]">
                {Number((v * AXIS.pressure[units].times).toFixed(1))}
              </text>
            ))}
          <path d={path((i) => frame.psi[i] ?? 0)} className="fill-none stroke-ink" strokeWidth="2.6" strokeLinejoin="round" />
          <text x={SIDE} y={TOP + HEIGHT + 22} className="fill-soft text-[14px]">
            supply
          </text>
          <text x={W - 12} y={TOP + HEIGHT + 22} textAnchor="end" className="fill-soft text-[14px]">
            valve, {quantityWords(coil(Math.round(end) * 12), units)}
          </text>
        </svg>
      </div>
      <div className="flex items-center gap-3 print:hidden">
        <button type="button" className="key" aria-pressed={isPlaying} onClick={() => setPlaying(!isPlaying)}>
          {isPlaying ? 'Stop' : 'Play'}
        </button>
        <input
          type="range"
          aria-label="Moment"
          className="h-12 min-w-0 flex-1 accent-brass-deep"
          min={0}
          max={count - 1}
          value={Math.min(at, count - 1)}
          onChange={(e) => {
            setPlaying(false);
            setAt(Number(e.target.value));
          }}
        />
        <span className="w-20 text-right font-mono">{(frame.t * 1000).toFixed(0)} ms</span>
      </div>
    </section>
  );
}
