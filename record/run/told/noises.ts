/** What a line may be heard to do. */
export const NOISES = { quiet: 'quiet', hum: 'hums', bang: 'bangs', whistle: 'whistles', drip: 'drips' } as const;
export type Noise = keyof typeof NOISES;

/** What the work made of the noise, in words and whether it is worth a second look; null where one of the two was not heard. */
export function noiseCompared(before: Noise | undefined, after: Noise | null): { words: string; isWorse: boolean } | null {
  if (!after) return null;
  if (!before) return { words: `It ${says(after)} now; before the work nobody listened.`, isWorse: after !== 'quiet' };
  if (before === after) return { words: after === 'quiet' ? 'Quiet before, quiet now.' : `It ${says(after)} as it did before.`, isWorse: false };
  return { words: `Before the work it ${was(before)}; now it ${says(after)}.`, isWorse: after !== 'quiet' };
}

const says = (noise: Noise): string => (noise === 'quiet' ? 'is quiet' : NOISES[noise]);
const WAS: Record<Noise, string> = { quiet: 'was quiet', hum: 'hummed', bang: 'banged', whistle: 'whistled', drip: 'dripped' };
const was = (noise: Noise): string => WAS[noise];
