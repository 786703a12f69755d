import { type WorkStep, withQuantities } from '../../../../core/index.ts';
import type { Minutes, OwnStepMinutes } from '../../../../record/index.ts';
import { useKeys } from '../../../ui/keys/index.ts';
import { InUnits } from '../../../ui/units/index.ts';
import { DoneBy } from './DoneBy.tsx';
import { StepWords } from './StepWords.tsx';

interface Props {
  steps: WorkStep[];
  /** The step that is next to be done. */
  present: number;
  /** The step that is looked at in its place; null: none. */
  looked: number | null;
  done: Record<string, boolean>;
  onLook: (at: number | null) => void;
}

/** Where the card stands, above its one step on a phone; and another step that is looked at, with nothing to press in it. */
export function OnPhone({
  steps,
  present,
  looked,
  done,
  left,
  timeZone,
  own,
}: Omit<Props, 'onLook'> & { left: Minutes; timeZone: string; own: OwnStepMinutes | undefined }) {
  const at = looked ?? present;
  const step = looked === null ? null : steps[looked];
  return (
    <div className="lg:hidden print:hidden">
      <p className="flex items-baseline justify-between gap-2 text-soft" aria-live="polite">
        <span>
          Step <b className="text-ink">{at + 1}</b> of {steps.length}
        </span>
        {!step && left.usual > 0 && (
          <span>
            about {left.usual} min left
            <DoneBy left={{ ...left, slow: left.usual }} timeZone={timeZone} />
          </span>
        )}
        {step && (done[step.id] ? <b className="text-ink">✓ done</b> : <span>not its turn yet</span>)}
      </p>
      {step && (
        <section aria-label={`Looked at: step ${at + 1}`}>
          <h3 className="mt-1 text-2xl leading-tight">
            <InUnits said={withQuantities(step.title)} />
          </h3>
          <StepWords step={step} own={own} />
        </section>
      )}
    </div>
  );
}

/** Back and on along the card by thumb, at the foot of a phone's screen; the arrow keys do the same. */
export function AlongCard({ steps, present, looked, onLook }: Props) {
  const at = looked ?? present;
  const show = (next: number) => onLook(next === present ? null : next);
  useKeys({ ArrowLeft: at > 0 ? () => show(at - 1) : null, ArrowRight: at < steps.length - 1 ? () => show(at + 1) : null });
  return (
    <nav
      aria-label="Along the card"
      className="sticky bottom-16 z-10 mt-4 grid grid-cols-[1fr_1.2fr_1fr] gap-2 border-t border-rule bg-paper py-2 lg:hidden print:hidden"
    >
      <button type="button" className="key key-glove justify-center gap-1 px-1 whitespace-nowrap" disabled={at === 0} onClick={() => show(at - 1)}>
        ← Back
      </button>
      <button
        type="button"
        className="key key-glove justify-center gap-1 px-1 whitespace-nowrap"
        disabled={looked === null}
        onClick={() => onLook(null)}
      >
        Now: {present + 1}
      </button>
      <button
        type="button"
        className="key key-glove justify-center gap-1 px-1 whitespace-nowrap"
        disabled={at === steps.length - 1}
        onClick={() => show(at + 1)}
      >
        On →
      </button>
    </nav>
  );
}
