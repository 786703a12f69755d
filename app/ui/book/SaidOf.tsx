import { useState } from 'react';
import type { Happening } from '../../../record/index.ts';
import { type BookEntry, type BookWords, bookHappenings, pressReason } from '../../../record/index.ts';
import { ReasonForm } from '../form/index.ts';
import { type Saying, say } from './book.ts';
import { Happened } from './Happened.tsx';

interface Props {
  entries: BookEntry[];
  words: BookWords;
  timeZone: string;
  onChanged: () => void;
}

const FINAL = 'premises contact-erased';

/** What was said of subjects of the book, in plain words; each can be taken back with a reason, and put back. */
export function SaidOf({ entries, words, timeZone, onChanged }: Props) {
  const [asks, setAsks] = useState<string | null>(null);
  const rows = bookHappenings(entries, words);
  const subjects = new Map(entries.map((e) => [e.id, e.subject]));
  const takeBack = (row: Happening, ids: string[], reason: string, isBack: boolean) => {
    const subject = subjects.get(row.id);
    if (!subject) return;
    const all = ids.map((correctsId): Saying => ({ subject, change: 'withdrawn', body: { reason }, correctsId }));
    say(all, `${row.who}: ${isBack ? 'taken back' : 'put back'}`, isBack).then(onChanged);
  };
  return (
    <Happened
      rows={rows}
      timeZone={timeZone}
      device={(deviceId) => `device ${[...new Set(rows.map((r) => r.deviceId))].indexOf(deviceId) + 1}`}
      actions={(row) =>
        row.kind === FINAL ? null : row.withdrawn ? (
          <button type="button" className="key" onClick={() => takeBack(row, row.withdrawn!.ids, pressReason('put-back'), false)}>
            Put back
          </button>
        ) : (
          <button type="button" className="key" onClick={() => setAsks(asks === row.id ? null : row.id)}>
            Take back
          </button>
        )
      }
      below={(row) =>
        asks === row.id && (
          <ReasonForm
            label="Why it is taken back"
            submit="Take it back"
            onReason={(reason) => {
              setAsks(null);
              takeBack(row, row.wholeIds, reason, true);
            }}
          />
        )
      }
    />
  );
}
