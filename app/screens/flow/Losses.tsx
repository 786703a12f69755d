import { type LinePiece, type OperatingPoint, pressure, quantityWords, speed, type Units } from '../../../core/index.ts';
import { RankBar } from '../../ui/chains/index.ts';

/** Where the pressure goes, the dearest first; what is less than a hundredth of all stands together. */
export function Losses({ pieces, point, units }: { pieces: LinePiece[]; point: OperatingPoint; units: Units }) {
  const rows = point.losses.map((l) => ({ ...l, name: pieces[l.piece]!.name, ftS: point.speedFtS[l.piece]! }));
  const all = point.supplyPsi - Math.min(point.supplyPsi, point.inletPsi);
  const most = Math.max(...rows.map((r) => r.psi), point.risePsi, 1e-9);
  const ranked = [...rows].sort((a, b) => b.psi - a.psi);
  const shown = ranked.filter((r) => r.psi >= all / 100);
  const rest = ranked.filter((r) => r.psi < all / 100);
  return (
    <section aria-label="Where the pressure goes">
      <h2>Where the pressure goes</h2>
      <ol className="grid gap-2">
        {shown.map((r) => (
          <li key={r.piece} className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-3">
            <span className="min-w-0">
              <span className="code">{r.piece + 1}</span> {r.name} <span className="text-soft">{quantityWords(speed(r.ftS), units)}</span>
            </span>
            <b className="font-mono">{quantityWords(pressure(r.psi), units)}</b>
            <RankBar part={r.psi / most} />
          </li>
        ))}
        {Math.abs(point.risePsi) > 0.05 && (
          <li className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-3">
            <span>{point.risePsi > 0 ? 'height' : 'height gives'}</span>
            <b className="font-mono">{quantityWords(pressure(Math.abs(point.risePsi)), units)}</b>
            {point.risePsi > 0 && <RankBar part={point.risePsi / most} />}
          </li>
        )}
      </ol>
      {rest.length > 0 && <p className="mt-2 text-soft">The other {rest.length === 1 ? 'piece costs' : `${rest.length} cost`} next to nothing.</p>}
    </section>
  );
}
