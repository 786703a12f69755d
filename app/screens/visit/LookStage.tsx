import { useState } from 'react';
import { endLabel, isMetric, readLengthIn, shortName } from '../../../core/index.ts';
import { type Bodies, STOP_CONDITIONS, sameOutlet } from '../../../record/index.ts';
import { Choices } from '../../ui/Choices.tsx';
import { EndLookup } from '../../ui/EndLookup.tsx';
import { EndPicker } from '../../ui/EndPicker.tsx';
import type { StageProps } from './stage-props.ts';

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
export function LookStage({ run, context, state, write, go, outlets, visitId }: StageProps) {
  const wanted = { asked: '', run: { visitId, runId: run.id } };
  const seen = (side: 'from' | 'to' | 'rejoin') => (end: string | null) => {
    if (end === (state[side]?.end ?? null)) return;
    if (end !== null || side === 'rejoin') write('end-seen', run.id, { side, end, how: 'seen' });
  };
  const stop = (change: Partial<Bodies['stop-tried']>) =>
    write('stop-tried', run.id, { kind: state.stop?.kind ?? 'quarter-turn', condition: state.stop?.condition ?? 'unknown', ...change });
  const place = (change: Partial<Bodies['place-seen']>) => write('place-seen', run.id, { ...state.place, ...change });
  const ready = state.from && state.to && state.stop;
  return (
    <div className="grid gap-6 xl:grid-cols-2">
      <div className="grid content-start gap-6">
        <section className="grid content-start gap-2">
          <h2>Both ends</h2>
          <EndPicker
            id="look-from"
            label="Water side: what it comes from"
            value={state.from?.end ?? null}
            onChange={seen('from')}
            hint={['comp-3/8-m', 'comp-1/4-m', 'npt-1/2-m', 'cu-5/8od']}
          />
          <EndLookup wanted={{ ...wanted, side: 'from' }} />
          <Outlets {...{ run, state, write, outlets }} />
          <EndPicker
            id="look-to"
            label={`Inlet of the ${context.appliance.name}`}
            value={state.to?.end ?? null}
            onChange={seen('to')}
            hint={context.appliance.usualInletEnds}
          />
          <EndLookup wanted={{ ...wanted, side: 'to' }} />
          <details className="why" open={state.rejoin !== null}>
            <summary>The outlet is in use: an old line has to be joined again</summary>
            <EndPicker
              id="look-rejoin"
              label="End of the old line"
              value={state.rejoin?.end ?? null}
              onChange={seen('rejoin')}
              hint={['comp-3/8-f', 'bc-7/8-m']}
            />
            <EndLookup wanted={{ ...wanted, side: 'rejoin' }} />
          </details>
        </section>
        <section className="grid content-start gap-3">
          <h2>Old line</h2>
          <Choices
            legend="What becomes of it"
            options={[
              ['none', 'there is none'],
              ['keep', 'sound, may stay'],
              ['replace', 'replace'],
            ]}
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
        </section>
      </div>
      <div className="grid content-start gap-6">
        <section className="grid content-start gap-3">
          <h2>The stop</h2>
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
        </section>
        <section className="grid content-start gap-3">
          <h2>Distance and place</h2>
          <Distance {...{ run, state, write }} />
          <div className="flex flex-wrap gap-x-4">
            {(
              [
                ['ownStop', 'needs its own stop'],
                ['arrestor', 'needs a hammer arrestor'],
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
          {context.appliance.fastClosing === 'yes' && !state.place.arrestor && (
            <p className="caution">This appliance closes fast: think of a hammer arrestor within 6 ft.</p>
          )}
          {ready ? (
            <button type="button" className="key key-main justify-self-start" onClick={() => go('match')}>
              On to Match
            </button>
          ) : (
            <p className="text-soft">Match wants both ends and the stop.</p>
          )}
        </section>
      </div>
    </div>
  );
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

function kept(distance: Bodies['distance-measured'] | null): string {
  if (!distance) return '';
  return isMetric(distance.text) ? `${distance.text} kept: ${distance.inches.toFixed(1)} in` : `${distance.text} in kept`;
}

function Distance({ run, state, write }: Pick<StageProps, 'run' | 'state' | 'write'>) {
  const [text, setText] = useState(state.distance?.text ?? '');
  const [bad, setBad] = useState(false);
  const save = () => {
    if (text.trim() === '' || text === state.distance?.text) return setBad(false);
    const inches = readLengthIn(text);
    const good = inches !== null && inches > 0 && inches <= 12_000;
    setBad(!good);
    if (good) write('distance-measured', run.id, { text: text.trim().slice(0, 200), inches });
  };
  return (
    <div>
      <label className="label block" htmlFor="distance">
        From end to end, along the way the line will lie (in)
      </label>
      <input
        id="distance"
        className="field max-w-40"
        value={text}
        maxLength={30}
        onChange={(e) => setText(e.target.value)}
        onBlur={save}
        onKeyDown={(e) => e.key === 'Enter' && save()}
        aria-invalid={bad}
        aria-describedby="distance-said"
      />
      <p id="distance-said" aria-live="polite">
        {bad ? 'That is no length. Type inches as 55, 14 1/2 or 3/8, or 1400 mm; more than 0.' : kept(state.distance)}
      </p>
    </div>
  );
}
