import { useEffect, useRef, useState } from 'react';
import { endLabel } from '../../../core/index.ts';
import { localTime, mlPerDay, money } from '../../ui/words.ts';
import type { StageProps } from './stage-props.ts';

/** What was done, what is due; signed off once. */
export function LogStage({ run, state, write, visitId, timeZone, go }: StageProps) {
  const [reasons, setReasons] = useState<Record<string, string>>({});
  const [sent, setSent] = useState(false);
  const settled = useSettled(sent);
  const heading = useRef<HTMLHeadingElement>(null);
  const { accepted, signedOff } = state;
  const signedHere = sent && signedOff !== null;
  useEffect(() => {
    if (signedHere) heading.current?.focus();
  }, [signedHere]);
  if (!accepted) return <p>Nothing has been joined yet.</p>;
  const targets = [...state.joints, ...state.checkPoints];
  const open = targets.filter((t) => !t.proven);
  const blocked = targets.some((t) => t.finding === 'running') || state.joints.some((j) => !j.made);
  const ready = !blocked && open.every((t) => (reasons[t.id] ?? '').trim() !== '');
  const signOff = () => {
    if (sent || signedOff) return;
    setSent(true);
    const { targetMlPerDay, recheckHours } = accepted.rules;
    write('signed-off', run.id, {
      targetMlPerDay,
      recheckHours,
      exceptions: open.map((t) => ({ targetId: t.id, reason: (reasons[t.id] ?? '').trim() })),
    });
  };
  return (
    <div className="max-w-200">
      <h2 ref={heading} tabIndex={-1}>
        {signedOff ? 'Signed off' : 'Sign off'}
      </h2>
      <dl className="my-3 grid grid-cols-[10rem_1fr] gap-x-4 gap-y-1">
        <dt className="label">Connection</dt>
        <dd>
          {endLabel(accepted.from)} to {endLabel(accepted.to)}
        </dd>
        <dt className="label">Parts</dt>
        <dd>
          {accepted.chain.parts.map((p) => accepted.items[p]?.name ?? p).join('; ')} · {money(accepted.chain.priceCents)}
        </dd>
        <dt className="label">Proof</dt>
        <dd>
          {targets.map((t) => (
            <div key={t.id}>
              {t.label}: {t.finding ?? (t.mlPerDay === null ? 'nothing proven yet' : `under ${mlPerDay(t.mlPerDay)} mL a day`)}
              {t.proven && ' ✓'}
            </div>
          ))}
        </dd>
      </dl>
      {signedOff ? (
        <div>
          <p className="text-lg">
            Recheck due {localTime(signedOff.recheckDueMs, timeZone)}:{' '}
            {state.recheck === 'dry' ? 'done, dry' : state.recheck === 'not dry' ? 'not dry' : 'still to do'}.
          </p>
          {signedOff.exceptions.map((e) => (
            <p key={e.targetId} className="caution mt-2">
              {targets.find((t) => t.id === e.targetId)?.label}: signed off without full proof. {e.reason}
            </p>
          ))}
          <div className="mt-3 flex flex-wrap gap-3" inert={signedHere && !settled}>
            <a className="key" href={`/api/v1/visits/${visitId}/recheck.ics`}>
              Recheck for the calendar
            </a>
            <button type="button" className="key" onClick={() => go('prove')}>
              Do the recheck
            </button>
            <a className="key" href={`/ledger/${visitId}/${run.id}`}>
              In the ledger
            </a>
          </div>
        </div>
      ) : (
        <div>
          {state.joints.some((j) => !j.made) && <p className="caution">Not every joint is made: finish the work card first.</p>}
          {!blocked &&
            open.map((t) => (
              <label key={t.id} className="mt-2 grid gap-1">
                <span>
                  <b>{t.label}</b> is not proven. Sign off only with a reason, which stays on the record:
                </span>
                <input
                  className="field"
                  maxLength={500}
                  value={reasons[t.id] ?? ''}
                  onChange={(e) => setReasons({ ...reasons, [t.id]: e.target.value })}
                />
              </label>
            ))}
          <button type="button" className="key key-main mt-4" disabled={!ready || sent} onClick={signOff}>
            Sign off
          </button>
        </div>
      )}
    </div>
  );
}

/** How long the second press of a double one may come after the first, ms. */
const SECOND_PRESS_MS = 800;

/** False until a moment after `happened`: what appears under the finger must not take the second half of a double press. */
function useSettled(happened: boolean): boolean {
  const [settled, setSettled] = useState(false);
  useEffect(() => {
    if (!happened) return;
    const timer = setTimeout(() => setSettled(true), SECOND_PRESS_MS);
    return () => clearTimeout(timer);
  }, [happened]);
  return settled;
}
