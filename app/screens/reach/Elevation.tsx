import { type KeyboardEvent, type PointerEvent, useState } from 'react';
import {
  type HoseShape,
  type LengthPick,
  type LengthQuestion,
  type LineEnd,
  length,
  quantityWords,
  type SlackCoil,
  type Units,
} from '../../../core/index.ts';
import { coilMiddle, drawnOf, type Point, ruleSteps, type Sheet, seen, shapeOf, sheetFor, shownPoints, type View } from './room-view.ts';
import { path, wayOf } from './way.ts';

export type Handle = 'stop' | 'inlet';

interface Props {
  view: View;
  question: LengthQuestion;
  picks: readonly LengthPick[];
  chosen: LengthPick;
  isOut: boolean;
  units: Units;
  most: { width: number; height: number };
  /** Of all views beside each other, pixels an inch. */
  scale: number;
  /** An end taken to another place: inches from the wall or to the side, and up. */
  onMove: (end: Handle, to: Point) => void;
}

/** Wall, floor, stop and inlet to one scale, with the lengths that could be taken as real curves and the chosen one as itself. */
export function Elevation({ view, question, picks, chosen, isOut, units, most, scale, onMove }: Props) {
  const drawn = drawnOf(picks, chosen);
  // Under a finger the scale stays as it is.
  const [held, setHeld] = useState<Sheet | null>(null);
  const sheet = held ?? sheetFor(view, shownPoints(view, question, drawn, isOut), most, scale);
  const hold = (isHeld: boolean) => setHeld(isHeld ? sheet : null);
  const { at } = sheet;
  const to = isOut ? (question.pulledOut ?? question.to) : question.to;
  const shape = shapeOf(chosen, isOut) ?? chosen.shape;
  const od = Math.max(4, (question.odIn ?? 0.5) * sheet.scale);
  const isKept = shape.verdict !== 'too-short';
  const tight = isKept ? at(seen(view, shape.points[shape.tightestAt]!)) : null;
  const coil = !isOut && chosen.coil;
  const size = { viewBox: `0 0 ${sheet.width} ${sheet.height}`, width: sheet.width, height: sheet.height };
  const onSheet = (end: LineEnd): Point => at(seen(view, [end.x, end.y, end.z ?? 0]));
  return (
    <figure className="grid" aria-label={view === 'side' ? 'Seen from the side, the wall at the left' : 'Seen from the front, the wall behind'}>
      <svg {...size} className="reach col-start-1 row-start-1 h-auto max-w-full" aria-hidden="true">
        {view === 'side' && (
          <defs>
            <pattern id="reach-hatch" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <line x1="0" y1="0" x2="0" y2="8" stroke="#9a958a" strokeWidth="1.2" />
            </pattern>
          </defs>
        )}
        <Rules sheet={sheet} units={units} />
        {drawn.map((p) => {
          const other = shapeOf(p, isOut);
          return p !== chosen && other && other.verdict !== 'too-short' ? (
            <Other key={p.lengthIn} {...{ sheet, shape: other, words: quantityWords(length(p.lengthIn), units) }} />
          ) : null;
        })}
        {coil ? (
          <Coil {...{ sheet, question, coil, od }} />
        ) : (
          <>
            <path className="hose" strokeWidth={od + 2.4} d={path(sheet, shape.points)} />
            <path className="braid" strokeWidth={od} d={path(sheet, shape.points)} />
            <path className="weave" strokeWidth={od} strokeDasharray="1.4 3.4" d={path(sheet, shape.points)} />
          </>
        )}
        <Nut {...{ sheet, end: question.from, question, sign: 1 as const }} />
        {isKept && <Nut {...{ sheet, end: to, question, sign: -1 as const }} />}
        <Dimensions
          {...{ sheet, from: seen(view, [question.from.x, question.from.y, question.from.z ?? 0]), to: seen(view, [to.x, to.y, to.z ?? 0]), units }}
        />
        <Names stop={onSheet(question.from)} inlet={onSheet(to)} />
        {tight && !coil && shape.minRadiusIn < 1e5 && <circle className="tight" cx={tight[0]} cy={tight[1]} r={7} />}
        {[question.from, to].map((end, i) => (
          <circle key={i === 0 ? 'stop' : 'inlet'} className="grip" cx={onSheet(end)[0]} cy={onSheet(end)[1]} r={8} />
        ))}
      </svg>
      <svg {...size} className="col-start-1 row-start-1 h-auto max-w-full touch-pan-y print:hidden">
        <title>The two ends, to be moved</title>
        <End name="stop" label="The stop" {...{ sheet, end: question.from, units, onMove, hold }} />
        <End name="inlet" label={isOut ? 'The inlet, pulled out' : 'The inlet'} {...{ sheet, end: to, units, onMove, hold }} />
      </svg>
    </figure>
  );
}

