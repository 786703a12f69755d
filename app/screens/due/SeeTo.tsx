import { useEffect, useState } from 'react';
import { TASK_IDS, type TaskId } from '../../../core/index.ts';
import type { Bodies } from '../../../record/index.ts';
import { addDays } from '../../../record/index.ts';
import type { DueRow } from '../../../store/queries/index.ts';
import { newEntry } from '../../../sync/entry.ts';
import { sync } from '../../../sync/run.ts';
import { ReasonForm } from '../../ui/form/index.ts';
import { isTakenBack, noteNewPress, onPress } from '../../ui/held/index.ts';

const isDuty = (kind: string): kind is TaskId => (TASK_IDS as readonly string[]).includes(kind);
const OFF: [days: number, name: string][] = [
  [30, 'a month'],
  [91, 'a quarter'],
  [365, 'a year'],
];

/** What becomes of something that is due: done today, put off, not wanted any more; a look again and a follow-up have pages of their own. */
export function SeeTo({ row, today }: { row: DueRow; today: string }) {
  const [open, setOpen] = useState<'' | 'off' | 'drop'>('');
  const [seen, setSeen] = useState<{ id: string; words: string } | null>(null);
  const [, again] = useState(0);
  const [days, setDays] = useState(30);
  useEffect(() => onPress(() => again((n) => n + 1)), []);
  // A list that was read with nothing left to send says what the server has: a press that it refused stands no more.
  // biome-ignore lint/correctness/useExhaustiveDependencies: by each list that is read
  useEffect(() => {
    if (sync.standing.waiting === 0) setSeen(null);
  }, [row]);
  if (seen && !isTakenBack(seen.id)) return <p role="status">{seen.words}</p>;
  if (row.kind === 'recheck') {
    return (
      <a className="key self-start print:hidden" href={`/visits/${row.visitId}?run=${row.runId}&stage=prove`}>
        Look now
      </a>
    );
  }
  if (!isDuty(row.kind) || row.visitId === null || row.runId === null) {
    return (
      <a className="key self-start print:hidden" href={`/premises/${row.premises.id}`}>
        Open it
      </a>
    );
  }
  const duty = row.kind;
  const at = { visitId: row.visitId, runId: row.runId };
  const write = async (outcome: Bodies['duty-seen']['outcome'], more: { until?: string; note?: string }, words: string) => {
    try {
      const [kept] = await sync.keep((deviceId) => [newEntry({ deviceId, ...at }, 'duty-seen', { duty, what: row.what, outcome, ...more })]);
      noteNewPress({ entries: [{ id: kept!.entry.id, ...at }], words: `${row.what}: ${words}`, isBack: false });
      setSeen({ id: kept!.entry.id, words: `${words}.` });
      setOpen('');
    } catch {
      // Said on the strip of every screen.
    }
  };
  if (open === '') {
    return (
      <span className="flex flex-wrap content-start gap-2 print:hidden">
        <button type="button" className="key" onClick={() => write('done', {}, 'Done today')}>
          Done
        </button>
        <button type="button" className="key" onClick={() => setOpen('off')}>
          Put off
        </button>
        <button type="button" className="key" onClick={() => setOpen('drop')}>
          Not wanted
        </button>
      </span>
    );
  }
  const leave = (
    <button type="button" className="key" onClick={() => setOpen('')}>
      Leave it
    </button>
  );
  if (open === 'drop') {
    return (
      <div className="sm:col-span-3">
        <ReasonForm
          label="Why it is not wanted any more"
          submit="Take it off the list"
          onReason={(note) => write('not-wanted', { note }, 'Not wanted any more')}
        >
          {leave}
        </ReasonForm>
      </div>
    );
  }
  return (
    <div className="sm:col-span-3">
      <fieldset className="mt-1 flex flex-wrap gap-2">
        <legend className="label">For how long</legend>
        {OFF.map(([n, name]) => (
          <button key={n} type="button" className="key" aria-pressed={days === n} onClick={() => setDays(n)}>
            {name}
          </button>
        ))}
      </fieldset>
      <ReasonForm
        label="Why it is put off"
        submit={`Put off until ${addDays(today, days)}`}
        onReason={(note) => write('put-off', { until: addDays(today, days), note }, `Put off until ${addDays(today, days)}`)}
      >
        {leave}
      </ReasonForm>
    </div>
  );
}
