import { type Reason, withQuantities } from '../../../core/index.ts';
import { InUnits } from './InUnits.tsx';

/** Reasons whose sentences hold figures with their units: they are said in the device's. */
export const inUnits = (because: readonly Reason[]): Reason[] => because.map((r) => ({ ...r, ...withQuantities(r.text) }));

/** Every verdict opens to its reasons: the sentence, and where it comes from. */
export function Reasons({ because, label = 'Why' }: { because: Reason[]; label?: string }) {
  if (because.length === 0) return null;
  return (
    <details className="why">
      <summary>{label}</summary>
      <ul className="mt-1 list-disc pl-5">
        {because.map((r, i) => (
          <li key={i}>
            <InUnits said={r} />{' '}
            {r.source && (
              <span className="text-sm text-soft">
                (<InUnits said={withQuantities(r.source)} />)
              </span>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
