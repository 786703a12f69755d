import { useState } from 'react';
import type { RunRow, VisitSheet } from '../../../record/visit/sheet.ts';
import { newId, say, saying } from '../../ui/book.ts';

/** Something still to be done about a run, written down where it is seen; it stands with the premises and on the day it is due. */
export default function FollowUpHere({ visit, run, onClose }: { visit: VisitSheet['visit']; run: RunRow; onClose: () => void }) {
  const [text, setText] = useState('');
  const [dueOn, setDueOn] = useState('');
  const keep = async () => {
    const body = { premisesId: visit.premises.id, runId: run.id, text: text.trim(), ...(dueOn ? { dueOn } : {}) };
    if (await say([saying('follow-up', newId(), 'made', body)], `${run.name}: to be followed up`)) onClose();
  };
  return (
    <form
      aria-label="To follow up"
      className="grid gap-3 border-b border-ink bg-sheet p-4"
      onSubmit={(e) => {
        e.preventDefault();
        if (text.trim() !== '') keep();
      }}
    >
      <h2>To follow up: {run.name}</h2>
      <label className="grid gap-1">
        <span className="label">What is still to be done</span>
        {/* biome-ignore lint/a11y/noAutofocus: it was asked for with the press before */}
        <input className="field" maxLength={2000} autoFocus value={text} onChange={(e) => setText(e.target.value)} />
      </label>
      <div className="flex flex-wrap items-end gap-3">
        <label className="grid gap-1">
          <span className="label">By, if a day is known</span>
          <input className="field" type="date" value={dueOn} onChange={(e) => setDueOn(e.target.value)} />
        </label>
        <button type="submit" className="key key-main" disabled={text.trim() === ''}>
          Write it down
        </button>
        <button type="button" className="key" onClick={onClose}>
          Leave it
        </button>
      </div>
    </form>
  );
}
