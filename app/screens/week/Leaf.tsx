import { useDraggable, useDroppable } from '@dnd-kit/core';
import { useState } from 'react';
import type { PlannedVisit } from '../../../record/visit/day.ts';
import { minuteOf } from '../../../record/visit/plan.ts';

/** A leaf of the rule: its hours, and how they lie on it. */
export const LEAF = { from: 7 * 60, minutes: 12 * 60, width: 870, height: 84 };

const x = (minute: number): number => ((minute - LEAF.from) / LEAF.minutes) * LEAF.width;
/** What an arrow moves a visit by. */
const STEPS: Record<string, { days: number; minutes: number }> = {
  ArrowLeft: { days: 0, minutes: -15 },
  ArrowRight: { days: 0, minutes: 15 },
  ArrowUp: { days: -1, minutes: 0 },
  ArrowDown: { days: 1, minutes: 0 },
};

const weekday = new Intl.DateTimeFormat('en', { weekday: 'short', timeZone: 'UTC' });

interface Props {
  day: string;
  today: string;
  visits: PlannedVisit[];
  /** The visit that is being moved by keys. */
  picked: string | null;
  onPick: (id: string | null) => void;
  move: (visit: PlannedVisit, days: number, minutes: number) => void;
}

export function Leaf({ day, today, visits, picked, onPick, move }: Props) {
  const { setNodeRef, isOver } = useDroppable({ id: day });
  const standing = visits.filter((v) => v.visit.cancelled === null);
  const booked = standing.reduce((sum, v) => sum + v.span.minutes, 0);
  const word =
    day < today && standing.length > 0 && standing.every((v) => v.status === 'done') ? 'done' : standing.length === 0 ? 'free' : hoursOf(booked);
  return (
    <div className="grid grid-cols-[6.5rem_minmax(0,1fr)] items-center gap-2">
      <a href={`/?day=${day}`} className="grid min-h-12 content-center no-underline hover:bg-brass-light">
        <span className="font-head text-2xl font-semibold">
          {weekday.format(new Date(`${day}T00:00:00Z`))} {Number(day.slice(8))}
        </span>
        <span className="text-soft">{day === today ? `today, ${word}` : word}</span>
      </a>
      {/* biome-ignore lint/a11y/useSemanticElements: a drawing holds no field set */}
      <svg
        ref={setNodeRef as unknown as React.Ref<SVGSVGElement>}
        viewBox={`0 0 ${LEAF.width} ${LEAF.height}`}
        className="block w-full touch-pan-y"
        role="group"
        aria-label={`${day}: ${standing.length} ${standing.length === 1 ? 'visit' : 'visits'}`}
      >
        <rect
          x="0.7"
          y="0.7"
          width={LEAF.width - 1.4}
          height={LEAF.height - 1.4}
          className={`stroke-ink ${isOver || day === today ? 'fill-brass-light' : 'fill-sheet'}`}
          strokeWidth="1.3"
        />
        {Array.from({ length: LEAF.minutes / 30 + 1 }, (_, i) => {
          const minute = LEAF.from + i * 30;
          const isHour = minute % 60 === 0;
          return (
            <g key={minute}>
              <path d={`M${x(minute)} ${LEAF.height} v-${isHour ? 11 : 6}`} className="stroke-ink" strokeWidth="1" />
              {minute % 120 === 60 && (
                <text x={x(minute) + 4} y={LEAF.height - 3} className="fill-soft font-head text-[14px]">
                  {minute / 60}
                </text>
              )}
            </g>
          );
        })}
        {visits.map((v, i) => (
          <Bar
            key={v.visit.id}
            v={v}
            next={visits[i + 1]}
            isPicked={picked === v.visit.id}
            onPick={onPick}
            move={move}
            overlapNames={v.overlaps.map((id) => visits.find((o) => o.visit.id === id)?.visit.title ?? 'another')}
          />
        ))}
      </svg>
    </div>
  );
}

interface BarProps {
  v: PlannedVisit;
  next: PlannedVisit | undefined;
  isPicked: boolean;
  onPick: (id: string | null) => void;
  move: Props['move'];
  overlapNames: string[];
}

