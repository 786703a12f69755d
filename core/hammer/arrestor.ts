/** Which arrestor a branch takes, by the table that plumbers go by. */
import { finite, InputError } from '../errors.ts';
import { type Reason, reason } from '../reason.ts';
import { coil, pressure, said } from '../units/index.ts';

export const ARRESTOR_SIZES = ['AA', 'A', 'B', 'C', 'D', 'E', 'F'] as const;
export type ArrestorSize = (typeof ARRESTOR_SIZES)[number];

/** The most fixture units of each size but AA, which is one appliance's. @source PDI WH-201 */
const MOST_UNITS: Record<Exclude<ArrestorSize, 'AA'>, number> = { A: 11, B: 32, C: 60, D: 113, E: 154, F: 330 };
/** Above it, flowing, the next size. */
const NEXT_SIZE_ABOVE_PSI = 65;
/** From here on a branch takes a second. */
const LONG_BRANCH_FT = 20;
const SOURCE = 'PDI WH-201';

export interface ArrestorChoice {
  size: ArrestorSize;
  count: number;
  because: Reason[];
}

/**
 * Size and number of arrestors for a branch.
 *
 * @param fixtureUnits    of what hangs on it, by the table's own weights for hot and cold; > 0 (1 and more unless one appliance)
 * @param flowPsi         flowing pressure, psi, >= 0
 * @param branchFt        of the branch, ft, >= 0
 * @param singleAppliance it serves one appliance alone: a small one at its valve
 * @throws InputError
 * @source PDI WH-201
 */
export function arrestorSize(fixtureUnits: number, flowPsi: number, branchFt: number, singleAppliance = false): ArrestorChoice {
  finite('fixtureUnits', fixtureUnits, { above: 0, atMost: 100_000 });
  finite('flowPsi', flowPsi, { atLeast: 0, atMost: 1000 });
  finite('branchFt', branchFt, { atLeast: 0, atMost: 10_000 });
  const because: Reason[] = [];
  let size: ArrestorSize;
  let count = 1;
  if (singleAppliance) {
    size = 'AA';
    because.push(reason('arrestor-single', said`One appliance alone takes the small one, within ${coil(72)} of its valve.`, { source: SOURCE }));
  } else {
    const most = MOST_UNITS.F;
    count = Math.ceil(fixtureUnits / most);
    const each = fixtureUnits / count;
    const found = (Object.keys(MOST_UNITS) as (keyof typeof MOST_UNITS)[]).find((s) => each <= MOST_UNITS[s]);
    if (!found) throw new InputError('fixtureUnits', fixtureUnits, 'Part the branch: no size takes so many.');
    size = found;
    const words =
      count === 1
        ? `${fixtureUnits} fixture units take size ${size}.`
        : `${fixtureUnits} fixture units are more than one takes: ${count} of size ${size}.`;
    because.push(
      reason('arrestor-units', words, { source: SOURCE, figures: { fixtureUnits, mostOfSize: MOST_UNITS[size as keyof typeof MOST_UNITS] } }),
    );
  }
  if (flowPsi > NEXT_SIZE_ABOVE_PSI) {
    const next = ARRESTOR_SIZES[ARRESTOR_SIZES.indexOf(size) + 1];
    if (next) size = next;
    else count++;
    because.push(
      reason('arrestor-pressure', said`Above ${pressure(NEXT_SIZE_ABOVE_PSI)} flowing the next size: ${next ? `size ${next}` : 'one more'}.`, {
        source: SOURCE,
        figures: { flowPsi },
      }),
    );
  }
  if (branchFt > LONG_BRANCH_FT) {
    count *= 2;
    because.push(
      reason('arrestor-long', said`Over ${coil(LONG_BRANCH_FT * 12)} of branch take a second, halfway along it.`, {
        source: SOURCE,
        figures: { branchFt },
      }),
    );
  }
  return { size, count, because };
}
