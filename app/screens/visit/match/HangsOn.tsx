import { useEffect, useRef } from 'react';
import type { hangsOn, OpenFact } from '../../../../core/index.ts';
import { InUnits } from '../../../ui/units/index.ts';

const QUESTIONS: Record<OpenFact, { asks: string; yes: string; no: string }> = {
  hidden: { asks: 'Will its joints be closed in for good?', yes: 'Closed in', no: 'They stay in sight' },
  osmosis: { asks: 'Does its water come from a reverse-osmosis unit?', yes: 'After reverse osmosis', no: 'No' },
};

interface Props {
  open: ReturnType<typeof hangsOn>[number];
  onSaid: (fact: OpenFact, isSo: boolean) => void;
  onLeave: () => void;
}

/** What nobody has said yet and the chain hangs on: asked once, before it is taken. */
export default function HangsOn({ open: { fact, because }, onSaid, onLeave }: Props) {
  const here = useRef<HTMLElement>(null);
  useEffect(() => here.current?.focus(), []);
  const { asks, yes, no } = QUESTIONS[fact];
  return (
    <section ref={here} tabIndex={-1} role="alertdialog" aria-label={asks} className="my-3 border-2 border-ink bg-sheet p-4">
      <h3 className="text-xl">{asks}</h3>
      <p className="mt-1">
        If so, this chain will not do: {because[0] && <InUnits said={because[0]} />}
        {because.length > 1 && ` And ${because.length - 1} more.`}
      </p>
      <div className="mt-2 flex flex-wrap gap-3">
        <button type="button" className="key key-main" onClick={() => onSaid(fact, false)}>
          {no}
        </button>
        <button type="button" className="key" onClick={() => onSaid(fact, true)}>
          {yes}
        </button>
        <button type="button" className="key" onClick={onLeave}>
          Not known: look first
        </button>
      </div>
    </section>
  );
}
