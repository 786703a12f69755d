import { memo, useEffect, useMemo, useRef } from 'react';
import {
  branchesOf,
  folded,
  type IsolationPlan,
  losing,
  type NetPlace,
  type NetValve,
  offBy,
  schematicOf,
  type WaterNetwork,
  wetPlaces,
} from '../../../core/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { conditionWords, heightWords, spokenOf, valveWords } from '../../ui/water-words.ts';

export interface SchemaProps {
  net: WaterNetwork;
  plan: IsolationPlan | null;
  workOn: readonly string[];
  struckOut: readonly string[];
  /** Everything, or what the work has to do with and the rest folded. */
  isWhole: boolean;
  /** 1: as it is laid out. */
  zoom: number;
  /** Folded ends that were pressed open. */
  opened: readonly string[];
  selected: string | null;
  nameOf: (id: string) => string;
  onSelect: (id: string) => void;
  onOpen: (id: string) => void;
}

const VALVE = 'M-9,-11 L9,-11 L-9,11 L9,11 Z';
const CUP = 'M-11,-22 L11,-22 L6,0 L-6,0 Z';

/** The water of a premises as a drawing: levels, cold and hot, what is closed, what goes dry. The list beside it says the same. */
export const Schema = memo(function Schema(props: SchemaProps) {
  const { net, plan, workOn, struckOut, isWhole, zoom, opened, selected, nameOf, onSelect, onOpen } = props;
  const units = useUnits();
  const { drawn, folds } = useMemo(() => {
    const all = branchesOf(net);
    if (isWhole) return { drawn: schematicOf(all), folds: new Map<string, { outlets: number; name: string }>() };
    const dry = plan?.possible ? losing(net, plan) : [];
    const matters = new Set([...workOn, ...struckOut, ...spokenOf(plan), ...dry, ...opened, ...(selected ? [selected] : [])]);
    const shown = folded(all, matters, workOn.length > 0 ? 'branch' : 'room');
    return { drawn: schematicOf(shown), folds: shown.folds };
  }, [net, plan, workOn, struckOut, isWhole, opened, selected]);
  const wet = useMemo(() => wetPlaces(net, plan?.possible ? offBy(plan) : [], struckOut), [net, plan, struckOut]);
  const places = useMemo(() => new Map(net.places.map((p) => [p.id, p])), [net]);
  const valves = useMemo(() => new Map(net.valves.map((v) => [v.id, v])), [net]);
  const close = plan?.possible ? plan.close : [];
  const svg = useRef<SVGSVGElement>(null);
  // One ear for all that is drawn; by keys and for readers the list does the same.
  useEffect(() => {
    const drawing = svg.current;
    const press = (e: Event) => {
      const id = (e.target as Element).closest('[data-thing]')?.getAttribute('data-thing');
      if (id) (folds.has(id) ? onOpen : onSelect)(id);
    };
    drawing?.addEventListener('click', press);
    return () => drawing?.removeEventListener('click', press);
  }, [folds, onSelect, onOpen]);
  return (
    <svg
      ref={svg}
      className="schema"
      width={drawn.width * zoom}
      height={drawn.height * zoom}
      viewBox={`0 0 ${drawn.width} ${drawn.height}`}
      role="img"
      aria-label="The water of this premises, drawn. The list says the same in words."
    >
      <defs>
        <pattern id="schema-hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="6" className="hatch" />
        </pattern>
      </defs>
      {drawn.levels.map((l) => (
        <g key={l.fromFt}>
          <line className="level" x1={0} x2={drawn.width} y1={l.bottom} y2={l.bottom} />
          <text className="height" x={8} y={l.bottom - 10}>
            {l.fromFt === l.toFt ? heightWords(l.fromFt, units) : `${heightWords(l.fromFt, units)} to ${heightWords(l.toFt, units)}`}
          </text>
        </g>
      ))}
      {drawn.pieces.map((piece, i) => {
        const isDry = piece.ids.filter((id) => places.has(id)).every((id) => !wet.has(id));
        const d = `M${piece.points.map((p) => p.join(',')).join(' L')}`;
        const pipe = piece.ids.find((id) => !places.has(id));
        const isWork = piece.ids.some((id) => workOn.includes(id) && !places.has(id));
        return (
          <g key={i} className={`${piece.isHot ? 'hot' : 'cold'}${isDry ? ' dry' : ''}`} data-thing={pipe}>
            <path className="pipe" d={d} />
            {isDry && <path className="inside" d={d} />}
            {(isWork || (pipe !== undefined && pipe === selected)) && <path className={isWork ? 'worked' : 'selected'} d={d} />}
            <path className="touch" d={d} />
          </g>
        );
      })}
      {drawn.places.map(({ id, x, y, isHot }) => (
        <PlaceSign
          key={id}
          {...{ x, y, isHot }}
          place={places.get(id)!}
          name={nameOf(id)}
          fold={folds.get(id) ?? null}
          isDry={!wet.has(id)}
          isWork={workOn.includes(id)}
          isSelected={id === selected}
          note={noteOf(id, plan)}
        />
      ))}
      {drawn.valves.map(({ id, x, y }) => (
        <ValveSign
          key={id}
          {...{ x, y }}
          valve={valves.get(id)!}
          number={close.indexOf(id) + 1}
          isStruck={struckOut.includes(id)}
          isWork={workOn.includes(id)}
          isSelected={id === selected}
          name={nameOf(id)}
        />
      ))}
    </svg>
  );
});

