/** The numbered balloons over a section's joints. */

export interface JointMark {
  n: number;
  /** 'D' of the drain; 'J' unless given. */
  letter?: 'J' | 'D';
  /** Open ring, half filled, full. */
  state: 'not made' | 'made' | 'proven';
  finding: 'damp' | 'drip' | 'running' | null;
  /** Said beside the balloon. */
  note: string;
}

export const BALLOON = 15;
const NOTE_PX = 14;

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
        {mark.letter ?? 'J'}
        {n}
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