/** A visit on its leaf: filled from below as its runs are done; its name stands over it, where there is room for it. */
function Bar({ v, next, isPicked, onPick, move, overlapNames }: BarProps) {
  const { visit, runs, span, status } = v;
  const { setNodeRef, listeners, transform } = useDraggable({ id: visit.id, disabled: status === 'cancelled' });
  /** Moved by keys and not kept yet. */
  const [by, setBy] = useState({ days: 0, minutes: 0 });
  const from = Math.max(LEAF.from, minuteOf(visit.startsAt) + by.minutes);
  const left = x(from);
  const width = Math.max(18, Math.min(LEAF.width - left - 2, (span.minutes / LEAF.minutes) * LEAF.width));
  const room = Math.max(width, (next ? x(minuteOf(next.visit.startsAt)) : LEAF.width) - left - 4);
  const done = runs.length === 0 ? 0 : runs.filter((r) => r.summary.signedOffMs !== null).length / runs.length;
  const isOver = overlapNames.length > 0;
  const keep = () => {
    if (by.days !== 0 || by.minutes !== 0) move(v, by.days, by.minutes);
    setBy({ days: 0, minutes: 0 });
    onPick(null);
  };
  /** Whether a key meant something here. */
  const press = (key: string): boolean => {
    const step = STEPS[key];
    if (step && isPicked) setBy({ days: by.days + step.days, minutes: by.minutes + step.minutes });
    else if (isPicked && (key === 'Enter' || key === ' ')) keep();
    else if (key === 'Enter') location.assign(`/visits/${visit.id}`);
    else if (key === ' ') onPick(visit.id);
    else if (isPicked && key === 'Escape') {
      setBy({ days: 0, minutes: 0 });
      onPick(null);
    } else return false;
    return true;
  };
  const said =
    isPicked && (by.days !== 0 || by.minutes !== 0)
      ? `${by.days ? `${by.days > 0 ? '+' : ''}${by.days} d ` : ''}${by.minutes ? `${by.minutes > 0 ? '+' : ''}${by.minutes} min` : ''}: Enter keeps`
      : null;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing holds no button
    <g
      ref={setNodeRef as unknown as React.Ref<SVGGElement>}
      {...listeners}
      role="button"
      tabIndex={0}
      aria-label={`${visit.startsAt} ${visit.title}, ${status}, ${span.minutes} minutes${isOver ? `, runs into ${overlapNames.join(', ')}` : ''}. Enter opens it; space, then arrows, moves it`}
      aria-pressed={isPicked}
      className="cursor-grab outline-offset-0 focus-visible:outline-3"
      transform={`translate(${left + (transform?.x ?? 0)} ${14 + (transform?.y ?? 0)})`}
      onDoubleClick={() => location.assign(`/visits/${visit.id}`)}
      onKeyDown={(e) => {
        if (!press(e.key)) return;
        e.preventDefault();
        e.stopPropagation();
      }}
      onBlur={() => isPicked && keep()}
    >
      <rect
        width={width}
        height="44"
        className={`${isPicked ? 'fill-brass' : 'fill-paper'} stroke-ink`}
        strokeWidth={isOver || isPicked ? 3 : 1.3}
        strokeDasharray={status === 'cancelled' ? '5 4' : undefined}
      />
      {done > 0 && <rect y={44 - 7} width={width * done} height="7" className="fill-ink" />}
      <foreignObject width={room} height="44" className="pointer-events-none overflow-visible">
        <p
          className={`overflow-hidden px-1.5 font-head text-[17px] leading-[22px] font-semibold whitespace-nowrap ${status === 'cancelled' ? 'line-through' : ''}`}
        >
          {isOver && '▲ '}
          {visit.title}
        </p>
        <p className="overflow-hidden px-1.5 text-[13px] leading-[16px] whitespace-nowrap text-soft">
          {said ?? (isOver ? `into ${overlapNames.join(', ')}` : `${visit.startsAt}, ${runs.length} ${runs.length === 1 ? 'run' : 'runs'}`)}
        </p>
      </foreignObject>
    </g>
  );
}

const hoursOf = (minutes: number): string => `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} booked`;
