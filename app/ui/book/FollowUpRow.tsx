import { type ReactNode, useState } from 'react';
import { ReasonForm } from '../form/index.ts';
import { dayWords } from '../words.ts';
import { say, saying } from './book.ts';

interface Props {
  f: { id: string; text: string; dueOn: string | null };
  today: string;
  /** Beside: where it is. */
  children?: ReactNode;
}

/** Something to be done: by when, closed with what was done. */
export function FollowUpRow({ f, today, children }: Props) {
  const [isClosing, setClosing] = useState(false);
  const isLate = f.dueOn !== null && f.dueOn < today;
  return (
    <li className="border-b border-faint py-2">
      {isLate && <span aria-hidden="true">▲ </span>}
      {f.text}{' '}
      {f.dueOn && (
        <span className={isLate ? 'font-bold' : 'text-soft'}>
          {isLate ? 'overdue since' : 'by'} {dayWords(f.dueOn, today)}
        </span>
      )}
      {children && <div>{children}</div>}
      {isClosing ? (
        <ReasonForm
          label="What was done"
          submit="It is done"
          onReason={(reason) => {
            setClosing(false);
            say([saying('follow-up', f.id, 'closed', { reason })], 'Followed up');
          }}
        />
      ) : (
        <button type="button" className="key mt-1 block print:hidden" onClick={() => setClosing(true)}>
          Done
        </button>
      )}
    </li>
  );
}
