import type { FindingRow } from '../../../../core/index.ts';

interface Props {
  legend: string;
  rows: readonly FindingRow[];
  /** null: nobody looked yet. */
  seen: readonly string[] | null;
  onSeen: (ids: string[]) => void;
}

/** What may be seen on a thing, each ticked by itself; that nothing was found is said, too. */
export function Findings({ legend, rows, seen, onSeen }: Props) {
  return (
    <fieldset className="flex flex-wrap items-center gap-x-4">
      <legend className="label">{legend}</legend>
      {rows.map((f) => (
        <label key={f.id} className="flex min-h-12 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={seen?.includes(f.id) ?? false}
            onChange={(e) => onSeen(e.target.checked ? [...(seen ?? []), f.id] : (seen ?? []).filter((x) => x !== f.id))}
          />
          {f.name}
        </label>
      ))}
      {seen === null && (
        <button type="button" className="key" onClick={() => onSeen([])}>
          Nothing of it
        </button>
      )}
      {seen?.length === 0 && <span className="text-soft">✓ looked at: nothing of it</span>}
    </fieldset>
  );
}
