import type { Chain, Part } from '../../core/index.ts';
import { type LinePart, lineSection, type SectionMaterial, shortName } from '../../core/index.ts';

export interface JointMark {
  n: number;
  /** Open ring, half filled, full. */
  state: 'not made' | 'made' | 'proven';
  finding: 'damp' | 'drip' | 'running' | null;
  note: string;
}

interface Props {
  from: string;
  to: string;
  chain: Pick<Chain, 'path' | 'joints'>;
  parts: Part[];
  water: 'cold' | 'hot';
  marks?: JointMark[];
  /** Upright, water at the bottom, as on a phone. */
  compact?: boolean;
  title: string;
}

const FILL: Record<SectionMaterial, string> = {
  brass: 'url(#hatch-brass)',
  plastic: 'url(#hatch-plastic)',
  rubber: '#1d2427',
  braid: 'url(#hatch-braid)',
  copper: 'url(#hatch-copper)',
  tube: '#f4f1e6',
  steel: '#d5d0c4',
};

const SCALE = 84;
const GAP = 16;

/** Hatches tell materials: brass at 45 degrees, plastic dotted, braid crossed, copper at 45 the other way, rubber solid. */
function Hatches() {
  return (
    <defs>
      <pattern id="hatch-brass" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="6" height="6" fill="#f3e3bd" />
        <line x1="0" y1="0" x2="0" y2="6" stroke="#c9973b" strokeWidth="1.4" />
      </pattern>
      <pattern id="hatch-copper" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <rect width="5" height="5" fill="#f0dcc8" />
        <line x1="0" y1="0" x2="0" y2="5" stroke="#9a6a3c" strokeWidth="1.2" />
      </pattern>
      <pattern id="hatch-plastic" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="#eef0e4" />
        <circle cx="3" cy="3" r="0.9" fill="#5c635f" />
      </pattern>
      <pattern id="hatch-braid" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" fill="#f1eee6" />
        <path d="M0 0 6 6M6 0 0 6" stroke="#5c635f" strokeWidth="0.8" />
      </pattern>
    </defs>
  );
}

/** The run drawn as a section from the water side to the appliance, to one scale, from the ends' real geometry. */
export function Line({ from, to, chain, parts, water, marks, compact = false, title }: Props) {
  const byId = new Map(parts.map((p) => [p.id, p]));
  const through: LinePart[] = chain.path.map((step, i) => {
    const part = byId.get(step.part);
    const line = part?.cutToLength ? 'tube' : part?.flexible ? 'braided' : null;
    return { part: step.part, inCode: chain.joints[i]!.b, outCode: chain.joints[i + 1]!.a, line, lengthIn: step.cutLengthIn ?? part?.lengthIn ?? 1 };
  });
  const s = lineSection(from, through, to);
  const head = marks ? 62 : 12;
  const foot = compact ? 26 : 48;
  const width = (s.x1 - s.x0) * SCALE + 2 * GAP;
  const axis = head + s.radius * SCALE;
  const height = axis + s.radius * SCALE + foot;
  const x = (inches: number) => GAP + (inches - s.x0) * SCALE;
  const polygon = (points: [number, number][], up: 1 | -1) =>
    points.map(([px, py]) => `${x(px).toFixed(1)},${(axis - up * py * SCALE).toFixed(1)}`).join(' ');
  return (
    <svg
      viewBox={`0 0 ${width.toFixed(0)} ${height.toFixed(0)}`}
      role="img"
      aria-label={title}
      className={compact ? 'h-auto max-h-28 w-full max-w-160' : 'h-auto max-h-58 w-full'}
    >
      <Hatches />
      <g opacity="0.18" className={water === 'hot' ? 'fill-hot' : 'fill-cold'}>
        {s.water.map((w, i) => (
          <rect key={i} x={x(w.x0)} y={axis - w.radius * SCALE} width={(w.x1 - w.x0) * SCALE} height={2 * w.radius * SCALE} />
        ))}
      </g>
      {([1, -1] as const).flatMap((up) =>
        s.pieces.map((p, i) => (
          <polygon
            key={`${up}${i}`}
            points={polygon(p.points, up)}
            fill={FILL[p.material]}
            stroke="#1d2427"
            strokeWidth="1.2"
            strokeLinejoin="round"
          />
        )),
      )}
      <line
        x1={x(s.x0) - 8}
        x2={x(s.x1) + 8}
        y1={axis}
        y2={axis}
        strokeDasharray="14 4 3 4"
        strokeWidth="1.1"
        className={water === 'hot' ? 'stroke-hot' : 'stroke-cold'}
      />
      {s.breaks.map((b, i) => {
        const r = b.radius * SCALE;
        const path = (dx: number) => `M${x(b.x) + dx} ${axis - r} q 9 ${r * 0.55} 0 ${r} t 0 ${r}`;
        return (
          <g key={i}>
            <path d={`${path(-5)} L ${x(b.x) + 5} ${axis + r} q -9 ${-r * 0.55} 0 ${-r} t 0 ${-r} Z`} className="fill-sheet" />
            <path d={path(-6)} fill="none" stroke="#1d2427" strokeWidth="1.2" />
            <path d={path(6)} fill="none" stroke="#1d2427" strokeWidth="1.2" />
          </g>
        );
      })}
      {marks &&
        s.joints.map((j) => <Balloon key={j.n} x={x(j.x)} y={24} to={axis - j.radius * SCALE - 3} mark={marks.find((m) => m.n === j.n)} n={j.n} />)}
      {s.spans.map((span, i) => {
        const label = span.part ? shortName(byId.get(span.part)?.name ?? span.part) : i === 0 ? 'water side' : 'inlet';
        const anchor = i === 0 ? 'start' : i === s.spans.length - 1 ? 'end' : 'middle';
        const at = anchor === 'start' ? x(span.x0) : anchor === 'end' ? x(span.x1) : x((span.x0 + span.x1) / 2);
        const narrow = (span.x1 - span.x0) * SCALE < label.length * 7.5;
        const y = height - foot + 20 + (narrow && i % 2 === 1 ? 20 : 0);
        return (
          <text key={i} x={at} y={y} textAnchor={anchor} fontSize="15" className="fill-ink font-text">
            {label}
          </text>
        );
      })}
    </svg>
  );
}

/** A joint's state by shape: open ring not made, half filled made, full proven dry; a mark hanging below is a finding. */
function Balloon({ x, y, to, mark, n }: { x: number; y: number; to: number; mark: JointMark | undefined; n: number }) {
  const state = mark?.state ?? 'not made';
  const r = 16;
  return (
    <g>
      <line x1={x} x2={x} y1={y + r} y2={to} stroke="#1d2427" strokeWidth="1" />
      <circle cx={x} cy={y} r={r} className={state === 'proven' ? 'fill-ink' : 'fill-sheet'} stroke="#1d2427" strokeWidth="1.8" />
      {state === 'made' && <path d={`M${x - r} ${y} a ${r} ${r} 0 0 0 ${2 * r} 0 Z`} className="fill-brass" />}
      <text
        x={x}
        y={y + 5}
        textAnchor="middle"
        fontSize="15"
        fontWeight="600"
        className={state === 'proven' ? 'fill-sheet font-head' : 'fill-ink font-head'}
      >
        J{n}
      </text>
      {mark?.finding && <path d={`M${x} ${y + r + 1} l 8 13 h -16 Z`} className="fill-ink" />}
      {mark?.note && (
        <text x={x + r + 6} y={y + 5} fontSize="14" className="fill-soft font-text">
          {mark.note}
        </text>
      )}
    </g>
  );
}
