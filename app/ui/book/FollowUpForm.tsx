import { type ReactNode, useState } from 'react';
import { newId, say, saying } from './book.ts';

interface Props {
  premisesId: string;
  /** The run that it is about; left out: the premises. */
  runId?: string;
  label: string;
  /** What the press did, for its way back. */
  words: string;
  isFirst?: boolean;
  onKept?: () => void;
  /** Presses beside the one that keeps it. */
  children?: ReactNode;
}

/** Something still to be done, written down with the day it is due, if one is known. */
export function FollowUpForm({ premisesId, runId, label, words, isFirst = false, onKept, children }: Props) {
  const [text, setText] = useState('');
  const [dueOn, setDueOn] = useState('');
  const keep = async () => {
    const body = { premisesId, ...(runId ? { runId } : {}), text: text.trim(), ...(dueOn ? { dueOn } : {}) };
    if (!(await say([saying('follow-up', newId(), 'made', body)], words))) return;
    setText('');
    setDueOn('');
    onKept?.();
  };
  return (
    <form
      className="grid gap-3 print:hidden"
      onSubmit={(e) => {
        e.preventDefault();
        if (text.trim() !== '') keep();
      }}
    >
      <label className="grid gap-1">
        <span className="label">{label}</span>
        {/* biome-ignore lint/a11y/noAutofocus: where it is so, it was asked for with the press before */}
        <input className="field" maxLength={2000} autoFocus={isFirst} value={text} onChange={(e) => setText(e.target.value)} />
      </label>
      <div className="flex flex-wrap items-end gap-3">
        <label className="grid gap-1">
          <span className="label">By, if a day is known</span>
          <input className="field" type="date" value={dueOn} onChange={(e) => setDueOn(e.target.value)} />
        </label>
        <button type="submit" className="key key-main" disabled={text.trim() === ''}>
          Write it down
        </button>
        {children}
      </div>
    </form>
  );
}
