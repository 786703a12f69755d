import { asTyped, endLabel, endName, length, said, shortName, type Units } from '../../../core/index.ts';
import { type Bodies, STOP_CONDITIONS, sameOutlet } from '../../../record/index.ts';
import { Choices } from '../../ui/Choices.tsx';
import { EndLookup } from '../../ui/EndLookup.tsx';
import { EndPicker } from '../../ui/EndPicker.tsx';
import { Fold } from '../../ui/Fold.tsx';
import { InUnits } from '../../ui/InUnits.tsx';
import { useUnits } from '../../ui/units.ts';
import { usualEnds } from '../../ui/usual-ends.ts';
import { LastTime } from './LastTime.tsx';
import { Distance, FoundTube, Pressure } from './Measures.tsx';
import type { StageProps } from './stage-props.ts';
import { Told } from './Told.tsx';

type StopKind = Bodies['stop-tried']['kind'];
type StopCondition = Bodies['stop-tried']['condition'];

const KINDS: StopKind[] = ['quarter-turn', 'multi-turn', 'gate', 'saddle', 'none'];
const CONDITIONS = Object.entries(STOP_CONDITIONS) as [StopCondition, string][];
const REPLACE = [
  'bulge at a crimp',
  'braid broken or rusted',
  'kinked',
  'cracked plastic nut',
  'over its age',
  'washer flattened or hard',
  'corroded',
  'nut fused',
];

/** What is there: both ends, the stop, the old line, the distance. */
export default function LookStage({ run, context, state, write, go, outlets, visitId, mainValve }: StageProps) {
  const wanted = { asked: '', run: { visitId, runId: run.id }, on: context.appliance.id };
  const seen = (side: 'from' | 'to' | 'rejoin') => (end: string | null) => {
    if (end === (state[side]?.end ?? null)) return;
    if (end !== null || side === 'rejoin') write('end-seen', run.id, { side, end, how: 'seen' });
  };
  const stop = (change: Partial<Bodies['stop-tried']>) =>
    write('stop-tried', run.id, { kind: state.stop?.kind ?? 'quarter-turn', condition: state.stop?.condition ?? 'unknown', ...change });
  const place = (change: Partial<Bodies['place-seen']>) => write('place-seen', run.id, { ...state.place, ...change });
  const ready = state.from && state.to && state.stop;
  const units = useUnits();
  const known = knownOf(state, units);
  const asked = ORDER.find((part) => known[part] === null) ?? null;
  const fold = (part: Part) => ({ title: TITLES[part], known: known[part], isAsked: asked === part });
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
            label="Water side: what it comes from"
            value={state.from?.end ?? null}
            onChange={seen('from')}
            hint={usualEnds('from', null)}
          />
          <EndLookup wanted={{ ...wanted, side: 'from' }} />
          <FoundTube side="from" {...{ run, state, write }} />
          <Outlets {...{ run, state, write, outlets }} />
          <EndPicker
            id="look-to"
            label={`Inlet of the ${context.appliance.name}`}
            value={state.to?.end ?? null}
            onChange={seen('to')}
            hint={context.appliance.usualInletEnds}
          />
          <EndLookup wanted={{ ...wanted, side: 'to' }} />
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
          <Choices
            legend="What becomes of it"
            options={VERDICTS}
            value={state.oldLine?.verdict ?? null}
            onChange={(verdict) =>
              write('old-line-judged', run.id, { verdict, findings: verdict === 'replace' ? (state.oldLine?.findings ?? []) : [] })
            }
          />
          {state.oldLine?.verdict === 'replace' && (
            <fieldset className="flex flex-wrap gap-x-4">
              <legend className="label">Because it is</legend>
              {REPLACE.map((f) => (
                <label key={f} className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5"
                    checked={state.oldLine?.findings.includes(f) ?? false}
                    onChange={(e) =>
                      write('old-line-judged', run.id, {
                        verdict: 'replace',
                        findings: e.target.checked ? [...(state.oldLine?.findings ?? []), f] : (state.oldLine?.findings ?? []).filter((x) => x !== f),
                      })
                    }
                  />
                  {f}
                </label>
              ))}
            </fieldset>
          )}
        </Fold>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-3 lg:gap-6">
        <Fold {...fold('stop')}>
          <Choices
            legend="Kind"
            options={KINDS.map((k) => [k, k === 'none' ? 'no stop here' : k])}
            value={state.stop?.kind ?? null}
            onChange={(kind) => stop({ kind, ...(kind === 'none' ? { condition: 'unknown' } : {}) })}
          />
          {state.stop?.kind !== 'none' && (
            <Choices legend="Tried: it" options={CONDITIONS} value={state.stop?.condition ?? null} onChange={(condition) => stop({ condition })} />
          )}
          {state.stop?.kind === 'saddle' && <p className="caution">A saddle valve is a hazard: record it, and plan its replacement.</p>}
          <p className="caution">Old stops can break when turned: know where the main is before touching one.</p>
        </Fold>
        <Fold {...fold('place')}>
          <Distance {...{ run, state, write }} />
          <div className="flex flex-wrap gap-x-4">
            {(
              [
                ['ownStop', 'needs its own stop'],
                ['arrestor', 'needs a hammer arrestor'],
                ['check', 'needs a vented backflow preventer'],
                ['afterOsmosis', 'comes after reverse osmosis'],
                ['leaveOutlet', 'leaves an outlet for another run'],
                ['hidden', 'joints will be hidden'],
              ] as const
            ).map(([key, label]) => (
              <label key={key} className="flex min-h-11 items-center gap-2">
                <input type="checkbox" className="size-5" checked={state.place[key] ?? false} onChange={(e) => place({ [key]: e.target.checked })} />{' '}
                {label}
              </label>
            ))}
          </div>
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
              {context.appliance.name}: {context.appliance.protection}. Local code and the maker's sheet come first.
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
    </div>
  );
}

const TITLES = { ends: 'Both ends', oldLine: 'Old line', stop: 'The stop', place: 'Distance and place' };
type Part = keyof typeof TITLES;
/** In the order in which they are asked on a phone. */
const ORDER: Part[] = ['ends', 'stop', 'oldLine', 'place'];

const VERDICTS: [Bodies['old-line-judged']['verdict'], string][] = [
  ['none', 'there is none'],
  ['keep', 'sound, may stay'],
  ['replace', 'replace'],
];

/** What is known of each part, in few words; null while it is asked for. */
function knownOf({ from, to, stop, oldLine, distance, place }: StageProps['state'], units: Units): Record<Part, string | null> {
  return {
    ends: from?.end && to?.end ? `${endName(from.end)} to ${endName(to.end)}` : null,
    oldLine: oldLine && new Map(VERDICTS).get(oldLine.verdict)!,
    stop: stop && (stop.kind === 'none' ? 'no stop here' : `${stop.kind}: ${STOP_CONDITIONS[stop.condition]}`),
    place: distance && `${asTyped(distance.text, length(distance.inches), units)}${place.hidden ? ', joints hidden' : ''}`,
  };
}

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
