import type { RunRow } from '../../../record/index.ts';
import { partsAsAccepted, type RunState } from '../../../record/index.ts';
import { DrainLine, type DrainMark, type JointMark, Line } from '../../ui/drawn/index.ts';
import type { ClientCatalogue } from '../../ui/held/index.ts';

/** The run's line, as its chain was accepted; the two ends while there is none. */
export function TheLine({
  run,
  state,
  catalogue,
  ringed,
}: {
  run: RunRow;
  state: RunState;
  catalogue: Pick<ClientCatalogue, 'parts'>;
  ringed: number | null;
}) {
  const { accepted } = state;
  const marks: JointMark[] | undefined =
    accepted === null
      ? undefined
      : state.joints.map((j) => ({
          n: j.n,
          state: j.proven ? 'proven' : j.made ? 'made' : 'not made',
          finding: j.finding,
          note: j.finding ?? '',
        }));
  const [from, to] = accepted ? [accepted.from, accepted.to] : [state.from?.end ?? null, state.to?.end ?? null];
  const said = marks ? `The line of ${run.name}: ${marks.map((m) => `J${m.n} ${m.finding ?? m.state}`).join(', ')}` : `The two ends of ${run.name}`;
  const drains = state.checkPoints.flatMap((c): DrainMark[] =>
    c.drain
      ? [
          {
            on: c.drain.on,
            what: c.drain.what,
            name: c.drain.name,
            state: c.proven ? 'proven' : c.drain.isMade ? 'made' : 'not made',
            finding: c.finding,
          },
        ]
      : [],
  );
  const parts = accepted ? partsAsAccepted(accepted, catalogue.parts) : [];
  return (
    <div className="border-ink bg-sheet max-lg:sticky max-lg:top-0 max-lg:self-start max-lg:py-2 print:static lg:border-b lg:px-2 lg:pt-2">
      {(from ?? to) ? (
        <Line {...{ from, to, ringed, marks, parts }} chain={accepted?.chain ?? null} water={run.water} title={said} />
      ) : (
        <p className="px-2 py-3 text-soft lg:px-4">Neither end is looked at yet: the line is drawn here as it becomes known.</p>
      )}
      {drains.length > 0 && (
        <div className="max-lg:hidden">
          <DrainLine marks={drains} title={`The drain of ${run.name}: ${drains.map((d) => `${d.on} ${d.finding ?? d.state}`).join(', ')}`} />
        </div>
      )}
    </div>
  );
}
