import { useMemo, useState } from 'react';
import { matchChains, readEnd } from '../../core/index.ts';
import { Chains, Refused } from '../ui/Chains.tsx';
import { useCatalogue } from '../ui/catalogue.ts';
import { EndPicker } from '../ui/EndPicker.tsx';

/** 'from 3/8 comp m to 7/8 bc' into two ends; the first reading of each, shown so that another can be chosen. */
export function readQuestion(text: string): { from: string | null; to: string | null } {
  const parts = text.replace(/^\s*from\s+/i, '').split(/\s+to\s+|\s*(?:->|→|>)\s*/i);
  const first = (t: string | undefined) => (t ? (readEnd(t)[0]?.end ?? null) : null);
  return { from: first(parts[0]), to: first(parts[1]) };
}

interface State {
  from: string | null;
  to: string | null;
  water: 'cold' | 'hot';
  length: string;
  stop: boolean;
  arrestor: boolean;
  vanOnly: boolean;
}

export default function QuickMatch({ question }: { question: string }) {
  const catalogue = useCatalogue();
  const [state, setState] = useState<State>(() => ({
    ...readQuestion(question),
    water: 'cold',
    length: '',
    stop: false,
    arrestor: false,
    vanOnly: false,
  }));
  const set = (change: Partial<State>) => setState((s) => ({ ...s, ...change }));
  const inches = state.length.trim() === '' ? undefined : Number(state.length);
  const badLength = inches !== undefined && !(inches > 0 && inches <= 12_000);
  const result = useMemo(() => {
    if (!catalogue || !state.from || !state.to || badLength) return null;
    const parts = state.vanOnly ? catalogue.parts.filter((p) => (catalogue.stock[p.id] ?? 0) > 0) : catalogue.parts;
    return matchChains({
      from: state.from,
      to: state.to,
      parts,
      loose: catalogue.loose,
      rules: catalogue.rules,
      stock: catalogue.stock,
      need: { water: state.water, minLengthIn: inches, stop: state.stop, arrestor: state.arrestor },
    });
  }, [catalogue, state, inches, badLength]);
  const names = useMemo(() => namesOf(catalogue), [catalogue]);
  const swap = () => set({ from: state.to, to: state.from });
  return (
    <div>
      <h1>Quick match</h1>
      <div className="mt-3 grid items-start gap-4 lg:grid-cols-[1fr_auto_1fr_20rem]">
        <EndPicker key={`from ${state.from === null}`} id="from" label="From, water side" value={state.from} onChange={(from) => set({ from })} />
        <button type="button" className="key mt-7" onClick={swap} aria-label="Swap the two ends">
          ⇄
        </button>
        <EndPicker key={`to ${state.to === null}`} id="to" label="To, appliance side" value={state.to} onChange={(to) => set({ to })} />
        <fieldset className="grid grid-cols-2 gap-x-4 gap-y-1 border-l border-rule pl-4">
          <legend className="label">It must</legend>
          <label className="flex min-h-10 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={state.water === 'hot'}
              onChange={(e) => set({ water: e.target.checked ? 'hot' : 'cold' })}
            />{' '}
            carry hot water
          </label>
          <label className="flex min-h-10 items-center gap-2">
            <input type="checkbox" className="size-5" checked={state.stop} onChange={(e) => set({ stop: e.target.checked })} /> have its own stop
          </label>
          <label className="flex min-h-10 items-center gap-2">
            <input type="checkbox" className="size-5" checked={state.arrestor} onChange={(e) => set({ arrestor: e.target.checked })} /> have an
            arrestor
          </label>
          <label className="flex min-h-10 items-center gap-2">
            <input type="checkbox" className="size-5" checked={state.vanOnly} onChange={(e) => set({ vanOnly: e.target.checked })} /> come off the van
          </label>
          <label className="col-span-2 flex items-center gap-2">
            reach at least{' '}
            <input
              className="field max-w-24"
              inputMode="decimal"
              value={state.length}
              onChange={(e) => set({ length: e.target.value })}
              aria-invalid={badLength}
            />{' '}
            in
          </label>
          {badLength && <p className="col-span-2">Give a length of more than 0 in, or nothing.</p>}
        </fieldset>
      </div>
      <section className="mt-4 border-t border-ink pt-2" aria-live="polite" aria-label="Answer">
        <h2 className="sr-only">Chains</h2>
        {!catalogue && <p>Reading the parts ...</p>}
        {catalogue && !result && !badLength && <p className="text-soft">Name both ends, and the chains that join them appear here.</p>}
        {result && state.from && state.to && (
          <>
            {result.unreachable?.map((r) => (
              <p key={r.rule} className="caution text-lg">
                {r.text}
              </p>
            ))}
            <Chains result={result} from={state.from} to={state.to} water={state.water} parts={catalogue!.parts} names={names} />
            <Refused result={result} names={names} />
          </>
        )}
      </section>
    </div>
  );
}

export function namesOf(
  catalogue: { parts: { id: string; name: string }[]; loose: { code: string; name: string }[] } | null,
): Record<string, string> {
  if (!catalogue) return {};
  return Object.fromEntries([...catalogue.parts.map((p) => [p.id, p.name]), ...catalogue.loose.map((l) => [l.code, l.name])]);
}
