import { useState } from 'react';
import type { AskedNeed } from '../../../../core/index.ts';
import type { RunNeed } from '../../../../record/index.ts';
import { fetched } from '../../../ui/form/index.ts';
import { InUnits } from '../../../ui/units/index.ts';
import type { StageProps } from '../stage-props.ts';

type Props = Pick<StageProps, 'run' | 'write' | 'state'> & { asked: RunNeed['asked'] };

const ChangeNeed = fetched('The change', () => import('./ChangeNeed.tsx'));

const FROM: Record<AskedNeed['from'], string> = { appliance: 'usual', look: 'seen here', 'house rule': 'house rule' };

/** What is asked of the chain, each with where it comes from; any can be changed for this run, with a reason that is kept. */
export function Asked({ asked, run, write, state }: Props) {
  const [open, setOpen] = useState<AskedNeed['id'] | null>(null);
  const chosen = state.signedOff ? undefined : asked.find((a) => a.id === open);
  return (
    <section className="mb-3" aria-label="Asked of the chain">
      <h2>Asked of the chain</h2>
      {state.signedOff && <p className="text-soft">As it was signed off; reopen the run on Log to ask otherwise.</p>}
      <p className="hidden print:block">{asked.flatMap((a) => (a.change?.to === null ? [] : [a.text])).join(', ')}</p>
      <ul className="mt-1 flex flex-wrap gap-2 print:hidden">
        {asked.map((a) => (
          <li key={a.id}>
            <button
              type="button"
              className="key min-h-12 px-3 py-1 text-left"
              aria-expanded={open === a.id}
              disabled={state.signedOff !== null}
              onClick={() => setOpen(open === a.id ? null : a.id)}
            >
              <span className={a.change?.to === null ? 'line-through' : ''}>
                <InUnits said={a} />
              </span>{' '}
              <span className="text-soft">{a.change ? (a.change.to === null ? 'left out' : 'changed') : FROM[a.from]}</span>
            </button>
          </li>
        ))}
      </ul>
      {chosen && <ChangeNeed key={chosen.id} {...{ run, write, state }} need={chosen} onDone={() => setOpen(null)} />}
    </section>
  );
}
