/** An answer of the flow in words. */
import type { LineAnswer } from '../../../core/index.ts';

/** Seconds, as one says them. */
export function timeWords(seconds: number): string {
  if (seconds < 90) return `${Math.round(seconds)} s`;
  return seconds < 5400 ? `${Math.round(seconds / 6) / 10} min` : `${Math.round(seconds / 360) / 10} h`;
}

export const three = (value: number): string => String(Number(value.toPrecision(3)));

export function fastestWords({ gpm, speedFtS }: LineAnswer['now']): string {
  const at = speedFtS.indexOf(Math.max(...speedFtS));
  return `In piece ${at + 1}, the narrowest: ${three(gpm)} gpm over the area of its bore.`;
}
