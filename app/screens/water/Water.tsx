import { useCallback, useMemo, useState } from 'react';
import { missingInNetwork } from '../../../core/index.ts';
import { asDrawn, networkOf, type OwnMinutes, otherSides, type PremisesBook, pressReason, type WaterThing } from '../../../record/index.ts';
import type { LastState } from '../../../store/queries/index.ts';
import { say, saying } from '../../ui/book/index.ts';
import { usePremises, useTried } from '../../ui/held/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { useAddress } from '../../ui/use-address.ts';
import { namesOf } from '../../ui/water-words.ts';
import { AsList, Faults } from './AsList.tsx';
import { Begin } from './Begin.tsx';
import { DayOff } from './DayOff.tsx';
import { Drawing } from './Drawing.tsx';
import { Notice } from './Notice.tsx';
import { PlanSide } from './PlanSide.tsx';
import { TakeFile } from './TakeFile.tsx';
import { Thing } from './Thing.tsx';
import { useShutting } from './use-shutting.ts';

interface Props {
  /** null where the address names no premises, and on a page kept for use without a connection. */
  initial: { book: PremisesBook; last: LastState[] } | null;
  today: string;
  /** Kinds of appliances in which hot and cold meet. */
  mixing: string[];
  /** Minutes of the shop's own visits. */
  own: OwnMinutes;
  address: Record<string, string>;
}

type Shown = 'plan' | 'notice' | 'day';
const SHOWN: [Shown, string][] = [
  ['plan', 'The plan'],
  ['notice', 'Water-off notice'],
  ['day', 'A day’s work joined'],
];

/** Which water goes off: the network of a premises, the plan for the work, and what if a valve does not hold. */
export default function Water({ initial, today, mixing, own, address }: Props) {
  const asked = useAddress(address);
  const id = asked.premises ?? null;
  const { book, last, isRead } = usePremises(id, initial && initial.book.premises.id === id ? initial : null);
  if (!book) {
    return (
      <div>
        <h1>Which water goes off</h1>
        <p className="mt-3">
          {id === null || isRead ? 'Choose the premises first: its page leads here.' : 'Reading what this device holds ...'}{' '}
          <a href="/premises">All places.</a>
        </p>
      </div>
    );
  }
  return (
    <House
      key={book.premises.id}
      {...{ book, last, today, mixing, own }}
      runAsked={asked.run ?? null}
      visitAsked={asked.visit ?? null}
      isStopGoing={asked.stop === '1'}
    />
  );
}

interface HouseProps {
  own: OwnMinutes;
  book: PremisesBook;
  last: ReadonlyMap<string, LastState>;
  today: string;
  mixing: string[];
  /** The run that one comes from; its work is at its inlet, or at its stop where that goes. */
  runAsked: string | null;
  isStopGoing: boolean;
  /** The visit that it is of: its gate notes that the water is proved dead. */
  visitAsked: string | null;
}

