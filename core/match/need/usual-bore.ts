import type { EndCode } from '../../ends/index.ts';
import type { Appliance } from '../../rows/index.ts';

const ofAnyMaterial = (code: EndCode) => code.replace(/:.*$/, '');

/** The ends that a line to an appliance usually finds: its inlets, of plastic where they are, or the stubs at which a rough-in ends. */
export function inletsFound(
  { usualInletEnds, plasticInlet }: Pick<Appliance, 'usualInletEnds' | 'plasticInlet'>,
  stubs: readonly EndCode[] = [],
): EndCode[] {
  if (stubs.length > 0) return [...stubs];
  return usualInletEnds.map((end) => (plasticInlet ? `${ofAnyMaterial(end)}:plastic` : end));
}

/**
 * The bore that the least of the appliances with such an inlet asks for, in; null where none usually has it.
 *
 * For a question without a run: whatever stands behind, less would starve it.
 */
export function usualBoreIn(appliances: Pick<Appliance, 'usualInletEnds' | 'minBoreIn'>[], inlet: EndCode): number | null {
  const bores = appliances.filter((a) => a.usualInletEnds.some((e) => ofAnyMaterial(e) === ofAnyMaterial(inlet))).map((a) => a.minBoreIn);
  return bores.length === 0 ? null : Math.min(...bores);
}
