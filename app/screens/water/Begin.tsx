import { knownThings, type PremisesBook, type TriedStop, type WaterThing } from '../../../record/index.ts';
import { begun } from './draw.ts';
import { TakeFile } from './TakeFile.tsx';

interface Props {
  book: PremisesBook;
  tried: TriedStop[];
  mixing: readonly string[];
  onDraw: (things: WaterThing[], at: string) => void;
}

/** Nobody has drawn the water of this premises yet: three ways to begin, each with one press. */
export function Begin({ book, tried, mixing, onDraw }: Props) {
  const { premises } = book;
  const runs = book.runs.filter((r) => r.retired === null);
  const known = () => {
    const last = new Map([...tried].sort((a, b) => a.atMs - b.atMs).map((t) => [t.runId, t]));
    const applianceOf = (id: string) => book.appliances.find((a) => a.id === id);
    return knownThings(
      runs.map((r) => {
        const appliance = applianceOf(r.applianceId);
        const stop = last.get(r.id);
        return {
          id: r.id,
          name: r.name,
          water: r.water,
          stop: stop ? { kind: stop.kind, condition: stop.condition } : null,
          mixesAt: appliance && mixing.includes(appliance.kind) ? appliance.id : null,
        };
      }),
    );
  };
  return (
    <div className="max-w-180 px-4 py-3 lg:px-5">
      <h1>
        Water of <a href={`/premises/${premises.id}`}>{premises.name}</a>
      </h1>
      <p className="mt-2 text-lg">
        Nobody has drawn it yet. Begin at the source and follow the pipe, or with what the book knows; what is met on site is added in two presses.
      </p>
      <div className="mt-4 flex flex-wrap gap-3">
        {runs.length > 0 && (
          <button type="button" className="key key-main min-h-14" onClick={() => onDraw(known(), 'trunk')}>
            Begin with the {runs.length} {runs.length === 1 ? 'run' : 'runs'} of the book
          </button>
        )}
        {(['street', 'well'] as const).map((source) => (
          <button
            key={source}
            type="button"
            className="key min-h-14"
            onClick={() => {
              const { things, at } = begun(source);
              onDraw(things, at);
            }}
          >
            {source === 'street' ? 'Begin at the street’s main' : 'Begin at a well'}
          </button>
        ))}
      </div>
      <div className="mt-4">
        <TakeFile premisesId={premises.id} />
      </div>
    </div>
  );
}
