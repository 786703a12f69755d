import { tubesTable } from './tubes.table.ts';

export type TubeMaterial = 'copper' | 'pex' | 'cpvc' | 'pe' | 'polybutylene' | 'steel' | 'braided' | 'rubber';

/** One tube, pipe or hose by its sizes; lengths in inches, pressures in psi, temperatures in F. */
export interface Tube {
  id: string;
  tradeName: string;
  /** The name in the shop, where it differs from the outside diameter: "1/2" for 5/8 in OD copper. */
  nominalIn: string | null;
  odIn: number;
  idIn: number;
  material: TubeMaterial;
  roughnessMm: number;
  youngsModulusGpa: number;
  minBendRadiusIn: number | null;
  ratedPsi73F: number | null;
  ratedPsiAtMax: number | null;
  maxTempF: number;
  source: string;
}

export const tubes: readonly Tube[] = tubesTable;

/** Tubes and pipes that are ends by themselves; hose materials (braid, rubber) are not. */
export const tubeEnds: readonly Tube[] = tubes.filter((t) => t.material !== 'braided' && t.material !== 'rubber');

const byId = new Map(tubes.map((t) => [t.id, t]));

/** What a plain tube end bears, F; Infinity for an end that is no tube. */
export const tubeMaxFOf = (code: string): number => byId.get(code)?.maxTempF ?? Number.POSITIVE_INFINITY;

export function tubeById(id: string): Tube | undefined {
  return byId.get(id);
}

/** "5/8" of "cu-5/8od", "1/2" of "steel-1/2ips": the size as its code writes it. */
export function tubeSize(tube: Tube): string {
  return tube.id.slice(tube.id.indexOf('-') + 1).replace(/(od|ips)$/, '');
}

/** The next wider tube of the same stuff; undefined for the widest. */
export const widerTube = (own: Tube): Tube | undefined =>
  tubes.filter((t) => t.material === own.material && t.idIn > own.idIn).sort((a, b) => a.idIn - b.idIn)[0];
