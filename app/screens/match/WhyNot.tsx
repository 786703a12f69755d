import { useMemo, useState } from 'react';
import { type MatchQuery, whyNot } from '../../../core/index.ts';
import { InUnits } from '../../ui/units/index.ts';

/** Why not this? Parts named in a row, and what stands against them. */
export default function WhyNot({ query, names }: { query: MatchQuery; names: Record<string, string> }) {
  const [ids, setIds] = useState<string[]>([]);
  const [typed, setTyped] = useState('');
  const parts = useMemo(() => (Array.isArray(query.parts) ? query.parts : query.parts.parts), [query.parts]);
  const found = useMemo(() => {
    const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
    if (words.length === 0) return [];
    return parts.filter((p) => words.every((w) => `${p.id} ${p.name}`.toLowerCase().includes(w))).slice(0, 8);
  }, [typed, parts]);
  const because = useMemo(() => (ids.length > 0 ? whyNot(query, ids) : null), [query, ids]);
  return (
    <div className="mt-2 grid gap-4 md:grid-cols-2">
      <div>
        <label className="grid gap-1">
          <span className="label">Part, by words of its name; water side first</span>
          <input className="field" maxLength={80} value={typed} placeholder="fip elbow" onChange={(e) => setTyped(e.target.value)} />
        </label>
        <ul>
          {found.map((p) => (
            <li key={p.id}>
              <button
                type="button"
                className="min-h-10 w-full cursor-pointer px-2 text-left hover:bg-brass-light"
                onClick={() => {
                  setIds([...ids, p.id]);
                  setTyped('');
                }}
              >
                {p.name}
              </button>
            </li>
          ))}
        </ul>
        <ol className="list-decimal pl-6">
          {ids.map((id, i) => (
            <li key={id + i}>
              {names[id] ?? id}{' '}
              <button type="button" className="min-h-8 cursor-pointer underline" onClick={() => setIds(ids.filter((_, n) => n !== i))}>
                take out
              </button>
            </li>
          ))}
        </ol>
      </div>
      <div aria-live="polite">
        {because && because.length === 0 && (
          <p className="text-lg">Nothing against it: it is a chain. If it is not above, it costs more than those.</p>
        )}
        {because?.map((r, i) => (
          <p key={i} className={i === 0 ? 'caution text-lg' : 'mt-1'}>
            <InUnits said={r} />
          </p>
        ))}
      </div>
    </div>
  );
}
