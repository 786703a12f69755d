import { useMemo } from 'react';
import {
  type IsolationPlan,
  inletOf,
  type KnownRun,
  knownNetwork,
  type PossiblePlan,
  planIsolation,
  stopOf,
  type WaterNetwork,
} from '../../../core/index.ts';
import type { RunRow } from '../../../record/visit/sheet.ts';
import { Reasons } from '../../ui/Reasons.tsx';
import type { StageProps } from './stage-props.ts';

type Props = Pick<StageProps, 'run' | 'catalogue' | 'state' | 'write' | 'others'>;

/** Plans that are told after the first. */
const MOST_TOLD = 3;

/** Which valves keep the water from this run's work, who is without it, and what comes next should one not hold. */
export default function WhichWater({ run, catalogue, state, write, others }: Props) {
  const net = useMemo(() => {
    const mixing = new Set(catalogue.appliances.flatMap((a) => (a.mixes ? [a.id] : [])));
    const known = ({ id, name, water, applianceKind, applianceName, place }: RunRow, stop: KnownRun['stop']): KnownRun => ({ id, name, water, stop, mixesAt: mixing.has(applianceKind) ? `${place} ${applianceName}` : null }); // biome-ignore format: one row
    return knownNetwork([known(run, state.stop), ...others.flatMap((o) => (o.state ? [known(o.run, o.state.stop)] : []))]);
  }, [run, catalogue, state.stop, others]);
  const goes = Object.values(state.accepted?.items ?? {}).some((i) => i.kind === 'stop');
  const isStopGoing = goes && state.stop !== null && state.stop.kind !== 'none';
  const plan = useMemo(() => planIsolation(net, { workOn: [isStopGoing ? stopOf(run.id) : inletOf(run.id)] }), [net, run.id, isStopGoing]);
  const stops = new Map(
    [{ run, state }, ...others].flatMap((r) => (r.state?.stop ? [[stopOf(r.run.id), { runId: r.run.id, stop: r.state.stop }]] : [])),
  );
  const passes = (id: string) => {
    const tried = stops.get(id);
    return tried ? () => write('stop-tried', tried.runId, { ...tried.stop, condition: 'passes' }) : null;
  };
  return (
    <section aria-label="Which water goes off" className="my-3 border border-ink bg-sheet px-4 py-3">
      <h3 className="text-xl">Which water goes off</h3>
      {plan.possible ? <Plan {...{ net, plan }} passes={passes} /> : <p className="caution mt-2">{plan.because[0]?.text}</p>}
      <p className="mt-2 text-soft">
        From what is known: the runs of this visit{net.places.some((p) => p.kind === 'heater') ? ', the heater' : ''} and the main valve. The main
        takes the water from the whole house, and a sprinkler system may hang on it: tell its owner first.
      </p>
    </section>
  );
}

function Plan({ net, plan, passes }: { net: WaterNetwork; plan: PossiblePlan; passes: (id: string) => (() => void) | null }) {
  const name = (id: string) => net.valves.find((v) => v.id === id)?.name ?? net.places.find((p) => p.id === id)?.name ?? id;
  return (
    <>
      <ol className="mt-1">
        {plan.energyOff.map((id) => (
          <li key={id} className="py-1 text-lg">
            Energy off first: <b>{name(id)}</b>. It loses its water.
          </li>
        ))}
        {plan.close.map((id) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-1 text-lg">
            <span>
              Close <b>{name(id)}</b>
            </span>
            {passes(id) && (
              <button type="button" className="key" onClick={passes(id)!}>
                It runs on: this one passes
              </button>
            )}
          </li>
        ))}
      </ol>
      <p>
        {plan.dry.length === 0 ? 'No other run of this visit is without water.' : `Without water meanwhile: ${plan.dry.map(name).join(', ')}.`}
        {next(plan, name)}
      </p>
      <Reasons because={plan.because} />
    </>
  );
}

/** What comes next, should the least trusted of them not hold. */
function next(plan: PossiblePlan, name: (id: string) => string): string {
  const told: string[] = [];
  let at: IsolationPlan | null = plan.fallback;
  for (let i = 0; at !== null && i < MOST_TOLD; i++) {
    told.push(at.possible ? `close ${at.close.map(name).join(' and ')}` : 'call the water company: only the valve in the street is left');
    at = at.possible ? at.fallback : null;
  }
  return told.length === 0 ? '' : ` Should it not hold: ${told.join('; then ')}.`;
}