/** The two ends by name, each on the side away from the other. */
function Names({ stop, inlet }: Record<'stop' | 'inlet', Point>) {
  const isLeft = stop[0] <= inlet[0];
  const isOver = stop[1] < inlet[1];
  const side = (left: boolean, [x, y]: Point, over: boolean) =>
    ({ x: x + (left ? -14 : 14), y: y + (over ? -12 : 22), textAnchor: left ? 'end' : 'start' }) as const;
  return (
    <>
      <text className="named" {...side(isLeft, stop, isOver)}>
        stop
      </text>
      <text className="named" {...side(!isLeft, inlet, !isOver)}>
        inlet
      </text>
    </>
  );
}

/** Another length, by its line, named where it lies furthest from the way between the ends. */
function Other({ sheet, shape, words }: { sheet: Sheet; shape: HoseShape; words: string }) {
  const points = shape.points.map((p) => sheet.at(seen(sheet.view, p)));
  const [a, b] = [points[0]!, points.at(-1)!];
  const off = (p: Point) => Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0]));
  const far = points.reduce((best, p) => (off(p) > off(best) ? p : best), a);
  return (
    <>
      <path className="other" strokeWidth={1.3} d={path(sheet, shape.points)} />
      <text className="named" x={far[0]} y={far[1] + 5} textAnchor="middle">
        {words}
      </text>
    </>
  );
}

/** Wall and floor, hatched, with their rules. */
function Rules({ sheet, units }: { sheet: Sheet; units: Units }) {
  const { at, scale, left, right, bottom, top, view } = sheet;
  const { mark, number } = ruleSteps(scale);
  const marks = (from: number, to: number, step: number) => {
    const first = Math.ceil(from / step - 1e-9) * step;
    return Array.from({ length: Math.max(0, Math.floor((to - first) / step + 1e-9) + 1) }, (_, i) => first + i * step);
  };
  const [x0, y0] = at([left, bottom]);
  const [x1, y1] = at([right, top]);
  const words = (inches: number) => (units === 'metric' ? String(Math.round(inches * 25.4)) : String(inches));
  return (
    <g>
      {view === 'side' && <rect x={x0 - 26} y={y1} width={26} height={y0 - y1} fill="url(#reach-hatch)" />}
      <path className="ink" d={`M${x0} ${y1}V${y0}`} strokeWidth={view === 'side' ? 1.8 : 1} />
      <path className="ink" d={`M${x0} ${y0}H${x1}`} strokeWidth={bottom === 0 ? 1.8 : 0.6} strokeDasharray={bottom === 0 ? undefined : '6 6'} />
      {marks(bottom, top, mark).map((v) => (
        <path key={v} className="ink" d={`M${x0} ${at([left, v])[1]}h-7`} />
      ))}
      {marks(bottom, top, number).map((v) => (
        <text key={v} x={x0 - 32} y={at([left, v])[1] + 5} textAnchor="end">
          {words(v)}
        </text>
      ))}
      {marks(left, right, mark).map((v) => (
        <path key={v} className="ink" d={`M${at([v, bottom])[0]} ${y0}v7`} />
      ))}
      {marks(left, right, number).map((v) => (
        <text key={v} x={at([v, bottom])[0]} y={y0 + 22} textAnchor="middle">
          {words(v)}
        </text>
      ))}
      <text x={x1} y={y0 + 40} textAnchor="end">
        {`${units === 'metric' ? 'mm' : 'in'} ${view === 'side' ? 'from the wall' : 'to the side'}`}
      </text>
      <text x={x0} y={y1 - 10}>
        {`${view === 'side' ? 'From the side' : 'From the front'}${bottom === 0 ? '' : ', floor below'}`}
      </text>
    </g>
  );
}

