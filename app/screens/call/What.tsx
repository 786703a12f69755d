import { type ReactNode, type RefObject, useState } from 'react';
import { type OwnWords, type QuestionRead, readQuestion } from '../../../core/index.ts';
import type { PremisesBook } from '../../../record/index.ts';
import { type ApplianceRow, type DraftItem, itemOf, newItem, plainName } from '../../ui/book/index.ts';
import { Finder } from './Finder.tsx';

type Choice = { key: string; name: string; more: string; make: () => DraftItem };

interface Props {
  book: PremisesBook | null;
  appliances: ApplianceRow[];
  /** The shop's own words. */
  words: OwnWords;
  items: DraftItem[];
  onToggle: (item: DraftItem) => void;
  onNext: () => void;
  field: RefObject<HTMLInputElement | null>;
  /** What was chosen, between the field and the rooms. */
  children: ReactNode;
}

/** What it is about: what stands there, room by room, as keys; and a field that finds among it and adds what is new. */
export function What({ book, appliances, words: own, items, onToggle, onNext, field, children }: Props) {
  const [typed, setTyped] = useState('');
  const standing = (book?.appliances ?? []).filter((a) => a.retired === null);
  const roomOf = (placeId: string) => book?.places.find((p) => p.id === placeId)?.name ?? '';
  const words = typed.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const read = words.length > 1 ? readQuestion(typed, { words: own }) : null;
  const isSaid = (kind: string) => read?.to[0]?.appliance === kind;
  const asSaid = (item: DraftItem) => (read && isSaid(item.kind) ? { ...item, ...workSaid(read, typed) } : item);
  const fits = (text: string) => words.every((w) => text.toLowerCase().includes(w));
  const choices: Choice[] = [
    ...standing
      .filter((a) => isSaid(a.kind) || fits(`${a.name} ${a.kind.replaceAll('-', ' ')} ${roomOf(a.placeId)}`))
      .map((a) => ({ key: a.id, name: a.name, more: roomOf(a.placeId), make: () => asSaid(itemOf(a, roomOf(a.placeId))) })),
    ...appliances
      .filter((a) => isSaid(a.id) || fits(`${a.name} ${a.id.replaceAll('-', ' ')}`))
      .map((a) => ({ key: `new ${a.id}`, name: `New: ${plainName(a.name).toLowerCase()}`, more: '', make: () => asSaid(newItem(a, book)) })),
  ]
    // What begins with what is typed stands before what only has it inside.
    .sort((a, b) => begins(a, words) - begins(b, words))
    .slice(0, 9);
  const isOn = (id: string) => items.some((i) => i.applianceId === id);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <Finder<Choice>
        label="What"
        placeholder={standing.length > 0 ? 'Find what stands there, or add: toilet, brewer' : 'toilet, dishwasher, brewer'}
        typed={typed}
        onType={setTyped}
        items={choices}
        keyOf={(c) => c.key}
        textOf={(c) => c.name}
        field={field}
        onNothing={onNext}
        onTake={(c) => {
          setTyped('');
          onToggle(c.make());
        }}
        row={(c) => (
          <>
            <b>{c.name}</b>
            {c.more && <span className="text-soft"> · {c.more}</span>}
          </>
        )}
      />
      {children}
      {standing.length > 0 && (
        <ul className="flex flex-wrap border-t border-l border-ink" aria-label="What stands there">
          {(book?.places ?? []).map((place) => {
            const here = standing.filter((a) => a.placeId === place.id);
            if (here.length === 0) return null;
            return (
              <li key={place.id} className="min-w-40 flex-1 border-r border-b border-ink bg-sheet">
                <span className="block px-3 pt-2 text-soft">{place.name}</span>
                {here.map((a) => (
                  <button
                    key={a.id}
                    type="button"
                    aria-pressed={isOn(a.id)}
                    className={`block min-h-12 w-full cursor-pointer px-3 text-left font-head text-xl font-semibold ${isOn(a.id) ? 'border-b-4 border-brass-deep bg-brass-light' : 'hover:bg-brass-light'}`}
                    onClick={() => onToggle(itemOf(a, place.name))}
                  >
                    {a.name}
                  </button>
                ))}
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}

/** What a sentence says of the work: a leak is found first; its ends are kept as they were said. */
const workSaid = ({ kind, from }: QuestionRead, typed: string): Partial<DraftItem> =>
  kind === 'leaks' ? { work: 'leak-find' } : from.length > 0 ? { said: typed.trim() } : {};

const begins = ({ name, more }: Choice, words: string[]): number => {
  const starts = `${name} ${more}`.toLowerCase().split(/[\s-]+/);
  return words.every((w) => starts.some((s) => s.startsWith(w))) ? 0 : 1;
};
