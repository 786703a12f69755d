/** Repeatable chance: the same seed gives the same demo. */
export type Chance = () => number;

/** mulberry32: small, even enough for demo data. */
export function chance(seed: number): Chance {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A UUIDv7 of a given time whose random part comes from `next`. */
export function uuidAt(timeMs: number, next: Chance): string {
  const time = Math.max(0, Math.floor(timeMs)).toString(16).padStart(12, '0');
  const hex = (n: number) => Array.from({ length: n }, () => Math.floor(next() * 16).toString(16)).join('');
  const variant = '89ab'[Math.floor(next() * 4)];
  return `${time.slice(0, 8)}-${time.slice(8)}-7${hex(3)}-${variant}${hex(3)}-${hex(12)}`;
}

/** A number from a text, to seed chance by name (FNV-1a). */
export function seedOf(text: string): number {
  let hash = 2166136261;
  for (const c of text) hash = Math.imul(hash ^ c.charCodeAt(0), 16777619);
  return hash >>> 0;
}
