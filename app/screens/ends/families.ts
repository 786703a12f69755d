import { allEndCodes, asTold, parseEnd, readEnd } from '../../../core/index.ts';

export const NAMES: Record<string, string> = {
  comp: 'Compression',
  flare: 'Flare',
  npt: 'Taper pipe thread',
  npsm: 'Straight pipe thread',
  bc: 'Ballcock',
  ght: 'Hose thread',
  aer: 'Aerator',
  g: 'Parallel pipe thread, Whitworth form',
  m: 'Metric',
  cu: 'Copper tube',
  pex: 'PEX tube',
  cpvc: 'CPVC tube',
  pe: 'Polyethylene tube',
  pb: 'Polybutylene tube',
  steel: 'Steel pipe',
  ptc: 'Push-to-connect',
  cup: 'Solder cup',
  crimp: 'Crimp barb',
  expand: 'Expansion barb',
  nose: 'Riser nose',
};

export function families(codes: readonly string[]): [string, string[]][] {
  const out = new Map<string, string[]>();
  for (const code of codes) {
    const { family } = parseEnd(code);
    out.set(family, [...(out.get(family) ?? []), code]);
  }
  return [...out];
}

export const PLAIN = allEndCodes.filter((c) => !c.includes(':'));

/** What is asked for: read as an end is, or by the family's name. */
export function sought(text: string): string[] {
  const read = readEnd(asTold(text)).map((r) => r.end);
  const word = text.trim().toLowerCase();
  const named = PLAIN.filter((code) => NAMES[parseEnd(code).family]!.toLowerCase().includes(word));
  return [...new Set([...read, ...named])];
}
