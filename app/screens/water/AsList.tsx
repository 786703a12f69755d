import type { IsolationPlan, NetFault, NetPlace, WaterNetwork } from '../../../core/index.ts';
import { useUnits } from '../../ui/units/index.ts';
import { conditionWords, heightWords } from '../../ui/water-words.ts';

interface Props {
  net: WaterNetwork;
  plan: IsolationPlan | null;
  struckOut: readonly string[];
  wet: ReadonlySet<string>;
  nameOf: (id: string) => string;
  onSelect: (id: string) => void;
}

/** Everything that is drawn, in words: levels from the top, what stands on each, every valve between what it parts. */
export function AsList({ net, plan, struckOut, wet, nameOf, onSelect }: Props) {
  const units = useUnits();
  const levels = [...new Set(net.places.filter((p) => p.kind !== 'junction').map((p) => p.heightFt))].sort((a, b) => b - a);
  const close = plan?.possible ? plan.close : [];
  const links = new Map<string, number>();
  for (const { a, b } of [...net.pipes, ...net.valves]) for (const end of [a, b]) links.set(end, (links.get(end) ?? 0) + 1);
  const partings = net.places.filter((p) => p.kind === 'junction' && links.get(p.id) !== 2);
  const row = (id: string, more: string) => (
    <li key={id}>
      <button
        type="button"
        className="flex min-h-12 w-full flex-wrap items-center gap-x-3 border-b border-faint text-left hover:bg-brass-light"
        onClick={() => onSelect(id)}
      >
        <b>{nameOf(id)}</b> <span className="text-soft">{more}</span>
      </button>
    </li>
  );
  const place = (p: NetPlace) => [p.kind === 'outlet' ? '' : p.kind, wet.has(p.id) ? 'has water' : 'dry'].filter(Boolean).join(', ');
  return (
    <div className="grid gap-6 md:grid-cols-2">
      <section aria-label="Valves">
        <h2 className="border-b border-ink">Valves</h2>
        <ul>
          {[...net.valves]
            .sort((a, b) => rank(a.id) - rank(b.id))
            .map((v) =>
              row(
                v.id,
                [
                  close.includes(v.id) ? `close, ${close.indexOf(v.id) + 1}` : '',
                  struckOut.includes(v.id) ? 'struck out' : '',
                  v.kind,
                  conditionWords(v.condition),
                ]
                  .filter(Boolean)
                  .join(', '),
              ),
            )}
        </ul>
      </section>
      <section aria-label="Places">
        {levels.map((ft) => (
          <div key={ft}>
            <h2 className="border-b border-ink">{heightWords(ft, units)}</h2>
            <ul>{net.places.filter((p) => p.heightFt === ft && p.kind !== 'junction').map((p) => row(p.id, place(p)))}</ul>
          </div>
        ))}
        {partings.length > 0 && (
          <details className="why mt-3">
            <summary>Where lines part or end: {partings.length}</summary>
            <ul>{partings.map((p) => row(p.id, `${heightWords(p.heightFt, units)}, ${wet.has(p.id) ? 'has water' : 'dry'}`))}</ul>
          </details>
        )}
      </section>
    </div>
  );
  function rank(id: string): number {
    const at = close.indexOf(id);
    return at >= 0 ? at : struckOut.includes(id) ? 1000 : 2000;
  }
}

/** What is missing in the drawing, each naming its place. */
export function Faults({ faults, onSelect }: { faults: NetFault[]; onSelect: (id: string) => void }) {
  if (faults.length === 0) return null;
  return (
    <details className="why">
      <summary>
        {faults.length} {faults.length === 1 ? 'thing' : 'things'} to look at in the drawing
      </summary>
      <ul>
        {faults.map((f) => (
          <li key={`${f.rule} ${f.at}`}>
            <button type="button" className="min-h-11 text-left underline" onClick={() => f.at && onSelect(f.at)}>
              {f.text}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
