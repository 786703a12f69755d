import type { Along } from '../../../core/index.ts';

export const usesOf = ({ uses }: Along): string => [...new Set(uses.map((u) => u.for))].slice(0, 4).join(', ');

export function readList(text: string | null): string[] {
  try {
    const list: unknown = JSON.parse(text ?? '[]');
    return Array.isArray(list) ? list.filter((x) => typeof x === 'string') : [];
  } catch {
    return [];
  }
}
