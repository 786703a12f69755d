import { useId } from 'react';
import { inTradeWords, type OwnWords } from '../../../core/index.ts';
import type { PremisesBook } from '../../../record/index.ts';
import { type DraftItem, toldIn, worksOf } from '../../ui/book/index.ts';

interface Props {
  item: DraftItem;
  /** The shop's own. */
  words: OwnWords;
  book: PremisesBook | null;
  onChange: (change: Partial<DraftItem>) => void;
  onRemove: () => void;
}

/** What is to be done to one appliance: kinds of work as keys, and what was said of its ends. */
export function Item({ item, words: own, book, onChange, onRemove }: Props) {
  const id = useId();
  const { words, unread } = toldIn(inTradeWords(item.said, own));
  return (
    <section className="border border-ink bg-sheet p-3" aria-label={item.name}>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        {item.applianceId ? (
          <h3 className="text-xl">
            {item.name} <span className="font-text text-base font-normal text-soft">{item.room}</span>
          </h3>
        ) : (
          <>
            <label className="grid">
              <span className="label">Called</span>
              <input className="field max-w-56" maxLength={200} value={item.name} onChange={(e) => onChange({ name: e.target.value })} />
            </label>
            <label className="grid">
              <span className="label">In</span>
              <input
                className="field max-w-44"
                maxLength={200}
                list={`${id}-rooms`}
                value={item.room}
                onChange={(e) => onChange({ room: e.target.value })}
              />
              <datalist id={`${id}-rooms`}>
                {book?.places.map((p) => (
                  <option key={p.id} value={p.name} />
                ))}
              </datalist>
            </label>
          </>
        )}
        <button type="button" className="key ml-auto" onClick={onRemove}>
          Leave out
        </button>
      </div>
      <fieldset className="mt-2 flex flex-wrap gap-2">
        <legend className="label">What is wanted</legend>
        {worksOf(item.kind).map(([work, name]) => (
          <label key={work} className="choice">
            <input type="radio" name={`${id}-work`} className="size-5" checked={item.work === work} onChange={() => onChange({ work })} /> {name}
          </label>
        ))}
      </fieldset>
      <label className="mt-2 grid gap-1">
        <span className="label">Said of its ends, asked again at Look</span>
        <input
          className="field field-name"
          placeholder="3/8 comp to plastic nut, 20 in"
          maxLength={300}
          spellCheck={false}
          value={item.said}
          onChange={(e) => onChange({ said: e.target.value })}
        />
      </label>
      {item.said.trim() !== '' && (
        <p className="mt-1" aria-live="polite">
          {words.length > 0 ? words.join(', ') : 'No end read from this yet.'}
          {unread.length > 0 && <span className="text-soft"> Not used: {unread.join(', ')}.</span>}
        </p>
      )}
    </section>
  );
}
