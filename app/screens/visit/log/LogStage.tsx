import { useEffect, useRef, useState } from 'react';
import { endLabel } from '../../../../core/index.ts';
import { isRealReason, partNames, STAGE_NAMES } from '../../../../record/index.ts';
import { ReportCallback } from '../../../ui/book/index.ts';
import { fetched, ReasonForm } from '../../../ui/form/index.ts';
import { localTime, money } from '../../../ui/words.ts';
import type { StageProps } from '../stage-props.ts';
import { NextUp } from './NextUp.tsx';

const SignSheet = fetched('The sheet', () => import('./SignSheet.tsx'));

const keyOf = (item: { stage: string } | { targetId: string }): string => ('stage' in item ? item.stage : item.targetId);

/** What was done, what is due; signed off once, reopened with a reason. */
export default function LogStage(props: StageProps) {
  const { run, state, write } = props;
  const [reasons, setReasons] = useState<Record<string, string>>({});
  const [sent, setSent] = useState(false);
  const settled = useSettled(sent);
  const heading = useRef<HTMLHeadingElement>(null);
  const { accepted, signedOff, open } = state;
  const signedHere = sent && signedOff !== null;
  useEffect(() => {
    if (signedHere) heading.current?.focus();
  }, [signedHere]);
  // Signed off and taken back: it can be signed again.
  useEffect(() => {
    if (!signedOff && settled) setSent(false);
  }, [signedOff, settled]);
  if (!accepted) {
    return (
      <div className="grid gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <p className="text-lg">Nothing has been joined yet.</p>
        <NextUp {...props} />
      </div>
    );
  }
  const running = [...state.joints, ...state.checkPoints].filter((t) => t.finding === 'running');
  const isBlocked = running.length > 0 || state.conflicts.length > 0;
  const isReady = !isBlocked && open.every((item) => isRealReason(reasons[keyOf(item)] ?? ''));
  const signOff = () => {
    if (sent || signedOff) return;
    setSent(true);
    const { targetMlPerDay } = state;
    const { recheckHours } = accepted.rules;
    const exceptions = open.map((item) => {
      const reason = (reasons[keyOf(item)] ?? '').trim();
      return 'stage' in item ? { stage: item.stage, reason } : { targetId: item.targetId, reason };
    });
    write('signed-off', run.id, { targetMlPerDay, recheckHours, exceptions });
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <div>
        <h2 ref={heading} tabIndex={-1}>
          {signedOff ? 'Signed off' : 'Sign off'}
        </h2>
        <Connection {...props} />
        <SignSheet {...props} />
        {signedOff ? (
          <Signed {...props} isSettled={!signedHere || settled} />
        ) : (
          <div>
            {state.signOffUndone && <p className="caution mb-2">Signed off before, and no more: {state.signOffUndone.why}.</p>}
            {running.length > 0 && (
              <p className="caution">{running.map((t) => t.label).join(', ')} is running: shut the water and put it right first.</p>
            )}
            {state.conflicts.length > 0 && <p className="caution">Two devices decided the same thing: say first which of the two stands.</p>}
            {!isBlocked &&
              open.map((item, i) => (
                <label key={keyOf(item)} className="mt-2 grid gap-1">
                  <span>
                    <b>{item.label}</b> {'stage' in item ? 'is open' : 'is not proven'}. Sign off only with a reason, which stays on the record:
                  </span>
                  <input
                    className="field"
                    maxLength={500}
                    value={reasons[keyOf(item)] ?? ''}
                    onChange={(e) => setReasons({ ...reasons, [keyOf(item)]: e.target.value })}
                  />
                  {(reasons[keyOf(item)] ?? '').trim() !== '' && !isRealReason(reasons[keyOf(item)] ?? '') && (
                    <span className="text-soft">Say it in a few words, for whoever reads it in a year.</span>
                  )}
                  {i === 0 && open.length > 1 && isRealReason(reasons[keyOf(item)] ?? '') && open.some((o) => !reasons[keyOf(o)]) && (
                    <button
                      type="button"
                      className="key justify-self-start"
                      onClick={() => setReasons(Object.fromEntries(open.map((o) => [keyOf(o), reasons[keyOf(o)] || reasons[keyOf(item)]!])))}
                    >
                      True of the other {open.length - 1} too
                    </button>
                  )}
                </label>
              ))}
            <button type="button" className="key key-main mt-4" disabled={!isReady || sent} onClick={signOff}>
              Sign off
            </button>
          </div>
        )}
      </div>
      <NextUp {...props} />
    </div>
  );
}

