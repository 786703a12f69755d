import { useMemo } from 'react';
import { flow, InputError, type LossRow, pressure, quantityWords, type Units } from '../../../core/index.ts';
import { together } from './at-once.ts';
import type { ApplianceFacts, ReadSetting } from './setting.ts';

interface Props {
  read: ReadSetting;
  appliances: ApplianceFacts[];
  losses: LossRow[];
  units: Units;
  onChange: (also: string) => void;
}

/** Several open at once on one pipe. */
export function Together({ read, appliances, losses, units, onChange }: Props) {
  const drawn = useMemo(() => {
    try {
      return read.also.length > 0 ? together({ read, appliances, losses }) : null;
    } catch (fault) {
      if (fault instanceof InputError) return null;
      throw fault;
    }
  }, [read, appliances, losses]);
  const ids = read.also.map((a) => a.id);
  const left = appliances.filter((a) => a.id !== read.appliance.id && !ids.includes(a.id));
  return (
    <section aria-label="Open at once" className={drawn ? undefined : 'print:hidden'}>
      <h2>Open at once on the same pipe</h2>
      {read.housePieces === 0 && <p className="text-soft">Say the house’s pipe first: it is what they share.</p>}
      {read.housePieces > 0 && (
        <label className="grid max-w-80 gap-1 print:hidden">
          <span className="label">And also</span>
          <select className="field" value="" onChange={(e) => onChange([...ids, e.target.value].join(','))}>
            <option value="">choose</option>
            {left.map((a) => (
              <option key={a.id} value={a.id}>
                {a.name}
              </option>
            ))}
          </select>
        </label>
      )}
      {drawn && (
        <table className="mt-2 w-full">
          <thead>
            <tr>
              <th>Open</th>
              <th>Together</th>
              <th>Alone</th>
              <th>
                <span className="sr-only">Shut it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {drawn.map((d, i) => (
              <tr key={d.name} className="border-t border-rule">
                <td className="py-1 pr-3">{d.name}</td>
                <td className="pr-3 font-mono">
                  <b>{quantityWords(flow(d.gpm), units)}</b>{' '}
                  <span className="whitespace-nowrap text-soft">{quantityWords(pressure(d.inletPsi), units)}</span>
                </td>
                <td className="pr-3 font-mono">{quantityWords(flow(d.aloneGpm), units)}</td>
                <td>
                  {i > 0 && (
                    <button
                      type="button"
                      className="min-h-12 cursor-pointer underline"
                      aria-label={`Shut ${d.name}`}
                      onClick={() => onChange(ids.filter((id) => id !== ids[i - 1]).join(','))}
                    >
                      Shut
                    </button>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