/** Names over the outlets run into each other when they are long; the list has them whole. */
const short = (name: string): string => (name.length > MOST_LETTERS ? `${name.slice(0, MOST_LETTERS - 1)}…` : name);
const MOST_LETTERS = 26;

function noteOf(id: string, plan: IsolationPlan | null): string | null {
  if (!plan?.possible) return null;
  const isOff = plan.energyOff.includes(id) || plan.pumpsOff.includes(id);
  const notes = [id === plan.drainAt && 'drain', id === plan.ventAt && 'air in', plan.relieve.includes(id) && 'relieve', isOff && 'energy off first'];
  return notes.filter(Boolean).join(', ') || null;
}

interface PlaceSignProps {
  place: NetPlace;
  x: number;
  y: number;
  isHot: boolean;
  name: string;
  fold: { outlets: number; name: string } | null;
  isDry: boolean;
  isWork: boolean;
  isSelected: boolean;
  note: string | null;
}

function PlaceSign({ place, x, y, isHot, name, fold, isDry, isWork, isSelected, note }: PlaceSignProps) {
  const { kind } = place;
  const isNamed = fold !== null || kind === 'outlet' || kind === 'mixer';
  const box = kind === 'heater' || kind === 'tank' || kind === 'source';
  return (
    <g className={`place ${isHot ? 'hot' : 'cold'}${isDry ? ' dry' : ''}`} transform={`translate(${x} ${y})`} data-thing={place.id}>
      {isWork && <circle className="work" cx={0} cy={kind === 'outlet' ? -11 : 0} r={22} />}
      {isSelected && <circle className="selected" cx={0} cy={isNamed ? -11 : 0} r={19} />}
      {fold ? (
        <g>
          <rect className="fold" x={-13} y={-24} width={26} height={24} />
          <text className="count" x={0} y={-7} textAnchor="middle">
            {fold.outlets}
          </text>
        </g>
      ) : kind === 'outlet' || kind === 'mixer' ? (
        <>
          <path className="cup" d={CUP} />
          {isDry && <path className="hatched" d={CUP} />}
          {kind === 'mixer' && <circle className="drop" cx={0} cy={-12} r={4} />}
        </>
      ) : box ? (
        <>
          <rect className="box" x={-16} y={-14} width={32} height={28} />
          <text className="letter" x={0} y={6} textAnchor="middle">
            {kind === 'heater' ? 'H' : kind === 'tank' ? 'T' : 'S'}
          </text>
          <text className="name" x={0} y={30} textAnchor="middle">
            {name}
            {note && <tspan className="note"> ({note})</tspan>}
          </text>
        </>
      ) : (
        <circle className="joint" r={3.2} />
      )}
      {isNamed && (
        <text className={`name${isWork ? ' is-work' : ''}`} transform="translate(4 -30) rotate(-38)">
          {short(fold ? fold.name : name)}
          {note && <tspan className="note"> ({note})</tspan>}
        </text>
      )}
      <circle className="touch" cx={0} cy={isNamed ? -12 : 0} r={20} />
    </g>
  );
}

interface ValveSignProps {
  valve: NetValve;
  x: number;
  y: number;
  /** In the order of closing, from 1; 0 where it stays open. */
  number: number;
  isStruck: boolean;
  isWork: boolean;
  isSelected: boolean;
  name: string;
}

function ValveSign({ valve, x, y, number, isStruck, isWork, isSelected, name }: ValveSignProps) {
  const isClosed = number > 0;
  const isOneWay = valve.kind === 'check' || valve.kind === 'regulator';
  const isBad = valve.condition === 'passes' || valve.condition === 'broken' || valve.condition === 'seized-open';
  return (
    <g className={`valve${isClosed ? ' closed' : ''}`} transform={`translate(${x} ${y})`} data-thing={valve.id}>
      <title>{`${name}: ${valveWords(valve.kind)}, ${conditionWords(valve.condition)}`}</title>
      {isWork && <circle className="work" r={22} />}
      {isSelected && <circle className="selected" r={18} />}
      {isOneWay ? (
        valve.kind === 'check' ? (
          <path d="M-9,9 L9,9 L0,-9 Z M-9,-9 L9,-9" />
        ) : (
          <rect x={-9} y={-9} width={18} height={18} />
        )
      ) : (
        <path d={VALVE} />
      )}
      {isBad && <path className="bad" d="M-11,6 L11,-6" />}
      {valve.condition === 'seized-shut' && <path className="bad" d="M-12,0 L12,0" />}
      {isStruck && <path className="struck" d="M-13,-13 L13,13 M13,-13 L-13,13" />}
      {isClosed && (
        <g transform="translate(24 0)">
          <circle className="ball" r={11} />
          <text className="ball-number" y={5} textAnchor="middle">
            {number}
          </text>
        </g>
      )}
      {!isClosed && valve.condition === 'unknown' && !isOneWay && (
        <text className="query" x={12} y={5}>
          ?
        </text>
      )}
      <circle className="touch" r={20} />
    </g>
  );
}
