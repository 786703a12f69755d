import { useEffect, useRef, useState } from 'react';
import {
  carriedBy,
  describer,
  deviceNames,
  type Happening,
  happenings,
  historyOf,
  kindOf,
  pressReason,
  type RunRow,
  type RunState,
  type VisitSheet,
} from '../../../../record/index.ts';
import { sync } from '../../../../sync/run.ts';
import { Happened } from '../../../ui/book/index.ts';
import { Fields, ReasonForm } from '../../../ui/form/index.ts';
import type { Write } from '../../../ui/held/index.ts';
import { useUnits } from '../../../ui/units/index.ts';

interface Props {
  run: RunRow;
  state: RunState;
  sheet: VisitSheet;
  write: Write;
  onClose: () => void;
}

/** Everything recorded on the run, in order; each can be corrected or taken back, with a reason and what goes with it said before. */
export default function WhatHappened({ run, state, sheet, write, onClose }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState<{ id: string; how: 'correct' | 'withdraw' } | null>(null);
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    if (dialog.current && !dialog.current.open) dialog.current.showModal();
  }, []);
  const history = historyOf(sheet.entries, run.id);
  const rows = happenings(history, describer(state, history, units));
  const names = deviceNames(sheet.entries);
  const device = (id: string) => (id === sync.deviceId ? 'this device' : names(id));
  const actions = (row: Happening) =>
    row.withdrawn ? (
      <button
        type="button"
        className="min-h-11 cursor-pointer underline print:hidden"
        onClick={() => {
          for (const id of row.withdrawn!.ids) write('withdrawn', run.id, { reason: pressReason('put-back') }, { correctsId: id });
        }}
      >
        Put back
      </button>
    ) : (
      <div className="flex gap-3 print:hidden">
        <button type="button" className="min-h-11 cursor-pointer underline" onClick={() => setOpen({ id: row.id, how: 'correct' })}>
          Correct
        </button>
        <button type="button" className="min-h-11 cursor-pointer underline" onClick={() => setOpen({ id: row.id, how: 'withdraw' })}>
          Take back
        </button>
      </div>
    );
  const below = (row: Happening) => {
    const fate = open?.id === row.id ? history.all.find(({ first }) => first.id === row.id) : undefined;
    if (!open || !fate?.stands) return null;
    if (open.how === 'withdraw') {
      return (
        <Withdraw
          carried={carriedBy(history, row.newestId)}
          onCancel={() => setOpen(null)}
          onWithdraw={(reason) => {
            for (const id of row.wholeIds) write('withdrawn', run.id, { reason }, { correctsId: id });
            setOpen(null);
          }}
        />
      );
    }
    return (
      <Fields
        of={kindOf(row.kind)!}
        body={fate.stands.body as Record<string, unknown>}
        submit="Record the correction"
        onCancel={() => setOpen(null)}
        onRead={(body) => {
          const { jointId, checkPointId } = fate.first;
          const target = { jointId: jointId ?? undefined, checkPointId: checkPointId ?? undefined, correctsId: row.newestId };
          write(row.kind as never, run.id, body as never, target);
          setOpen(null);
        }}
      />
    );
  };
  return (
    <dialog
      ref={dialog}
      className="m-auto max-h-[92vh] w-[min(60rem,96vw)] overflow-y-auto border border-ink bg-sheet p-4 text-ink"
      aria-labelledby="happened-title"
      onClose={onClose}
    >
      <div className="flex items-start gap-x-4">
        <h2 id="happened-title" className="min-w-0">
          What happened here: {run.name}
        </h2>
        <button type="button" className="key ml-auto print:hidden" onClick={() => dialog.current?.close()}>
          Close
        </button>
      </div>
      <p className="mt-1 text-soft">Nothing is erased: what is corrected or taken back stays to be read. The newest comes first.</p>
      <Happened rows={[...rows].reverse()} timeZone={sheet.visit.premises.timeZone} device={device} actions={actions} below={below} />
    </dialog>
  );
}

function Withdraw({ carried, onCancel, onWithdraw }: { carried: string[]; onCancel: () => void; onWithdraw: (reason: string) => void }) {
  return (
    <>
      {carried.length > 0 && <p className="caution mt-2">With it goes: {carried.join(', ')}. It counts again if this is put back.</p>}
      <ReasonForm label="Why it is taken back" submit="Take it back" onReason={onWithdraw}>
        <button type="button" className="key" onClick={onCancel}>
          Leave it
        </button>
      </ReasonForm>
    </>
  );
}
