import { flow, type Help, pressure, quantityWords, type Units } from '../../../core/index.ts';

/** What more water would cost in pipe, the change that brings most first. */
export function Helps({ helps, units }: { helps: Help[]; units: Units }) {
  return (
    <section aria-label="What would help">
      <h2>What would bring more</h2>
      {helps.length === 0 ? (
        <p>No tube of the next size, shorter line or better stop brings anything worth it: the valve itself, or the supply, is what holds it.</p>
      ) : (
        <ol className="grid gap-2">
          {helps.slice(0, 6).map((h) => (
            <li key={`${h.change} ${h.piece}`} className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-3 border-t border-rule pt-1">
              <span className="min-w-0">{h.words}</span>
              <b className="text-right font-mono">+{quantityWords(flow(h.gainGpm), units)}</b>
              <span className="col-span-2 text-soft">
                {quantityWords(flow(h.gpm), units)} at {quantityWords(pressure(h.inletPsi), units)}
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
