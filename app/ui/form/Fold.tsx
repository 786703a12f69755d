import { type ReactNode, useState } from 'react';

interface Props {
  title: string;
  /** What is known of it, in few words; null while it is asked for, '' where it may be left out. */
  known: string | null;
  /** Open at first where it folds. */
  isAsked: boolean;
  /** It folds on a table too: what may be left out. */
  isBeside?: boolean;
  children: ReactNode;
}

/** A part of a form. On a phone it folds to its title and what is known of it; on a table there is room for all that is asked. */
export function Fold({ title, known, isAsked, isBeside = false, children }: Props) {
  // It opens and shuts by a press alone: nothing moves under a thumb.
  const [isOpen, setOpen] = useState(isAsked);
  // What may be left out costs nothing until it is wanted; what was typed there stays when it is shut.
  const [wasOpened, setOpened] = useState(isAsked);
  return (
    <section className="grid content-start gap-3" aria-label={title}>
      <h2 className={isBeside ? 'hidden print:block' : 'max-lg:hidden print:block'}>{title}</h2>
      <h2 className={`print:hidden ${isBeside ? '' : 'lg:hidden'}`}>
        <button
          type="button"
          className="flex min-h-14 w-full cursor-pointer items-center justify-between gap-3 border-b border-ink text-left"
          aria-expanded={isOpen}
          onClick={() => {
            setOpen(!isOpen);
            setOpened(true);
          }}
        >
          <span>
            <span className="font-head text-xl font-semibold">{title}</span>
            {known !== '' && (
              <span className="block font-text text-base leading-normal font-normal">{known === null ? <b>asked</b> : `✓ ${known}`}</span>
            )}
          </span>
          <span aria-hidden="true" className="text-xl">
            {isOpen ? '−' : '+'}
          </span>
        </button>
      </h2>
      <div className={`grid-cols-[minmax(0,1fr)] content-start gap-3 print:grid ${isBeside ? '' : 'lg:grid'} ${isOpen ? 'grid' : 'hidden'}`}>
        {(!isBeside || wasOpened) && children}
      </div>
    </section>
  );
}
