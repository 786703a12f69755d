import { useDraggable, useDroppable } from '@dnd-kit/core';
import { useState } from 'react';
import type { WeekVisit } from '../../../record/index.ts';
import { hoursWords } from '../../ui/words.ts';
import { LEAF, leftOf, roomOf, tenth, widthOf, x } from './room.ts';

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
  visits: WeekVisit[];
  /** The visit that is being moved by keys. */
  picked: string | null;
  onPick: (id: string | null) => void;
  move: (visit: WeekVisit, days: number, minutes: number) => void;
  /** Whether it can be moved yet. */
  isAtHand: boolean;
}

export function Leaf({ day, today, visits, picked, onPick, move, isAtHand }: Props) {
  const { setNodeRef, isOver } = useDroppable({ id: day });
  const standing = visits.filter((v) => v.status !== 'cancelled');
  const booked = standing.reduce((sum, v) => sum + v.minutes, 0);
  const word =
    day < today && standing.length > 0 && standing.every((v) => v.status === 'done')
      ? 'done'
      : standing.length === 0
        ? 'free'
        : `${hoursWords(booked)} booked`;
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
        className="hours"
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
        {visits.map((v, i) => {
          const of = { v, room: roomOf(v, visits[i + 1]) };
          return isAtHand ? <Bar key={v.id} {...of} isPicked={picked === v.id} {...{ onPick, move }} /> : <StillBar key={v.id} {...of} />;
        })}
      </svg>
    </div>
  );
}

interface BarProps {
  v: WeekVisit;
  /** Up to where its name may go, in the leaf's measure. */
  room: number;
  isPicked: boolean;
  onPick: (id: string | null) => void;
  move: Props['move'];
}

/** Before the page's program is there: to be read. */
function StillBar({ v, room }: Pick<BarProps, 'v' | 'room'>) {
  const left = leftOf(v);
  return (
    <g transform={`translate(${left} 14)`}>
      <Face {...{ v, room }} width={widthOf(v, left)} />
    </g>
  );
}

interface FaceProps extends Pick<BarProps, 'v' | 'room'> {
  width: number;
  isPicked?: boolean;
  /** In place of the line under its name. */
  said?: string | null;
}

/** A visit's bar: filled from below as its runs are done; its name stands over it, where there is room for it. */
function Face({ v, room, width, isPicked = false, said = null }: FaceProps) {
  const { runs, status } = v;
  const done = runs === 0 ? 0 : v.done / runs;
  const isOver = v.into !== '';
  return (
    <>
      <rect
        width={width}
        height="44"
        className={isPicked ? 'picked' : isOver ? 'over' : undefined}
        strokeDasharray={status === 'cancelled' ? '5 4' : undefined}
      />
      {done > 0 && <rect y={44 - 7} width={tenth(width * done)} height="7" className="done" />}
      <foreignObject width={room} height="44">
        <p className={status === 'cancelled' ? 'line-through' : undefined}>{isOver ? `▲ ${v.title}` : v.title}</p>
        <p>{said ?? (isOver ? `into ${v.into}` : `${v.startsAt}, ${runs} ${runs === 1 ? 'run' : 'runs'}`)}</p>
      </foreignObject>
    </>
  );
}

/** A visit on its leaf, moved by drag and by keys. */
function Bar({ v, room, isPicked, onPick, move }: BarProps) {
  const { status } = v;
  const { setNodeRef, listeners, transform } = useDraggable({ id: v.id, disabled: status === 'cancelled' });
  /** Moved by keys and not kept yet. */
  const [by, setBy] = useState({ days: 0, minutes: 0 });
  const left = leftOf(v, by.minutes);
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
    else if (key === 'Enter') location.assign(`/visits/${v.id}`);
    else if (key === ' ') onPick(v.id);
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
      aria-label={`${v.startsAt} ${v.title}, ${status}, ${v.minutes} minutes${v.into === '' ? '' : `, runs into ${v.into}`}. Enter opens it; space, then arrows, moves it`}
      aria-pressed={isPicked}
      className="cursor-grab outline-offset-0 focus-visible:outline-3"
      transform={`translate(${left + (transform?.x ?? 0)} ${14 + (transform?.y ?? 0)})`}
      onDoubleClick={() => location.assign(`/visits/${v.id}`)}
      onKeyDown={(e) => {
        if (!press(e.key)) return;
        e.preventDefault();
        e.stopPropagation();
      }}
      onBlur={() => isPicked && keep()}
    >
      <Face {...{ v, room, isPicked, said }} width={widthOf(v, left)} />
    </g>
  );
}
