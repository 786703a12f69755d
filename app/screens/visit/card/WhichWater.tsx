import { useMemo } from 'react';
import {
  inletOf,
  type KnownRun,
  knownNetwork,
  losing,
  type PossiblePlan,
  planIsolation,
  SIDES_SAID,
  shutSteps,
  stopOf,
  type WaterNetwork,
} from '../../../../core/index.ts';
import { networkOf, otherSides, type RunRow, type TriedStop } from '../../../../record/index.ts';
import { say, saying } from '../../../ui/book/index.ts';
import { usePremises, useTried } from '../../../ui/held/index.ts';
import { InUnits, Reasons, useUnits } from '../../../ui/units/index.ts';
import { conditionWords, namesOf } from '../../../ui/water-words.ts';
import type { StageProps } from '../stage-props.ts';
import { next } from './next-water.ts';

type Props = Pick<StageProps, 'run' | 'catalogue' | 'state' | 'write' | 'others' | 'premisesId' | 'visitId'>;

/** Of one appliance, as far as the visit's list tells them apart. */
const isOtherSide = (a: RunRow, b: RunRow): boolean => a.place === b.place && a.applianceName === b.applianceName && a.water !== b.water;

/** What is planned on: the drawing of the house where the run is in it, else what is known of the visit's runs. */
interface Ground {
  net: WaterNetwork;
  /** What is worked on, with the other side of what is fed hot and cold. */
  workOn: string[];
  isDrawn: boolean;
  /** The run whose stop a valve is, where it is one of this visit's. */
  runOf: (valve: string) => string | undefined;
}

/** Which valves keep the water from this run's work, who is without it, and what comes next should one not hold. */
export default function WhichWater({ run, catalogue, state, write, others, premisesId, visitId }: Props) {
  const { book, last } = usePremises(premisesId);
  const tried = useTried(book, last);
  const goes = Object.values(state.accepted?.items ?? {}).some((i) => i.kind === 'stop');
  const isStopGoing = goes && state.stop !== null && state.stop.kind !== 'none';
  const here = useMemo(() => [{ run, state }, ...others.flatMap((o) => (o.state ? [{ run: o.run, state: o.state }] : []))], [run, state, others]);
  const ground = useMemo((): Ground => {
    const things = book?.premises.water ?? [];
    const inlet = things.find((t) => t.what === 'place' && t.runId === run.id);
    if (inlet) {
      const sides = otherSides(book!, run.id).map((r) => r.id);
      const stop = things.find((t) => t.what === 'valve' && t.runId === run.id);
      const now = here.flatMap(({ run, state }): TriedStop[] =>
        state.stop && state.stop.kind !== 'none' && state.stopTriedMs !== null
          ? [{ runId: run.id, kind: state.stop.kind, condition: state.stop.condition, atMs: state.stopTriedMs }]
          : [],
      );
      const runs = new Map(things.flatMap((t) => (t.what === 'valve' && t.runId ? [[t.id, t.runId] as const] : [])));
      return {
        net: networkOf(things, [...tried, ...now]),
        workOn: [
          isStopGoing && stop ? stop.id : inlet.id,
          ...things.flatMap((t) => (t.what === 'place' && t.runId && sides.includes(t.runId) ? [t.id] : [])),
        ],
        isDrawn: true,
        runOf: (id) => runs.get(id),
      };
    }
    const mixing = new Set(catalogue.appliances.flatMap((a) => (a.mixes ? [a.id] : [])));
    const known = ({ id, name, water, applianceKind, applianceName, place }: RunRow, stop: KnownRun['stop']): KnownRun => ({
      id,
      name,
      water,
      stop,
      mixesAt: mixing.has(applianceKind) ? `${place} ${applianceName}` : null,
    });
    const stops = new Map(here.map((r) => [stopOf(r.run.id), r.run.id]));
    return {
      net: knownNetwork(here.map((r) => known(r.run, r.state.stop))),
      workOn: [isStopGoing ? stopOf(run.id) : inletOf(run.id), ...here.flatMap((r) => (isOtherSide(r.run, run) ? [inletOf(r.run.id)] : []))],
      isDrawn: false,
      runOf: (id) => stops.get(id),
    };
  }, [book, tried, here, run, catalogue, isStopGoing]);
  const { net, workOn, isDrawn, runOf } = ground;
  const plan = useMemo(() => planIsolation(net, { workOn }), [net, workOn]);
  const passes = (id: string): (() => void) | null => {
    const of = here.find((r) => r.run.id === runOf(id));
    if (of?.state.stop) return () => write('stop-tried', of.run.id, { ...of.state.stop!, condition: 'passes' });
    if (!isDrawn) return null;
    return () => void say([saying('premises', premisesId, 'valve-tried', { valve: id, condition: 'passes' })], `${id} passes`);
  };
  const where = `/water?premises=${premisesId}&run=${run.id}&visit=${visitId}${isStopGoing ? '&stop=1' : ''}`;
  return (
    <section aria-label="Which water goes off" className="my-3 border border-ink bg-sheet px-4 py-3">
      <h3 className="text-xl">Which water goes off</h3>
      {isStopGoing && (state.accepted?.cardVersion ?? SIDES_SAID) < SIDES_SAID && (
        <p className="caution mt-2">
          This card was begun before it said so: the stop that comes off neither shuts the water nor proves it dead. Close the valve before it.
        </p>
      )}
      {plan.possible ? <Plan {...{ net, plan, isDrawn }} passes={passes} /> : <p className="caution mt-2">{plan.because[0]?.text}</p>}
      <p className="mt-2 flex flex-wrap items-center justify-between gap-2 text-soft">
        <span className="min-w-0 flex-1 basis-60">
          {isDrawn
            ? 'From the drawing of this house and what was tried in it.'
            : `From what is known: the runs of this visit${net.places.some((p) => p.kind === 'heater') ? ', the heater' : ''} and the main valve. The main takes the water from the whole house, and a sprinkler system may hang on it: tell its owner first.`}
        </span>
        <a className="key text-ink" href={where}>
          {isDrawn ? 'On the drawing' : 'Draw the water of this house'}
        </a>
      </p>
    </section>
  );
}

