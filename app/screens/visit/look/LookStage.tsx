import { useMemo } from 'react';
import { endLabel, type FindingRow, inletsFound, type Judgement, length, said, shortName, withQuantities, workKind } from '../../../../core/index.ts';
import { type Bodies, judgeRun, STOP_CONDITIONS, sameOutlet } from '../../../../record/index.ts';
import { EndLookup, EndPicker, usualEnds } from '../../../ui/ends/index.ts';
import { Choices, Fold, fetched } from '../../../ui/form/index.ts';
import { InUnits, useUnits } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';
import { AboutIt, Before } from './AboutIt.tsx';
import { Complaints } from './Complaints.tsx';
import { Findings } from './Findings.tsx';
import { ItsSheet } from './ItsSheet.tsx';
import { knownOf, type Part, pairOf, TITLES } from './known.ts';
import { LastTime } from './LastTime.tsx';
import { Distance, FoundTube, Pressure } from './Measures.tsx';
import { OldLine } from './OldLine.tsx';
import { PicturesOf } from './PicturesOf.tsx';
import { Told } from './Told.tsx';
import { UsedAgain } from './UsedAgain.tsx';
import { VerdictRow, Verdicts } from './Verdicts.tsx';
import { WaterMeasured } from './WaterMeasured.tsx';
import { BeginsAtStop, Doubted, waterSideLabel } from './WaterSide.tsx';

const FlowHere = fetched('The flow', () => import('./FlowHere.tsx'));

const Sources = fetched('The comparison of sources', () => import('./Sources.tsx'));

const FromDrawing = fetched('What the drawing says', () => import('./FromDrawing.tsx'));

type StopKind = Bodies['stop-tried']['kind'];
type StopCondition = Bodies['stop-tried']['condition'];

