import { useState } from 'react';
import type { RunRow } from '../../../record/index.ts';
import { pressReason } from '../../../record/index.ts';
import { say, saying } from '../../ui/book/index.ts';
import type { Write } from '../../ui/held/index.ts';

/** Takes a run off the visit's list, or puts it back; what is recorded on it stays. */
export function OffList({ run, visitId, off, write }: { run: RunRow; visitId: string; off: string | null; write: Write }) {
  const [reason, setReason] = useState('');
  // The book took it off, or an entry of the run: each is answered in its own place.
  const putBack = () => {
    if (run.removed === null) write('listed', run.id, { on: true, reason: pressReason('back-on-list') });
    else say([saying('visit', visitId, 'run-added', { runId: run.id, work: run.work })], `${run.name} put back`);
  };
  if (off !== null) {
    return (
      <p className="caution mt-3">
        Off the list: {off}{' '}
        <button type="button" className="key" onClick={putBack}>
          Put it back
        </button>
      </p>
    );
  }
  return (
    <div className="mt-3 grid max-w-140 gap-2">
      <label className="grid gap-1">
        <span className="label">Why it goes off the list. What is recorded on it stays.</span>
        <input className="field" maxLength={500} value={reason} onChange={(e) => setReason(e.target.value)} />
      </label>
      <button
        type="button"
        className="key justify-self-start"
        disabled={reason.trim() === ''}
        onClick={() => write('listed', run.id, { on: false, reason: reason.trim() })}
      >
        Take it off the list
      </button>
    </div>
  );
}
