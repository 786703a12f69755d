import { parseEnd } from '../code.ts';
import { inletsTable } from './inlets.table.ts';

const threadsByAppliance = new Map<string, ReadonlySet<string>>(
  inletsTable.map((row) => [
    row.appliance,
    new Set(
      row.ends.flatMap((code) => {
        const end = parseEnd(code);
        return end.kind === 'thread' ? [end.thread.id] : [];
      }),
    ),
  ]),
);

/** Ids of the threads among an appliance's usual inlets; undefined for an appliance not in the table. */
export function inletThreads(appliance: string): ReadonlySet<string> | undefined {
  return threadsByAppliance.get(appliance);
}

export const knownAppliances: readonly string[] = inletsTable.map((row) => row.appliance);

const inletsByAppliance = new Map<string, readonly string[]>(inletsTable.map((row) => [row.appliance, row.ends]));

/** Usual inlets of an appliance, the most met first; none for one that is not in the table. */
export const usualInlets = (appliance: string): readonly string[] => inletsByAppliance.get(appliance) ?? [];

/** The water an appliance takes, where it is one alone: a dishwasher's is hot. Null for one that takes either, or is not in the table. */
export function onlyWater(appliance: string): 'cold' | 'hot' | null {
  const waters = inletsTable.find((row) => row.appliance === appliance)?.waters ?? [];
  return waters.length === 1 ? waters[0]! : null;
}

/** Whether it takes the one water or the other, and not both at once. */
export function takesEither(appliance: string): boolean {
  const row = inletsTable.find((r) => r.appliance === appliance);
  return row !== undefined && row.waters.length === 2 && !row.both;
}

/** Whether the catalogue has such a kind of appliance. */
export const isApplianceKind = (id: string): boolean => inletsTable.some((row) => row.appliance === id);
