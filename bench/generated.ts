/** A large catalogue and questions to it, the same at every run: parts of all kinds between ends of all codes. */
import { allEndCodes, type MatchQuery, type Part, type Port } from '../core/index.ts';
import { chance } from '../store/seed/index.ts';

const LENGTHS = [9, 12, 16, 20, 24, 30, 36, 48, 60, 72, 84, 120];

export function generatedParts(count: number, seed = 1): Part[] {
  const next = chance(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T;
  return Array.from({ length: count }, (_, i): Part => {
    const x = next();
    const kind = x < 0.25 ? 'hose' : x < 0.3 ? 'coil' : x < 0.45 ? 'stop' : x < 0.55 ? 'tee' : 'adapter';
    const ports: Port[] = kind === 'stop' ? ['in', 'out'] : kind === 'tee' ? ['in', 'out', 'branch'] : ['either', 'either'];
    return {
      id: `gen-${String(i).padStart(5, '0')}`,
      name: `generated ${kind} ${i}`,
      kind,
      ends: ports.map((port, n) => ({ id: 'abc'[n] as string, code: pick(allEndCodes), port })),
      flexible: kind === 'hose' || kind === 'coil',
      cutToLength: kind === 'coil',
      ...(kind === 'coil'
        ? { maxLengthIn: 60 + Math.floor(next() * 500), centsPerFt: 20 + Math.floor(next() * 80) }
        : { lengthIn: kind === 'hose' ? pick(LENGTHS) : 2 }),
      waters: next() < 0.8 ? ['cold', 'hot'] : ['cold'],
      maxPsi: pick([100, 125, 150, 200]),
      maxF: pick([100, 140, 180, 200]),
      potable: next() < 0.95,
      priceCents: 100 + Math.floor(next() * 3000),
      minutes: 1 + Math.floor(next() * 20),
      material: 'brass',
      tags: [
        ...(kind === 'stop' ? ['stop'] : []),
        ...(kind === 'hose' ? ['line:braided'] : []),
        ...(next() < 0.05 ? ['arrestor'] : []),
        ...(kind === 'tee' && next() < 0.4 ? ['valved:c'] : []),
      ],
    };
  });
}

export const generatedCaps = allEndCodes.map((code) => ({ code: `cap-${code}`, priceCents: 200 }));

/** Ends at random, six in ten cold, half with a distance. */
export function generatedQueries(count: number, seed = 2): Pick<MatchQuery, 'from' | 'to' | 'need'>[] {
  const next = chance(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T;
  return Array.from({ length: count }, () => ({
    from: pick(allEndCodes),
    to: pick(allEndCodes),
    need: { water: next() < 0.6 ? ('cold' as const) : ('hot' as const), ...(next() < 0.5 ? { minLengthIn: 5 + Math.floor(next() * 60) } : {}) },
  }));
}

/** The parts as a file of own parts. */
export function asCsv(parts: Part[]): string {
  const columns =
    'id,name,kind,ends,flexible,cut_to_length,length_in,max_length_in,waters,max_psi,max_f,potable,price_cents,cents_per_ft,minutes,material,tags,van';
  const yes = (b: boolean) => (b ? 'yes' : 'no');
  const rows = parts.map((p) =>
    [
      p.id,
      p.name,
      p.kind,
      p.ends.map((e) => `${e.id}=${e.code}@${e.port}`).join(' '),
      yes(p.flexible),
      yes(p.cutToLength),
      p.lengthIn ?? '',
      p.maxLengthIn ?? '',
      p.waters.join(' '),
      p.maxPsi,
      p.maxF,
      yes(p.potable),
      p.priceCents,
      p.centsPerFt ?? '',
      p.minutes,
      p.material ?? '',
      p.tags.join(' '),
      0,
    ].join(','),
  );
  return `${[columns, ...rows].join('\r\n')}\r\n`;
}