function Connection({ state }: Pick<StageProps, 'state'>) {
  const accepted = state.accepted!;
  return (
    <dl className="my-3 grid grid-cols-[minmax(0,1fr)] gap-x-4 gap-y-1 md:grid-cols-[10rem_minmax(0,1fr)]">
      <dt className="label">Connection</dt>
      <dd>
        {endLabel(accepted.from)} to {endLabel(accepted.to)}
      </dd>
      <dt className="label">Parts</dt>
      <dd>
        {partNames(accepted).join('; ')} · {money(accepted.chain.priceCents, accepted.currency)}
      </dd>
    </dl>
  );
}

const RECHECK = { none: '', due: 'still to do', dry: 'done, dry', 'not dry': 'not dry', closed: 'closed' } as const;

/** What stands on record of a signed-off run, and what can still come: the recheck, a callback, its reopening. */
function Signed({ run, state, write, visitId, timeZone, go, isSettled }: StageProps & { isSettled: boolean }) {
  const signedOff = state.signedOff!;
  const targets = [...state.joints, ...state.checkPoints];
  return (
    <div inert={!isSettled}>
      <p>
        Signed off {localTime(signedOff.atMs, timeZone)}
        {state.isProvisional && ', provisional until it is looked at again'}. It is only read until it is reopened.
      </p>
      {signedOff.exceptions.map((e) => (
        <p key={keyOf(e)} className="caution mt-2">
          {'stage' in e ? `${STAGE_NAMES[e.stage]} was open` : `${targets.find((t) => t.id === e.targetId)?.label ?? 'A joint'} was not proven`}.{' '}
          {e.reason}
        </p>
      ))}
      <p className="mt-2 text-lg">
        Recheck due {localTime(signedOff.recheckDueMs, timeZone)}: {RECHECK[state.recheck]}
        {state.recheck === 'closed' ? `: ${signedOff.recheckClosed}` : ''}.
      </p>
      {state.callbacks.map((c) => (
        <p key={c.entryId} className="caution mt-2">
          Callback {localTime(c.atMs, timeZone)}: {targets.find((t) => t.id === c.targetId)?.label ?? ''} {c.finding}. {c.text}
        </p>
      ))}
      <div className="mt-3 flex flex-wrap gap-3">
        <a className="key" href={`/api/v1/visits/${visitId}/recheck.ics`}>
          Recheck for the calendar
        </a>
        {(state.recheck === 'due' || state.recheck === 'not dry') && (
          <button type="button" className="key" onClick={() => go('prove')}>
            Do the recheck
          </button>
        )}
        <a className="key" href={`/ledger/${visitId}/${run.id}`}>
          In the ledger
        </a>
        <a className="key" href={`/certificate/${visitId}`}>
          What was proven
        </a>
        <a className="key" href={`/api/v1/visits/${visitId}/runs/${run.id}/tags.pdf`}>
          Tags to print
        </a>
        <a className="key" href={`/visits/${visitId}?show=estimate`}>
          What it cost
        </a>
      </div>
      {state.recheck === 'due' && (
        <details className="why mt-3">
          <summary>Nobody will look again: close the recheck with a reason</summary>
          <ReasonForm label="Why nobody looks again" submit="Close the recheck" onReason={(reason) => write('recheck-closed', run.id, { reason })} />
        </details>
      )}
      <details className="why mt-3">
        <summary>Reopen it, to put something right</summary>
        <ReasonForm label="Why it is reopened" submit="Reopen the run" onReason={(reason) => write('reopened', run.id, { reason })} />
      </details>
      <div className="mt-3">
        <ReportCallback
          visitId={visitId}
          runId={run.id}
          joints={targets.map((t) => ({ id: t.id, label: t.label, isJoint: state.joints.some((j) => j.id === t.id) }))}
        />
      </div>
    </div>
  );
}

/** How long the second press of a double one may come after the first, ms. */
const SECOND_PRESS_MS = 800;

/** False until a moment after `happened`: what appears under the finger must not take the second half of a double press. */
function useSettled(happened: boolean): boolean {
  const [settled, setSettled] = useState(false);
  useEffect(() => {
    if (!happened) return setSettled(false);
    const timer = setTimeout(() => setSettled(true), SECOND_PRESS_MS);
    return () => clearTimeout(timer);
  }, [happened]);
  return settled;
}