interface PlanProps {
  net: WaterNetwork;
  plan: PossiblePlan;
  isDrawn: boolean;
  passes: (id: string) => (() => void) | null;
}

function Plan({ net, plan, isDrawn, passes }: PlanProps) {
  const units = useUnits();
  const name = useMemo(() => namesOf(net, units), [net, units]);
  const gone = losing(net, plan);
  const steps = shutSteps(net, plan);
  const comes = steps.filter((s) => (isDrawn ? ['vent', 'drain', 'relieve', 'mind'] : ['mind']).includes(s.do));
  return (
    <>
      <ol className="mt-1">
        {steps
          .filter((s) => s.do === 'energy-off')
          .map((s) => (
            <li key={s.at} className="py-1 text-lg">
              <b>{s.title}.</b> <InUnits said={s.detail} />
            </li>
          ))}
        {plan.close.map((id) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-1 text-lg">
            <span>
              Close <b>{name(id)}</b>{' '}
              {isDrawn && <span className="text-base text-soft">{conditionWords(net.valves.find((v) => v.id === id)!.condition)}</span>}
            </span>
            {passes(id) && (
              <button type="button" className="key" onClick={passes(id)!}>
                It runs on: this one passes
              </button>
            )}
          </li>
        ))}
      </ol>
      {comes.map((s) => (
        <p key={`${s.do} ${s.at}`}>
          <b>{s.title}.</b> <InUnits said={s.detail} />
        </p>
      ))}
      <p>
        {gone.length > 0
          ? `Without water meanwhile: ${gone.map(name).join(', ')}.`
          : isDrawn
            ? 'Nobody else is without water.'
            : 'No other run of this visit is without water.'}
        {next(plan, name)}
      </p>
      <Reasons because={plan.because} />
    </>
  );
}