/** The straight end: nut and crimp sleeve. */
function Nut({ sheet, end, question, sign }: { sheet: Sheet; end: LineEnd; question: LengthQuestion; sign: 1 | -1 }) {
  const [x, y] = sheet.at(seen(sheet.view, [end.x, end.y, end.z ?? 0]));
  const way = wayOf(sheet.view, end);
  const flat = Math.hypot(...way);
  const long = question.endStraightIn * sheet.scale * flat;
  const wide = Math.max(10, 1.6 * (question.odIn ?? 0.5) * sheet.scale);
  if (flat < 0.05) return <circle className="nut" cx={x} cy={y} r={wide / 2} />;
  const angle = (Math.atan2(-way[1] * sign, way[0] * sign) * 180) / Math.PI;
  return (
    <rect
      className="nut"
      x={0}
      y={-wide / 2}
      width={long}
      height={wide}
      transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${angle.toFixed(1)})`}
    />
  );
}

/** What is over, in round turns: seen from the front as circles, from the side on edge. */
function Coil({ sheet, question, coil, od }: { sheet: Sheet; question: LengthQuestion; coil: SlackCoil; od: number }) {
  const { from, to } = question;
  const ends = [from, to].map((e) => sheet.at(seen(sheet.view, [e.x, e.y, e.z ?? 0])));
  const [x, y] = sheet.at(seen(sheet.view, coilMiddle(question, coil)));
  const r = coil.radiusIn * sheet.scale;
  const thick = Math.min(od, 10);
  return (
    <g>
      <path className="hose" strokeWidth={thick} d={`M${ends[0]!.join(' ')}L${x} ${y - r}L${ends[1]!.join(' ')}`} opacity="0.35" />
      {sheet.view === 'front' ? (
        Array.from({ length: coil.turns }, (_, i) => <circle key={i} className="hose-line" cx={x} cy={y + i * 3} r={r} strokeWidth={thick} />)
      ) : (
        <path className="hose-line" strokeWidth={thick * coil.turns} d={`M${x} ${y - r}v${2 * r}`} />
      )}
    </g>
  );
}

/** How far the ends stand apart. */
function Dimensions({ sheet, from, to, units }: { sheet: Sheet; from: Point; to: Point; units: Units }) {
  const across = Math.abs(to[0] - from[0]);
  const up = Math.abs(to[1] - from[1]);
  const words = (inches: number) => quantityWords(length(inches), units);
  const [a, b] = [sheet.at(from), sheet.at(to)];
  const [right, below] = sheet.at([sheet.clearOf.right, sheet.clearOf.below]);
  return (
    <g className="dimension">
      {up > 0.05 && (
        <>
          <path d={`M${a[0] + 14} ${a[1]}H${right + 6}M${b[0] + 14} ${b[1]}H${right + 6}`} className="faint" />
          <path d={`M${right} ${a[1]}V${b[1]}M${right - 5} ${a[1] + 5}l10 -10M${right - 5} ${b[1] + 5}l10 -10`} />
          <text x={right + 8} y={(a[1] + b[1]) / 2 + 5}>
            {words(up)}
          </text>
        </>
      )}
      {across > 0.05 && (
        <>
          <path d={`M${a[0]} ${a[1] + 14}V${below + 6}M${b[0]} ${b[1] + 14}V${below + 6}`} className="faint" />
          <path d={`M${a[0]} ${below}H${b[0]}M${a[0] - 5} ${below + 5}l10 -10M${b[0] - 5} ${below + 5}l10 -10`} />
          <text x={(a[0] + b[0]) / 2} y={below - 7} textAnchor="middle">
            {words(across)}
          </text>
        </>
      )}
    </g>
  );
}

interface EndProps {
  name: Handle;
  label: string;
  sheet: Sheet;
  end: LineEnd;
  units: Units;
  onMove: Props['onMove'];
  hold: (isHeld: boolean) => void;
}

/** An end, to be dragged, or moved by arrows: an eighth of an inch a press, an inch with Shift. */
function End({ name, label, sheet, end, units, onMove, hold }: EndProps) {
  const here = seen(sheet.view, [end.x, end.y, end.z ?? 0]);
  const [x, y] = sheet.at(here);
  const words = (inches: number) => quantityWords(length(inches), units);
  const toSheet = (e: PointerEvent<HTMLElement>): Point => {
    const box = e.currentTarget.closest('svg')!.getBoundingClientRect();
    return sheet.from([((e.clientX - box.left) * sheet.width) / box.width, ((e.clientY - box.top) * sheet.height) / box.height]);
  };
  const key = (e: KeyboardEvent) => {
    const step = e.shiftKey ? 1 : 1 / 8;
    const by = ({ ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] } as Record<string, [number, number]>)[
      e.key
    ];
    if (!by) return;
    e.preventDefault();
    onMove(name, [here[0] + by[0], here[1] + by[1]]);
  };
  const where = `${words(Math.max(0, here[0]))} ${sheet.view === 'side' ? 'from the wall' : 'to the side'}, ${words(Math.max(0, here[1]))} up`;
  return (
    <foreignObject x={x - 28} y={y - 28} width={56} height={56}>
      <button
        type="button"
        className="block size-14 cursor-move touch-none rounded-full bg-transparent"
        aria-label={`${label}: ${where}. Arrows move it.`}
        onKeyDown={key}
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          hold(true);
        }}
        onLostPointerCapture={() => hold(false)}
        onPointerMove={(e) => e.currentTarget.hasPointerCapture(e.pointerId) && onMove(name, toSheet(e))}
      />
    </foreignObject>
  );
}
