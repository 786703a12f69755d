import { memo, useCallback, useState, useSyncExternalStore } from 'react';
import { EndPicker } from '../../ui/ends/index.ts';
import { AnswerBar } from '../../ui/form/index.ts';
import { Demands } from './Demands.tsx';
import { EndDrawing } from './EndDrawing.tsx';
import type { Question } from './question.ts';

interface Props {
  q: Question;
  set: (change: Partial<Question>) => void;
  /** What the usual appliance asks, in. */
  bore: number | null;
  badLength: boolean;
  badPsi: boolean;
  /** The question as an address asks it, for the way back from the gauge. */
  address: string;
  /** The best chain in a line; null while there is none. */
  best: string | null;
}

const WIDE = '(min-width: 64rem)';
const onWidth = (told: () => void) => {
  const query = matchMedia(WIDE);
  query.addEventListener('change', told);
  return () => query.removeEventListener('change', told);
};

/** Is there room for it beside the answer? The server takes it so. */
const useIsWide = (): boolean =>
  useSyncExternalStore(
    onWidth,
    () => matchMedia(WIDE).matches,
    () => true,
  );

/** The question, one by one: both ends and what the chain must do. On a phone it is folded away below the answer. */
export const Form = memo(function Form({ q, set, bore, badLength, badPsi, address, best }: Props) {
  const [isOpen, setOpen] = useState(false);
  // Folded away it is not painted with every key either.
  const isThere = useIsWide() || isOpen;
  const setFrom = useCallback((from: string | null) => set({ from }), [set]);
  const setTo = useCallback((to: string | null) => set({ to }), [set]);
  return (
    <aside aria-label="Ends and demands" className="mt-4 lg:mt-0 print:hidden">
      <button type="button" className="key lg:hidden" aria-expanded={isOpen} aria-controls="form" onClick={() => setOpen(!isOpen)}>
        {isOpen ? 'Hide the form' : 'Ends and demands, one by one'}
      </button>
      <div id="form" className={`gap-2 lg:grid ${isOpen ? 'grid' : 'hidden'}`}>
        {isThere && (
          <>
            <EndPicker id="from" label="From, water side" value={q.from} onChange={setFrom} />
            <EndDrawing code={q.from} side="from" asked={address} />
            <button type="button" className="key justify-self-start" onClick={() => set({ from: q.to, to: q.from })}>
              ⇅ Swap the two ends
            </button>
            <EndPicker id="to" label="To, appliance side" value={q.to} onChange={setTo} />
            <EndDrawing code={q.to} side="to" asked={address} />
            <Demands {...{ q, set, bore, badLength, badPsi }} />
            {best && (
              <AnswerBar to="answer" isAbove>
                {best}
              </AnswerBar>
            )}
          </>
        )}
      </div>
    </aside>
  );
});
