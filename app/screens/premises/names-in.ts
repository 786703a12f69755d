import type { BookEntry, PremisesBook } from '../../../record/index.ts';

/** The name of what was made and taken back. */
export function nameMade(entries: BookEntry[] | null, subjectId: string): string | undefined {
  const made = entries?.find((e) => e.subject.id === subjectId && e.change === 'made')?.body;
  return (made?.name ?? made?.title ?? made?.text) as string | undefined;
}

export const namesIn = ({ premises, places, appliances, runs, visits, followUps }: PremisesBook): Map<string, string> =>
  new Map([
    ...[premises, ...places, ...appliances, ...runs].map((one) => [one.id, one.name] as const),
    ...visits.map((v) => [v.id, v.title] as const),
    ...followUps.map((f) => [f.id, f.text.slice(0, 60)] as const),
  ]);
