import type { RunRow, VisitSheet } from '../../../../record/index.ts';
import { FollowUpForm } from '../../../ui/book/index.ts';

/** Something still to be done about a run, written down where it is seen; it stands with the premises and on the day it is due. */
export default function FollowUpHere({ visit, run, onClose }: { visit: VisitSheet['visit']; run: RunRow; onClose: () => void }) {
  return (
    <section aria-label="To follow up" className="grid gap-3 border-b border-ink bg-sheet p-4">
      <h2>To follow up: {run.name}</h2>
      <FollowUpForm
        premisesId={visit.premises.id}
        runId={run.id}
        label="What is still to be done"
        words={`${run.name}: to be followed up`}
        isFirst
        onKept={onClose}
      >
        <button type="button" className="key" onClick={onClose}>
          Leave it
        </button>
      </FollowUpForm>
    </section>
  );
}
