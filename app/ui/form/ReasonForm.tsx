import { type ReactNode, useId, useState } from 'react';
import { isRealReason } from '../../../record/index.ts';

interface Props {
  label: string;
  submit: string;
  onReason: (reason: string) => void;
  /** Another key beside. */
  children?: ReactNode;
}

/** Asks for a reason that says something, then does what wants one. */
export function ReasonForm({ label, submit, onReason, children }: Props) {
  const [reason, setReason] = useState('');
  const id = useId();
  const isShort = reason.trim() !== '' && !isRealReason(reason);
  return (
    <form
      className="mt-2 grid max-w-140 gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (!isRealReason(reason)) return;
        onReason(reason.trim());
        setReason('');
      }}
    >
      <label className="label" htmlFor={id}>
        {label}, for whoever reads it in a year
      </label>
      <input id={id} className="field" maxLength={500} value={reason} aria-describedby={`${id}-said`} onChange={(e) => setReason(e.target.value)} />
      <p id={`${id}-said`} className="text-soft empty:hidden" aria-live="polite">
        {isShort && 'Say it in a few words.'}
      </p>
      <div className="flex flex-wrap gap-3">
        <button type="submit" className="key" disabled={!isRealReason(reason)}>
          {submit}
        </button>
        {children}
      </div>
    </form>
  );
}
