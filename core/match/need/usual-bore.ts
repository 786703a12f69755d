import type { EndCode } from '../../ends/index.ts';
import type { Appliance } from '../../rows/index.ts';

const ofAnyMaterial = (code: EndCode) => code.replace(/:.*$/, '');

/** A rough-in ends at stubs that are capped: nothing joins the filler before its visit. */
const ROUGH_IN: readonly EndCode[] = ['cu-5/8od', 'pex-5/8od', 'npt-1/2-f'];

/** The ends that an appliance usually has, as they are found at such work: of plastic where its inlet is, and the stubs of a rough-in. */
export function inletsFound({ usualInletEnds, plasticInlet }: Pick<Appliance, 'usualInletEnds' | 'plasticInlet'>, work?: string): EndCode[] {
  if (work === 'tub-rough') return [...ROUGH_IN];
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
