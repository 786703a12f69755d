import { Fragment, useId } from 'react';
import type { LineBranch, LineSection } from '../../../core/index.ts';
import { BALLOON, Balloon, type JointMark } from './Balloon.tsx';
import { Breaks, Pieces, Standing, Water } from './Cutaway.tsx';
import { Hatches } from './hatch.tsx';
import { GAP, LABEL_PX, labelRows } from './label-rows.ts';
import { spread } from './spread.ts';

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
const ROW_PX = 19;

/** A line or its open ends as a section to one scale, with balloons for the joints and names below. */
export function Section({ section: s, water, scale, labels, marks, ringed = null, upright = false, title }: Props) {
  const id = useId();
  const rows = upright ? { at: [], count: 0 } : labelRows(s, scale, labels);
  const head = marks ? (upright ? 2 * BALLOON + 18 : 56) : 8;
  const foot = upright ? 4 : rows.count * ROW_PX + 8;
  const half = s.radius * scale;
  const above = s.above * scale;
  const across = head + above + half + foot;
  const along = (s.x1 - s.x0) * scale + 2 * GAP;
  const axis = head + above;
  const x = (inches: number) => GAP + (inches - s.x0) * scale;
  const balloons = spread(new Map(s.joints.map((j) => [j.n, x(j.x)])), 2 * BALLOON + 4, along);
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
        {s.branches.map((b, i) => (
          <Standing key={i} branch={b} {...{ section: s, axis, scale, x, id, water }} />
        ))}
        {s.joints.map((j) => (
          <Fragment key={j.n}>
            {j.n === ringed && (
              <circle
                cx={x(j.x)}
                cy={axis - j.y * scale}
                r={(j.y > 0 ? (j.radius - j.y) * scale : half) + 4}
                fill="none"
                strokeWidth="3"
                className="stroke-brass-deep"
              />
            )}
            {marks && (
              <Balloon
                x={balloons.get(j.n) ?? x(j.x)}
                y={upright ? BALLOON + 2 : 22}
                to={[x(j.x), axis - j.radius * scale - 3]}
                mark={markOf(marks, j.n)}
                upright={upright}
              />
            )}
          </Fragment>
        ))}
        {!upright &&
          s.branches.map((b, i) => (
            <text
              key={i}
              x={x(b.x + b.radius) + 6}
              y={axis - b.top * scale + LABEL_PX}
              fontSize={LABEL_PX}
              className="fill-ink stroke-sheet font-text"
              strokeWidth="5"
              paintOrder="stroke"
            >
              {BRANCH_WORDS[b.use]}
            </text>
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

const BRANCH_WORDS: Record<LineBranch['use'], string> = { rejoin: 'old line', free: 'left free', cap: 'capped' };

const markOf = (marks: JointMark[], n: number): JointMark => marks.find((m) => m.n === n) ?? { n, state: 'not made', finding: null, note: '' };
