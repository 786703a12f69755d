import { type RefObject, useState } from 'react';
import { localToday } from '../../../sync/run.ts';
import { type FoundPremises, usePremisesSearch } from '../../ui/held/index.ts';
import { dayWords } from '../../ui/words.ts';
import { Finder } from './Finder.tsx';

type Choice = FoundPremises | { id: 'new'; name: string };

interface Props {
  onKnown: (id: string) => void;
  onNew: (name: string) => void;
  field: RefObject<HTMLInputElement | null>;
}

/** Whom it is for: found by name, address, telephone, place or appliance; or new, with nothing but a name. */
export function Who({ onKnown, onNew, field }: Props) {
  const [typed, setTyped] = useState('');
  const { found } = usePremisesSearch(typed);
  const name = typed.trim();
  const items: Choice[] = [...found, ...(name ? [{ id: 'new' as const, name }] : [])];
  return (
    <Finder<Choice>
      label="Who"
      placeholder="Name, street, telephone, room or appliance"
      typed={typed}
      onType={setTyped}
      items={items}
      keyOf={(item) => item.id}
      textOf={(item) => item.name}
      field={field}
      onTake={(item) => {
        setTyped('');
        if (item.id === 'new') onNew(item.name);
        else onKnown(item.id);
      }}
      row={(item) =>
        'lastVisit' in item ? (
          <>
            <b>{item.name}</b>
            {item.by && <span> · {item.by}</span>}
            <span className="block text-soft">
              {[
                item.address,
                item.lastVisit ? `last here ${dayWords(item.lastVisit, localToday())}` : 'never visited',
                item.openFollowUps > 0 && `${item.openFollowUps} to follow up`,
              ]
                .filter(Boolean)
                .join(' · ')}
            </span>
          </>
        ) : (
          <>
            New: <b>{item.name}</b>
          </>
        )
      }
    />
  );
}
