import { type LinePiece, type OperatingPoint, pressure, quantityWords, type Units } from '../../../core/index.ts';
import { useWidth } from '../../ui/drawn/index.ts';
import { AXIS } from '../../ui/saved/index.ts';

interface Props {
  pieces: LinePiece[];
  point: OperatingPoint;
  /** Flowing, that its maker asks, psi. */
  leastPsi: number;
  water: 'cold' | 'hot';
  units: Units;
}

const TOP = 64;
const BORE_PX = 40;
const GRAPH = { top: 128, height: 150 };
const SIDE = 44;
/** A piece is as wide as the root of its length: an insert of an inch is seen beside thirty feet of pipe. */
const width = (p: LinePiece): number => Math.sqrt(Math.max(1, p.lengthIn));

/** The line as the bores that water sees, and under it the pressure that is left. */
export function Profile({ pieces, point, leastPsi, water, units }: Props) {
  const [ref, wide] = useWidth(880);
  const W = Math.max(300, wide);
  const whole = pieces.reduce((sum, p) => sum + width(p), 0) || 1;
  const least = Math.min(22, (W - 2 * SIDE) / (pieces.length + 2));
  const room = W - 2 * SIDE - least * pieces.length;
  const [staticPsi, most] = [point.supplyPsi, Math.max(point.supplyPsi, point.staticPsi, leastPsi, 10)];
  const y = (psi: number) => GRAPH.top + GRAPH.height * (1 - psi / most);
  const widest = Math.max(...pieces.map((p) => p.boreIn), 0.1);
  let x = SIDE;
  let psi = staticPsi - point.risePsi;
  const steps = pieces.map((p, i) => {
    const from = { x, psi };
    x += least + (room * width(p)) / whole;
    psi -= point.losses[i]!.psi;
    return { p, from, to: { x, psi }, half: (BORE_PX / 2) * (p.boreIn / widest) };
  });
  const path = [
    `M${SIDE - 14} ${y(staticPsi)}L${SIDE} ${y(staticPsi - point.risePsi)}`,
    ...steps.map(({ to }) => `L${to.x} ${y(Math.max(0, to.psi))}`),
  ].join('');
  const grid = Array.from({ length: Math.floor(most / 20) + 1 }, (_, i) => i * 20);
  const end = steps.at(-1);
  const words = (value: number) => quantityWords(pressure(value), units);
  return (
    <div ref={ref} className="w-full min-w-0">
      <svg
        className="flow-profile block w-full"
        viewBox={`0 0 ${W} ${GRAPH.top + GRAPH.height + 16}`}
        role="img"
        aria-label={`Pressure along the line: ${words(staticPsi)} at the source, ${words(point.inletPsi)} at the appliance.`}
      >
        {steps.map(({ from, to, half }, i) => (
          <g key={i}>
            <rect x={from.x} y={TOP - half} width={to.x - from.x} height={2 * half} className={water === 'hot' ? 'fill-hot/15' : 'fill-cold/15'} />
            <path d={`M${from.x} ${TOP - half}H${to.x}M${from.x} ${TOP + half}H${to.x}`} className="fill-none stroke-ink" strokeWidth="1.4" />
            {steps[i + 1] && (
              <path
                d={`M${to.x} ${TOP - half}V${TOP - steps[i + 1]!.half}M${to.x} ${TOP + half}V${TOP + steps[i + 1]!.half}`}
                className="fill-none stroke-ink"
                strokeWidth="1.4"
              />
            )}
            <path d={`M${to.x} ${GRAPH.top}V${GRAPH.top + GRAPH.height}`} className="stroke-faint" strokeWidth="1" />
            <circle cx={(from.x + to.x) / 2} cy={20} r={11} className="fill-sheet stroke-ink" strokeWidth="1.2" />
            <text x={(from.x + to.x) / 2} y={25} textAnchor="middle" className="fill-ink font-mono text-[14px]">
              {i + 1}
            </text>
            <path d={`M${(from.x + to.x) / 2} 31V${TOP - half}`} className="stroke-soft" strokeWidth="0.8" />
          </g>
        ))}
        <path d={`M${SIDE - 14} ${TOP}H${W - SIDE + 14}`} className="stroke-soft" strokeWidth="0.8" strokeDasharray="12 4 2 4" />
        <text x={2} y={GRAPH.top - 8} className="fill-soft text-[13px]">
          {AXIS.pressure[units].unit}
        </text>
        {grid.map((value) => (
          <g key={value}>
            <path d={`M${SIDE - 14} ${y(value)}H${W - SIDE}`} className="stroke-faint" strokeWidth="1" />
            <text x={2} y={y(value) + 5} className="fill-soft font-mono text-[13px]">
              {Number((value * AXIS.pressure[units].times).toFixed(1))}
            </text>
          </g>
        ))}
        <path d={`M${SIDE} ${y(leastPsi)}H${W - SIDE}`} className="fill-none stroke-brass-deep" strokeWidth="1.6" strokeDasharray="7 4" />
        <text x={SIDE + 4} y={y(leastPsi) + 17} className="fill-brass-deep text-[14px]">
          its maker asks {words(leastPsi)}
        </text>
        <path d={path} className="fill-none stroke-ink" strokeWidth="2.6" strokeLinejoin="round" />
        <text x={SIDE + 6} y={y(staticPsi) - 7} className="fill-ink font-mono text-[15px]">
          {words(staticPsi)}
        </text>
        {end && (
          <text x={W - SIDE} y={y(Math.max(0, end.to.psi)) - 9} textAnchor="end" className="fill-ink font-mono text-[15px] font-bold">
            {words(point.inletPsi)}
          </text>
        )}
      </svg>
    </div>
  );
}
