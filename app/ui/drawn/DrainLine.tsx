import { BALLOON, Balloon, type JointMark } from './Balloon.tsx';

export interface DrainMark {
  /** 'D2' */
  on: string;
  /** 'toilet to flange' */
  what: string;
  name: string;
  state: JointMark['state'];
  finding: JointMark['finding'];
}

const EACH_PX = 210;
const HEAD = 2 * BALLOON + 14;
const PIPE_PX = 18;
const FALL_PX = 7;

/** The drain behind the appliance, falling away from it, with a balloon for each of its joints. */
export function DrainLine({ marks, title }: { marks: DrainMark[]; title: string }) {
  const width = marks.length * EACH_PX;
  const height = HEAD + PIPE_PX + marks.length * FALL_PX + 44;
  const top = (x: number) => HEAD + (x / width) * marks.length * FALL_PX;
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} role="img" aria-label={title} className="mx-auto block h-auto max-w-full">
      <path d={`M0 ${top(0)} L${width} ${top(width)} v${PIPE_PX} L0 ${top(0) + PIPE_PX} Z`} strokeWidth="1.4" className="fill-paper stroke-ink" />
      {marks.map((m, i) => {
        const x = (i + 0.5) * EACH_PX;
        const y = top(x);
        return (
          <g key={m.on}>
            <path d={`M${x - 9} ${y - 3} h18 v${PIPE_PX + 6} h-18 Z`} strokeWidth="1.4" className="fill-sheet stroke-ink" />
            <Balloon
              x={x}
              y={BALLOON + 2}
              to={[x, y - 4]}
              mark={{ n: Number(m.on.slice(1)), letter: 'D', state: m.state, finding: m.finding, note: m.finding ?? '' }}
              upright={false}
            />
            <text x={x} y={y + PIPE_PX + 20} textAnchor="middle" fontSize="14" className="fill-ink font-text">
              {m.what}
            </text>
            <text x={x} y={y + PIPE_PX + 37} textAnchor="middle" fontSize="14" className="fill-soft font-text">
              {m.name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