function House({ book, last, today, mixing, own, runAsked, visitAsked, isStopGoing }: HouseProps) {
  const units = useUnits();
  const { premises } = book;
  const things = premises.water;
  const tried = useTried(book, last);
  const net = useMemo(() => networkOf(things, tried), [things, tried]);
  const nameOf = useMemo(() => namesOf(net, units), [net, units]);
  const faults = useMemo(() => missingInNetwork(net), [net]);
  const ofRun = runAsked === null ? null : things.find((t) => 'runId' in t && t.runId === runAsked && t.what === (isStopGoing ? 'valve' : 'place'));
  const others = runAsked === null ? [] : otherSides(book, runAsked).map((r) => r.id);
  const worked = ofRun ? [ofRun.id, ...things.flatMap((t) => (t.what === 'place' && t.runId && others.includes(t.runId) ? [t.id] : []))] : [];
  const { work, struck, plan, wet, setWork, strike } = useShutting(net, worked);
  const [selected, setSelected] = useState<string | null>(null);
  const [isList, setList] = useState(false);
  const [shows, setShows] = useState<Shown>('plan');
  const select = useCallback((to: string) => setSelected((now) => (now === to ? null : to)), []);
  const draw = (all: WaterThing[], to: string) => {
    void say([saying('premises', premises.id, 'water-drawn', { things: all.map(asDrawn) })], 'Drawn');
    setSelected(to);
  };
  const tryValve = (valve: string, condition: string) =>
    void say([saying('premises', premises.id, 'valve-tried', { valve, condition })], `${nameOf(valve)}: ${condition.replaceAll('-', ' ')}`);
  const gate = runAsked !== null && visitAsked !== null ? `/visits/${visitAsked}?run=${runAsked}&stage=shut` : undefined;
  const thing = things.find((t) => t.id === selected) ?? null;
  const runsLeft = book.runs.filter((r) => r.retired === null && !things.some((t) => t.what === 'place' && t.runId === r.id));
  const outlets = net.places.filter((p) => p.kind === 'outlet').length;
  const untried = net.valves.filter((v) => v.condition === 'unknown').length;
  if (things.length === 0) return <Begin {...{ book, tried, mixing }} onDraw={draw} />;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 px-4 py-3 lg:grid-cols-[minmax(0,1fr)_25rem] lg:px-5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2 lg:col-span-2 print:hidden">
        <h1>
          Water of <a href={`/premises/${premises.id}`}>{premises.name}</a>
        </h1>
        {gate && (
          <a className="key" href={gate}>
            Back to the run
          </a>
        )}
        <span className="ml-auto flex flex-wrap gap-2">
          <button type="button" className="key" aria-pressed={isList} onClick={() => setList(!isList)}>
            As a list
          </button>
        </span>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-3">
        {isList ? (
          <AsList {...{ net, plan, struckOut: struck, wet, nameOf }} onSelect={select} />
        ) : (
          <Drawing {...{ net, plan, workOn: work, struckOut: struck, selected, nameOf }} onSelect={select} />
        )}
        <p className="flex flex-wrap items-center gap-x-6 gap-y-1 text-soft print:hidden">
          <span>
            {outlets} outlets, {net.pipes.length} pipes, {net.valves.length} valves, {untried} never tried
          </span>
          <a className="inline-flex min-h-11 items-center" href={`/api/v1/premises/${premises.id}/water`} download>
            Save as a file
          </a>
        </p>
        <div className="print:hidden">
          <Faults {...{ faults }} onSelect={(to) => setSelected(to)} />
          <details className="why">
            <summary>Take a drawing in from a file</summary>
            <TakeFile premisesId={premises.id} />
          </details>
        </div>
      </div>
      <aside className={`grid content-start gap-4${plan || thing ? ' max-lg:row-start-2' : ''}`}>
        <div className="flex flex-wrap gap-2 print:hidden">
          {SHOWN.map(([to, words]) => (
            <button key={to} type="button" className="key" aria-pressed={shows === to} onClick={() => setShows(to)}>
              {words}
            </button>
          ))}
        </div>
        {shows === 'plan' && thing && (
          <Thing
            key={thing.id}
            {...{ thing, net, nameOf, runsLeft }}
            isWork={work.includes(thing.id)}
            isStruck={struck.includes(thing.id)}
            onWork={() => setWork(thing.id, !work.includes(thing.id))}
            onStrike={(isOut) => strike(thing.id, isOut)}
            onTried={(condition) => tryValve(thing.id, condition)}
            onDraw={draw}
            onGone={() => {
              void say(
                [saying('premises', premises.id, 'water-gone', { things: [thing.id], reason: pressReason('not-there') })],
                `Taken out: ${nameOf(thing.id)}`,
              );
              setSelected(null);
            }}
            onClose={() => setSelected(null)}
          />
        )}
        {shows === 'plan' &&
          (plan ? (
            <PlanSide
              {...{ net, plan, workOn: work, struckOut: struck, nameOf, gate }}
              onStrike={strike}
              onPasses={(valve) => tryValve(valve, 'passes')}
            />
          ) : (
            !thing && <p className="text-lg">Press what is worked on: an outlet, a valve, a pipe. Then the plan stands here.</p>
          ))}
        {shows === 'notice' && <Notice {...{ premises, net, plan, nameOf, today, workOn: work, struckOut: struck }} />}
        {shows === 'day' && <DayOff {...{ book, net, nameOf, today, own }} />}
        <p className="caution print:hidden">
          Tell everybody who draws from it, and the owner of a sprinkler system before its water goes off. The makers’ instructions, local code and
          the rules of the house come first.
        </p>
      </aside>
    </div>
  );
}