const KINDS: StopKind[] = ['quarter-turn', 'multi-turn', 'gate', 'saddle', 'none'];
const CONDITIONS = Object.entries(STOP_CONDITIONS) as [StopCondition, string][];
/** What is there: both ends, the stop, the old line, the distance. */
export default function LookStage({
  run,
  context,
  state,
  write,
  go,
  outlets,
  visitId,
  premisesId,
  mainValve,
  catalogue,
  others,
  gathered,
  vanId,
}: StageProps) {
  const wanted = { asked: '', run: { visitId, runId: run.id }, on: context.appliance.id };
  const seen = (side: 'from' | 'to' | 'rejoin') => (end: string | null) => {
    if (end === (state[side]?.end ?? null)) return;
    if (end !== null || side === 'rejoin') write('end-seen', run.id, { side, end, how: 'seen' });
  };
  const stop = (change: Partial<Bodies['stop-tried']>) =>
    write('stop-tried', run.id, { kind: state.stop?.kind ?? 'quarter-turn', condition: state.stop?.condition ?? 'unknown', ...change });
  const place = (change: Partial<Bodies['place-seen']>) => write('place-seen', run.id, change);
  const judged = useMemo(() => judgeRun(context, state, catalogue.rules, pairOf(run, others)), [context, state, catalogue, run, others]);
  const verdict = (of: Judgement['of']) => judged.judgements.find((j) => j.of === of) ?? null;
  const rows = (on: FindingRow['on']) => context.look.findings.filter((f) => f.on === on);
  const thing = (on: Bodies['thing-seen']['on'], legend: string) => (
    <Findings legend={legend} rows={rows(on)} seen={state.survey.seen[on]} onSeen={(seen) => write('thing-seen', run.id, { on, seen })} />
  );
  const isStopGoing = judged.needs.stop && state.stop !== null && state.stop.kind !== 'none';
  const ready = state.from && state.to && state.stop;
  const units = useUnits();
  const known = knownOf(state, units);
  const asked = ORDER.find((part) => known[part] === null) ?? null;
  const { stubs } = workKind(run.work);
  const fold = (part: Part) => ({ title: TITLES[part], known: known[part], isAsked: asked === part, isBeside: !ORDER.includes(part) });
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-x-6 gap-y-3 lg:gap-y-6 xl:grid-cols-[repeat(2,minmax(0,1fr))]">
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-3 lg:gap-6">
        <Told {...{ run, state, write }} />
        {mainValve && (
          <p>
            Main valve: <b>{mainValve}</b>
          </p>
        )}
        <LastTime {...{ run, state, write, visitId }} />
        <Fold {...fold('ends')}>
          <EndPicker
            id="look-from"
            label={waterSideLabel(isStopGoing)}
            value={state.from?.end ?? null}
            onChange={seen('from')}
            hint={usualEnds('from', null)}
          />
          <BeginsAtStop isStopGoing={isStopGoing} end={state.from?.end ?? null} parts={catalogue.parts} />
          <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
            <EndLookup wanted={{ ...wanted, side: 'from' }} />
            <Doubted side="from" {...{ run, state, write }} />
            <PicturesOf {...{ visitId, gathered }} runId={run.id} shows="from" />
          </div>
          <FoundTube side="from" {...{ run, state, write }} />
          <Outlets {...{ run, state, write, outlets }} />
          <EndPicker
            id="look-to"
            label={`${stubs.length > 0 ? 'Stub for' : 'Inlet of'} the ${context.appliance.name}`}
            value={state.to?.end ?? null}
            onChange={seen('to')}
            hint={inletsFound(context.appliance, stubs)}
          />
          <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
            <EndLookup wanted={{ ...wanted, side: 'to' }} />
            <Doubted side="to" {...{ run, state, write }} />
            <PicturesOf {...{ visitId, gathered }} runId={run.id} shows="to" />
          </div>
          <FoundTube side="to" {...{ run, state, write }} />
          <details className="why" open={state.rejoin !== null}>
            <summary>The outlet is in use: an old line has to be joined again</summary>
            <EndPicker
              id="look-rejoin"
              label="End of the old line"
              value={state.rejoin?.end ?? null}
              onChange={seen('rejoin')}
              hint={usualEnds('rejoin', null)}
            />
            <EndLookup wanted={{ ...wanted, side: 'rejoin' }} />
          </details>
        </Fold>
        <Fold {...fold('oldLine')}>
          <OldLine {...{ run, context, state, write }} verdict={verdict('line')} />
          {state.survey.line?.line !== 'none' && <PicturesOf {...{ visitId, gathered }} runId={run.id} shows="line" />}
        </Fold>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-3 lg:gap-6">
        <Verdicts judged={judged} decided={state.oldLine?.verdict ?? null} />
        <Fold {...fold('stop')}>
          <FromDrawing {...{ run, state, write, premisesId }} />
          <Choices
            legend="Kind"
            options={KINDS.map((k) => [k, k === 'none' ? 'no stop here' : k])}
            value={state.stop?.kind ?? null}
            onChange={(kind) => stop({ kind, ...(kind === 'none' ? { condition: 'unknown' } : {}) })}
          />
          {state.stop?.kind !== 'none' && (
            <Choices legend="Tried: it" options={CONDITIONS} value={state.stop?.condition ?? null} onChange={(condition) => stop({ condition })} />
          )}
          {state.stop !== null && state.stop.kind !== 'none' && (
            <Findings
              legend="Seen on it"
              rows={rows('stop').filter((f) => f.id !== 'saddle')}
              seen={state.survey.seen.stop}
              onSeen={(seen) => write('thing-seen', run.id, { on: 'stop', seen })}
            />
          )}
          <PicturesOf {...{ visitId, gathered }} runId={run.id} shows="stop" />
          {verdict('stop') && <VerdictRow judgement={verdict('stop')!} />}
          {isStopGoing && <p>The chain gets a new one: note what this one sits on as the water side, so that it is joined there.</p>}
          <p className="caution">Old stops can break when turned: know where the main is before touching one.</p>
        </Fold>
        <Fold {...fold('place')}>
          <Distance {...{ run, context, state, write, visitId }} />
          <div className="flex flex-wrap gap-x-4">
            {(
              [
                ['ownStop', 'needs its own stop'],
                ['arrestor', 'needs a hammer arrestor'],
                ['check', 'needs a vented backflow preventer'],
                ['stopLeak', 'needs a stop-leak device'],
                ['leaveOutlet', 'leaves an outlet for another run'],
              ] as const
            ).map(([key, label]) => (
              <label key={key} className="flex min-h-11 items-center gap-2">
                <input type="checkbox" className="size-5" checked={state.place[key] ?? false} onChange={(e) => place({ [key]: e.target.checked })} />{' '}
                {label}
              </label>
            ))}
          </div>
          <Choices
            legend="Afterwards its joints are"
            options={[
              ['sight', 'in sight'],
              ['hidden', 'closed in for good'],
            ]}
            value={state.place.hidden ? 'hidden' : state.place.hiddenKnown ? 'sight' : null}
            onChange={(to) => place({ hidden: to === 'hidden', hiddenKnown: true })}
          />
          {context.water === 'cold' && (
            <Choices
              legend="It comes after reverse osmosis"
              options={[
                ['no', 'no'],
                ['yes', 'yes'],
              ]}
              value={state.place.afterOsmosis === undefined ? null : state.place.afterOsmosis ? 'yes' : 'no'}
              onChange={(to) => place({ afterOsmosis: to === 'yes' })}
            />
          )}
          <Choices
            legend="The water side comes out of"
            options={[
              ['wall', 'the wall'],
              ['floor', 'the floor'],
            ]}
            value={state.place.outOf ?? null}
            onChange={(outOf) => place({ outOf })}
          />
          <Pressure {...{ run, context, state, write }} />
          {context.appliance.protection && (
            <p className="caution first-letter:uppercase">
              {context.appliance.name}: <InUnits said={withQuantities(context.appliance.protection)} />. Local code and the maker's sheet come first.
            </p>
          )}
          {context.appliance.fastClosing === 'yes' && !state.place.arrestor && !context.appliance.usualNeeds.includes('arrestor') && (
            <p className="caution">
              <InUnits said={said`This appliance closes fast: think of a hammer arrestor within ${length(72)}.`} />
            </p>
          )}
        </Fold>
        {ready ? (
          <button type="button" className="key key-main justify-self-start" onClick={() => go('match')}>
            On to Match
          </button>
        ) : (
          <p className="text-soft">Match wants both ends and the stop.</p>
        )}
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-3">
        <Fold {...fold('things')}>
          {thing('screen', 'Inlet screen')}
          {thing('washer', 'Washers')}
          {thing('place', 'About the place')}
        </Fold>
        <Fold {...fold('water')}>
          <WaterMeasured {...{ run, state, write }} hot={context.water === 'hot'} />
          <FlowHere {...{ run, context, state, catalogue, visitId }} />
        </Fold>
        <Fold {...fold('complaints')}>
          <Complaints {...{ run, context, state, write }} causes={judged.causes} />
        </Fold>
        <Fold {...fold('reuse')}>
          <UsedAgain {...{ run, context, state, write, catalogue }} />
        </Fold>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-3">
        <Fold {...fold('sheet')}>
          <ItsSheet {...{ run, context, state, write }} />
        </Fold>
        <Fold {...fold('about')}>
          <AboutIt {...{ run, context, state, write }} />
        </Fold>
        <Fold {...fold('before')}>
          <Before {...{ run, context, state, write }} />
          <PicturesOf {...{ visitId, gathered }} runId={run.id} shows="before" />
        </Fold>
        <Fold {...fold('sources')}>
          <Sources {...{ run, context, state, write, catalogue, vanId }} />
        </Fold>
      </div>
    </div>
  );
}
/** In the order in which they are asked on a phone: what Match needs first. */
const ORDER: Part[] = ['ends', 'stop', 'oldLine', 'place'];

/** Outlets that other runs of this place leave free: the water side may be one of them. */
function Outlets({ run, state, write, outlets }: Pick<StageProps, 'run' | 'state' | 'write' | 'outlets'>) {
  const from = state.from?.outlet;
  const gone = from !== undefined && !outlets.some((o) => sameOutlet(o, from));
  if (outlets.length === 0 && !gone) return null;
  return (
    <div className="border border-rule bg-sheet px-3 py-2">
      <h3 className="label">Outlets left free in this place</h3>
      {gone && <p className="caution my-1">The chain whose outlet this run was to begin at has changed: look at the water side again.</p>}
      <ul>
        {outlets.map((o) => (
          <li key={`${o.runId} ${o.part} ${o.end}`} className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-1">
            <span>
              <b>{endLabel(o.code)}</b> of the {shortName(o.partName)} at {o.runName}
            </span>
            {o.takenBy === null ? (
              <button
                type="button"
                className="key"
                onClick={() =>
                  write('end-seen', run.id, { side: 'from', end: o.code, how: 'seen', outlet: { runId: o.runId, part: o.part, end: o.end } })
                }
              >
                Begin here
              </button>
            ) : (
              <span>{o.takenBy === run.id ? '✓ this run begins here' : 'another run begins there'}</span>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
