import { Fragment, useId } from 'react';
import type { LineSection } from '../../core/index.ts';
import { fillOf, Hatches } from './hatch.tsx';

export interface JointMark {
  n: number;
  /** Open ring, half filled, full. */
  state: 'not made' | 'made' | 'proven';
  finding: 'damp' | 'drip' | 'running' | null;
  /** Said beside the balloon. */
  note: string;
}

interface Props {
  section: LineSection;
  water: 'cold' | 'hot';
  /** Screen pixels for an inch; one figure for drawings that are compared. */
  scale: number;
  /** Words below each span, in the order of `section.spans`; none upright, where there is no room. */
  labels: string[];
  marks?: JointMark[];
  /** Joint under work, ringed. */
  ringed?: number | null;
  /** As on a phone: water at the bottom. */
  upright?: boolean;
  title: string;
}

const GAP = 14;
const LABEL_PX = 14;
const ROW_PX = 19;
const BALLOON = 15;

/** A line or its open ends as a section to one scale, with balloons for the joints and names below. */
export function Section({ section: s, water, scale, labels, marks, ringed = null, upright = false, title }: Props) {
  const id = useId();
  const rows = upright ? { at: [], count: 0 } : labelRows(s, scale, labels);
  const head = marks ? (upright ? 2 * BALLOON + 18 : 56) : 8;
  const foot = upright ? 4 : rows.count * ROW_PX + 8;
  const half = s.radius * scale;
  const across = head + 2 * half + foot;
  const along = (s.x1 - s.x0) * scale + 2 * GAP;
  const axis = head + half;
  const x = (inches: number) => GAP + (inches - s.x0) * scale;
  // Upright the same drawing is turned a quarter: water at the bottom, balloons at the left.
  const [width, height] = upright ? [across, along] : [along, across];
  return (
    <svg
      viewBox={`0 0 ${width.toFixed(1)} ${height.toFixed(1)}`}
      width={width.toFixed(0)}
      height={height.toFixed(0)}
      role="img"
      aria-label={title}
      className={upright ? 'mx-auto h-auto max-h-[70vh] w-full' : 'mx-auto block h-auto max-w-full'}
    >
      <Hatches id={id} />
      <g transform={upright ? `translate(0 ${along.toFixed(1)}) rotate(-90)` : undefined}>
        <Water section={s} water={water} axis={axis} scale={scale} x={x} />
        <Pieces section={s} axis={axis} scale={scale} x={x} id={id} />
        <line
          x1={x(s.x0) - 8}
          x2={x(s.x1) + 8}
          y1={axis}
          y2={axis}
          strokeDasharray="14 4 3 4"
          strokeWidth="1.1"
          className={water === 'hot' ? 'stroke-hot' : 'stroke-cold'}
        />
        <Breaks section={s} axis={axis} scale={scale} x={x} />
        {s.joints.map((j) => (
          <Fragment key={j.n}>
            {j.n === ringed && <circle cx={x(j.x)} cy={axis} r={half + 4} fill="none" strokeWidth="3" className="stroke-brass-deep" />}
            {marks && (
              <Balloon x={x(j.x)} y={upright ? BALLOON + 2 : 22} to={axis - j.radius * scale - 3} mark={markOf(marks, j.n)} upright={upright} />
            )}
          </Fragment>
        ))}
        {rows.at.map((label, i) => (
          <text key={i} x={label.x} y={axis + half + 16 + label.row * ROW_PX} textAnchor="middle" fontSize={LABEL_PX} className="fill-ink font-text">
            {label.text}
          </text>
        ))}
      </g>
    </svg>
  );
}

const markOf = (marks: JointMark[], n: number): JointMark => marks.find((m) => m.n === n) ?? { n, state: 'not made', finding: null, note: '' };

interface Frame {
  section: LineSection;
  axis: number;
  scale: number;
  x: (inches: number) => number;
}

function Water({ section, water, axis, scale, x }: Frame & { water: 'cold' | 'hot' }) {
  return (
    <g opacity="0.2" className={water === 'hot' ? 'fill-hot' : 'fill-cold'}>
      {section.water.map((w, i) => (
        <rect key={i} x={x(w.x0)} y={axis - w.radius * scale} width={(w.x1 - w.x0) * scale} height={2 * w.radius * scale} />
      ))}
    </g>
  );
}

function Pieces({ section, axis, scale, x, id }: Frame & { id: string }) {
  const polygon = (points: [number, number][], up: 1 | -1) =>
    points.map(([px, py]) => `${x(px).toFixed(1)},${(axis - up * py * scale).toFixed(1)}`).join(' ');
  return ([1, -1] as const).flatMap((up) =>
    section.pieces.map((p, i) => (
      <polygon
        key={`${up}${i}`}
        points={polygon(p.points, up)}
        fill={fillOf(p.material, id)}
        stroke="#1d2427"
        strokeWidth="1.2"
        strokeLinejoin="round"
      />
    )),
  );
}

function Breaks({ section, axis, scale, x }: Frame) {
  return section.breaks.map((b, i) => {
    const r = b.radius * scale;
    const path = (dx: number) => `M${x(b.x) + dx} ${axis - r} q 9 ${r * 0.55} 0 ${r} t 0 ${r}`;
    return (
      <g key={i}>
        <path d={`${path(-5)} L ${x(b.x) + 5} ${axis + r} q -9 ${-r * 0.55} 0 ${-r} t 0 ${-r} Z`} className="fill-sheet" />
        <path d={path(-6)} fill="none" strokeWidth="1.2" className="stroke-ink" />
        <path d={path(6)} fill="none" strokeWidth="1.2" className="stroke-ink" />
      </g>
    );
  });
}

/** A joint's state by shape: open ring not made, half filled made, full proven dry; a mark hanging below is a finding. */
function Balloon({ x, y, to, mark, upright }: { x: number; y: number; to: number; mark: JointMark; upright: boolean }) {
  const { n, state } = mark;
  const r = BALLOON;
  return (
    <g>
      <line x1={x} x2={x} y1={y + r} y2={to} strokeWidth="1" className="stroke-ink" />
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
        <text x={x + r + 6} y={y + 5} fontSize={LABEL_PX} className="fill-soft font-text">
          {mark.note}
        </text>
      )}
    </g>
  );
}

/** Puts names below what they name, in as many rows as it takes for none to touch another. */
function labelRows(s: LineSection, scale: number, labels: string[]): { at: { x: number; row: number; text: string }[]; count: number } {
  const width = (s.x1 - s.x0) * scale + 2 * GAP;
  const ends: number[] = [];
  const at = s.spans.map((span, i) => {
    const text = labels[i] ?? '';
    const half = (text.length * LABEL_PX * 0.54) / 2;
    const middle = GAP + ((span.x0 + span.x1) / 2 - s.x0) * scale;
    const x = Math.min(Math.max(middle, half), Math.max(half, width - half));
    let row = ends.findIndex((end) => end + 10 < x - half);
    if (row === -1) row = ends.length;
    ends[row] = x + half;
    return { x, row, text };
  });
  return { at, count: ends.length };
}
