/** The numbered balloons over a section's joints. */

export interface JointMark {
  n: number;
  /** Open ring, half filled, full. */
  state: 'not made' | 'made' | 'proven';
  finding: 'damp' | 'drip' | 'running' | null;
  /** Said beside the balloon. */
  note: string;
}

export const BALLOON = 15;
const NOTE_PX = 14;

/** Moves places along a row apart until none is nearer to the next than `gap`, in their order, within 0 and `width` where there is room. */
export function spread(places: Map<number, number>, gap: number, width: number): Map<number, number> {
  const row = [...places].sort((a, b) => a[1] - b[1]);
  for (let i = 1; i < row.length; i++) row[i]![1] = Math.max(row[i]![1], row[i - 1]![1] + gap);
  const last = row.at(-1);
  if (last) last[1] = Math.min(last[1], Math.max(width - gap / 2, (row.length - 0.5) * gap));
  for (let i = row.length - 2; i >= 0; i--) row[i]![1] = Math.min(row[i]![1], row[i + 1]![1] - gap);
  return new Map(row);
}

/** A joint's state by shape: open ring not made, half filled made, full proven dry; a mark hanging below is a finding. */
export function Balloon({ x, y, to, mark, upright }: { x: number; y: number; to: [number, number]; mark: JointMark; upright: boolean }) {
  const { n, state } = mark;
  const r = BALLOON;
  return (
    <g>
      <line x1={x} x2={to[0]} y1={y + r} y2={to[1]} strokeWidth="1" className="stroke-ink" />
      <circle cx={x} cy={y} r={r} className={`stroke-ink ${state === 'proven' ? 'fill-ink' : 'fill-sheet'}`} strokeWidth="1.8" />
      {state === 'made' && <path d={`M${x - r} ${y} a ${r} ${r} 0 0 0 ${2 * r} 0 Z`} className="fill-brass" />}
      <text
        x={x}
        y={y + 5}
        textAnchor="middle"
        fontSize="15"
        fontWeight="600"
        transform={upright ? `rotate(90 ${x} ${y})` : undefined}
        className={`font-head ${state === 'proven' ? 'fill-sheet' : 'fill-ink'}`}
      >
        J{n}
      </text>
      {mark.finding && <path d={`M${x} ${y + r + 1} l 8 13 h -16 Z`} className="fill-ink" />}
      {mark.note && !upright && (
        <text x={x + r + 6} y={y + 5} fontSize={NOTE_PX} className="fill-soft font-text">
          {mark.note}
        </text>
      )}
    </g>
  );
}
