import { useState } from 'react';
import type { PremisesBook } from '../../../record/index.ts';
import { type ApplianceRow, type DraftItem, itemOf, newItem, plainName, worksOf } from './new-work.ts';

interface Props {
  /** null for new premises. */
  book: PremisesBook | null;
  appliances: ApplianceRow[];
  onPicked: (item: DraftItem) => void;
}

/** An appliance, then what is to be done to it: two presses, names can come later. */
export function PickWork({ book, appliances, onPicked }: Props) {
  const [item, setItem] = useState<DraftItem | null>(null);
  const standing = (book?.appliances ?? []).filter((a) => a.retired === null);
  const roomOf = (id: string) => book?.places.find((p) => p.id === id)?.name ?? '';
  if (item) {
    return (
      <section aria-label="Work">
        <h2>
          {item.name}: what is wanted? <span className="font-text text-base font-normal text-soft">{item.room}</span>
        </h2>
        <div className="mt-2 flex flex-wrap gap-2">
          {worksOf(item.kind).map(([work, name]) => (
            <button key={work} type="button" className="key" onClick={() => onPicked({ ...item, work })}>
              {name}
            </button>
          ))}
          <button type="button" className="key" onClick={() => setItem(null)}>
            Another appliance
          </button>
        </div>
      </section>
    );
  }
  return (
    <section aria-label="Appliance">
      {standing.length > 0 && (
        <>
          <h2>What stands there</h2>
          <div className="mt-2 flex flex-wrap gap-2">
            {standing.map((a) => (
              <button key={a.id} type="button" className="key" onClick={() => setItem(itemOf(a, roomOf(a.placeId)))}>
                {a.name} <span className="font-text text-base font-normal text-soft">{roomOf(a.placeId)}</span>
              </button>
            ))}
          </div>
        </>
      )}
      <h2 className="mt-4">{standing.length > 0 ? 'Another' : 'What is it?'}</h2>
      <div className="mt-2 flex flex-wrap gap-2">
        {appliances.map((a) => (
          <button key={a.id} type="button" className="key" onClick={() => setItem(newItem(a, book))}>
            {plainName(a.name)}
          </button>
        ))}
      </div>
    </section>
  );
}
