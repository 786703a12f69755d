import { useState } from 'react';
import { newId, say, saying } from '../../ui/book/index.ts';
import { Choices } from '../../ui/form/index.ts';

/** Writes down a shelf or a van. */
export function NewPlace({ kind: usual, onMade }: { kind: 'shelf' | 'van'; onMade: (id: string) => void }) {
  const [kind, setKind] = useState(usual);
  const [name, setName] = useState('');
  const make = async () => {
    const called = name.trim() || (kind === 'van' ? 'Van' : 'Shelf');
    const id = newId();
    if (await say([saying('stock', id, 'place-made', { name: called, kind })], `${called} written down`)) onMade(id);
  };
  return (
    <form
      className="mt-3 grid max-w-140 gap-3 border border-ink bg-sheet p-4"
      onSubmit={(e) => {
        e.preventDefault();
        make();
      }}
    >
      <Choices
        legend="Which"
        options={[
          ['van', 'A van'],
          ['shelf', 'A shelf'],
        ]}
        value={kind}
        onChange={setKind}
      />
      <label className="grid gap-1">
        <span className="label">Called</span>
        <input
          className="field"
          maxLength={200}
          value={name}
          placeholder={kind === 'van' ? 'Van' : 'Workshop shelf'}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <button type="submit" className="key key-main justify-self-start">
        Write it down
      </button>
    </form>
  );
}
