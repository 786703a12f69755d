import { minuteOf } from '../../../record/index.ts';
import type { DayBlock } from './day-blocks.ts';
import { lanesOf } from './lanes.ts';

/** The hours a day shows unless a visit lies outside them. */
const USUAL = { from: 7, to: 18 };
/** A minute's height, px. */
const SCALE = 0.92;
/** A block is never lower than one line. */
const LEAST_PX = 26;

interface Props {
  blocks: DayBlock[];
  /** A visit that is being planned: inked among the others, with a hatched part for where it goes slowly. */
  draft?: { title: string; startsAt: string; minutes: number; slow: number } | null;
}

/** A day as a rule: hours as its marks, visits as blocks beside it; those that run into each other stand side by side. */
export function DayRule({ blocks, draft = null }: Props) {
  const shown = blocks.filter((b) => b.status !== 'cancelled');
  const ends = [...shown, ...(draft ? [draft] : [])].map((b) => [minuteOf(b.startsAt), minuteOf(b.startsAt) + b.minutes] as const);
  const from = Math.min(USUAL.from, ...ends.map(([a]) => Math.floor(a / 60)));
  const to = Math.min(24, Math.max(USUAL.to, ...ends.map(([, b]) => Math.ceil(b / 60))));
  const top = (startsAt: string) => Math.round((minuteOf(startsAt) - from * 60) * SCALE);
  const height = Math.round((to - from) * 60 * SCALE);
  const lanes = lanesOf(shown);
  const most = Math.max(0, ...lanes.values()) + 1;
  return (
    <svg
      viewBox={`0 0 260 ${height + 16}`}
      className="block w-full max-w-80"
      role="img"
      aria-label={`${shown.length} ${shown.length === 1 ? 'visit' : 'visits'}: ${shown.map((b) => `${b.startsAt} ${b.title}`).join(', ') || 'none'}`}
    >
      <defs>
        <pattern id="slow" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0 V7" className="stroke-brass-deep" strokeWidth="1.6" />
        </pattern>
      </defs>
      <g transform="translate(0 8)">
        {Array.from({ length: to - from + 1 }, (_, i) => (
          <g key={from + i}>
            <text x="0" y={i * 60 * SCALE + 5} className="fill-ink font-head text-[15px] font-semibold">
              {String(from + i).padStart(2, '0')}
            </text>
            <path d={`M34 ${i * 60 * SCALE} h14`} className="stroke-ink" strokeWidth="1.4" />
            {i < to - from && <path d={`M34 ${(i + 0.5) * 60 * SCALE} h7`} className="stroke-ink" strokeWidth="1" />}
          </g>
        ))}
        <path d={`M34 0 V${height}`} className="stroke-ink" strokeWidth="1.6" />
        {shown.map((b) => {
          const lane = lanes.get(b.id) ?? 0;
          const width = 204 / most;
          const tall = Math.max(LEAST_PX, b.minutes * SCALE);
          return (
            <g key={b.id}>
              <rect x={54 + lane * width} y={top(b.startsAt)} width={width - 4} height={tall} className="fill-sheet stroke-ink" strokeWidth="1.3" />
              <foreignObject x={54 + lane * width} y={top(b.startsAt)} width={width - 4} height={tall}>
                <p className="overflow-hidden px-2 pt-0.5 font-head text-[15px] leading-tight font-semibold">
                  {b.startsAt} {b.title}
                </p>
              </foreignObject>
            </g>
          );
        })}
        {draft && (
          <g>
            {draft.slow > draft.minutes && (
              <rect
                x="74"
                y={top(draft.startsAt) + draft.minutes * SCALE}
                width="182"
                height={(draft.slow - draft.minutes) * SCALE}
                fill="url(#slow)"
                className="stroke-ink"
                strokeDasharray="4 3"
              />
            )}
            <rect
              x="74"
              y={top(draft.startsAt)}
              width="182"
              height={Math.max(LEAST_PX, draft.minutes * SCALE)}
              className="fill-brass-light stroke-ink"
              strokeWidth="2.6"
              fillOpacity="0.92"
            />
            <foreignObject x="74" y={top(draft.startsAt)} width="182" height={Math.max(LEAST_PX, draft.minutes * SCALE)}>
              <p className="overflow-hidden px-2 pt-0.5 font-head text-[15px] leading-tight font-semibold">
                {draft.startsAt} {draft.title}
              </p>
            </foreignObject>
          </g>
        )}
      </g>
    </svg>
  );
}
