import { type Effect, pressure, quantityWords, saidIn, type Units, withQuantities } from '../../../core/index.ts';
import { RankBar } from '../../ui/chains/index.ts';

/** What would soften it, the most first. */
export function Effects({ effects, peakPsi, units }: { effects: Effect[]; peakPsi: number; units: Units }) {
  const most = Math.max(peakPsi, ...effects.map((e) => e.peakPsi), 1);
  return (
    <section aria-label="What would soften it">
      <h2>What would soften it</h2>
      <ol className="grid gap-2">
        {effects.map((e) => (
          <li key={e.words} className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-3">
            <span className="min-w-0">{saidIn(withQuantities(e.words), units)}</span>
            <b className="text-right font-mono">
              {quantityWords(pressure(Math.round(e.peakPsi)), units)}
              {e.isUnderLimit ? '' : ' ▲'}
            </b>
            <RankBar part={e.peakPsi / most} isSoft={e.isUnderLimit} />
          </li>
        ))}
      </ol>
      <p className="mt-1 text-soft">Peak at the valve with that alone changed. ▲ still passes the limit.</p>
    </section>
  );
}
