import type { Needed } from './needed.ts';

/** What several runs take together, by item, with the names of the runs that take it. */
export function neededTogether(
  runs: { name: string; summary: { needs: Record<string, Needed> } }[],
): (Needed & { item: string; forRuns: string[] })[] {
  const out = new Map<string, Needed & { item: string; forRuns: string[] }>();
  for (const run of runs) {
    for (const [item, needed] of Object.entries(run.summary.needs)) {
      const row = out.get(item) ?? { ...needed, item, quantity: 0, forRuns: [] };
      out.set(item, { ...row, quantity: row.quantity + needed.quantity, forRuns: [...row.forRuns, run.name] });
    }
  }
  return [...out.values()];
}
