import { useState } from 'react';
import { drainRemedy, remedy, turns24, writeTurns } from '../../../../core/index.ts';
import { Reasons } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';
import type { Target } from './target.ts';

/** What to do about a joint that is not dry, and what it sends back through the rounds. */
export function RemedyBox({ trouble, run, state, write }: StageProps & { trouble: Target }) {
  const joint = state.joints.find((j) => j.id === trouble.id);
  const finding = trouble.finding!;
  const others = state.joints.filter((j) => j.id !== trouble.id);
  const [moved, setMoved] = useState<string[]>([]);
  if (finding === 'running') return null;
  const advice = joint
    ? remedy({
        seal: joint.seal,
        turnsSoFar: joint.turns24 / 24,
        finding,
        nudges: joint.nudges,
        isOld: joint.isOld,
        relieveFirst: joint.relieveFirst,
      })
    : null;
  const ofDrain = trouble.drain ? drainRemedy(trouble.drain.remedies, trouble.drain.tried) : null;
  const doIt = (action: 'nudge' | 'open-and-look' | 'remake', turns: number) =>
    write('remedied', run.id, { action, turns24: turns, movedJointIds: moved }, trouble.target);
  return (
    <section className="mb-4 border-2 border-ink bg-sheet p-4" aria-label={`Remedy for ${trouble.label}`}>
      <h2>
        ▲ {trouble.label} {finding}
      </h2>
      {joint && (
        <p className="text-soft">
          {joint.budget ? `${writeTurns(joint.turns24)} so far, ${writeTurns(joint.budget.most24)} at most` : 'not a screwed joint'}
        </p>
      )}
      {advice ? (
        <>
          <p className="mt-1 text-lg">{advice.because[0]?.text}</p>
          {advice.action === 'nudge' && advice.because[1] && <p className="caution mt-1">{advice.because[1].text}</p>}
        </>
      ) : ofDrain ? (
        <DrainLadder drain={trouble.drain!} rung={ofDrain.rung} />
      ) : (
        <p className="mt-1 text-lg">A stem that weeps: nip its packing nut by an eighth, or plan a new stop.</p>
      )}
      {(advice ?? ofDrain) && <Reasons because={(advice ?? ofDrain)!.because} label="Where this comes from" />}
      <fieldset className="mt-2 flex flex-wrap gap-x-4">
        <legend className="label">What moved with it goes through the rounds again</legend>
        {others.map((j) => (
          <label key={j.id} className="flex min-h-11 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={moved.includes(j.id)}
              onChange={(e) => setMoved(e.target.checked ? [...moved, j.id] : moved.filter((m) => m !== j.id))}
            />{' '}
            {j.label}
          </label>
        ))}
      </fieldset>
      <div className="mt-2 flex flex-wrap gap-3">
        {advice?.action === 'nudge' && (
          <button type="button" className="key key-main" onClick={() => doIt('nudge', turns24(advice.turns ?? 0))}>
            Nudged {writeTurns(turns24(advice.turns ?? 0))}
          </button>
        )}
        {advice?.action !== 'nudge' && joint && (
          <button
            type="button"
            className="key key-main"
            onClick={() => {
              doIt('remake', 0);
              write('joint-made', run.id, { turns24: joint.budget?.default24 ?? 0 }, { jointId: joint.id });
            }}
          >
            Opened, put right, remade{joint.budget ? `, ${writeTurns(joint.budget.default24)}` : ''}
          </button>
        )}
        {ofDrain && (
          <button
            type="button"
            className="key key-main"
            onClick={() => doIt(ofDrain.turns === null ? 'remake' : 'nudge', ofDrain.turns === null ? 0 : turns24(ofDrain.turns))}
          >
            Done: {ofDrain.what}
          </button>
        )}
        {!joint && !ofDrain && (
          <button type="button" className="key key-main" onClick={() => doIt('nudge', 3)}>
            Packing nut nipped 1/8 turn
          </button>
        )}
      </div>
    </section>
  );
}

/** The ladder of a joint of the drain, the rung that is next marked; then what shows whether it helped. */
function DrainLadder({ drain, rung }: { drain: NonNullable<Target['drain']>; rung: number }) {
  return (
    <>
      <p className="text-soft">
        {drain.what}, {drain.name}
      </p>
      <ol className="mt-1 text-lg">
        {drain.remedies.map((what, i) => (
          <li key={what} aria-current={i === rung ? 'step' : undefined} className={i === rung ? 'font-bold' : 'text-soft'}>
            {i < rung ? '✓ ' : i === rung ? '▸ ' : ''}
            {what}
          </li>
        ))}
      </ol>
      <p>One joint at a time; then look again: {drain.lookedAt}.</p>
    </>
  );
}
