import type { Along } from '../../../core/index.ts';

/** '45 min', '2 h 15 min' */
export function hoursOf(minutes: number): string {
  const [h, min] = [Math.floor(minutes / 60), Math.round(minutes % 60)];
  return h === 0 ? `${min} min` : `${h} h${min > 0 ? ` ${min} min` : ''}`;
}

export const usesOf = ({ uses }: Along): string => [...new Set(uses.map((u) => u.for))].slice(0, 4).join(', ');

export function readList(text: string | null): string[] {
  try {
    const list: unknown = JSON.parse(text ?? '[]');
    return Array.isArray(list) ? list.filter((x) => typeof x === 'string') : [];
  } catch {
    return [];
  }
}
