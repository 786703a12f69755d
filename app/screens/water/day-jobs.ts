/** A day's visits as work that wants the water off, and the hours in which no water goes off. */
import type { Span, WindowJob } from '../../../core/index.ts';
import { type OwnMinutes, type PremisesBook, type Visit, workMinutes } from '../../../record/index.ts';

/** Minutes from midnight as a time of the day. */
export function clock(minutes: number): string {
  const whole = Math.round(minutes);
  return `${String(Math.floor(whole / 60)).padStart(2, '0')}:${String(whole % 60).padStart(2, '0')}`;
}
export const minutesOf = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3, 5));

/** The quiet hours of a house within one day; over midnight they are two. */
export function quietOf(quiet: { from: string; to: string } | null): Span[] {
  if (!quiet) return [];
  const [from, to] = [minutesOf(quiet.from), minutesOf(quiet.to)];
  return from < to
    ? [{ from, to }]
    : [
        { from: 0, to },
        { from, to: 24 * 60 },
      ];
}

/** One piece of work a visit: all its runs that are drawn, with the minutes of their kinds of work. */
export function jobsOf(visits: readonly Visit[], book: PremisesBook, own: OwnMinutes): { jobs: WindowJob[]; undrawn: string[] } {
  const inlets = new Map(book.premises.water.flatMap((t) => (t.what === 'place' && t.runId ? [[t.runId, t.id] as const] : [])));
  const undrawn: string[] = [];
  const jobs = visits.flatMap((v): WindowJob[] => {
    const runs = v.runs.filter((r) => r.removed === null);
    const workOn = runs.flatMap((r) => inlets.get(r.runId) ?? []);
    for (const r of runs) if (!inlets.has(r.runId)) undrawn.push(book.runs.find((b) => b.id === r.runId)?.name ?? v.title);
    if (workOn.length === 0) return [];
    const { usual, slow } = workMinutes(
      runs.map((r) => r.work),
      own,
    );
    return [{ id: v.id, workOn, minutes: usual, slowMinutes: slow }];
  });
  return { jobs, undrawn };
}

/** Whether a time without water falls into the quiet hours. */
export function inQuiet(quiet: { from: string; to: string } | null, from: string, to: string): boolean {
  return quietOf(quiet).some((q) => minutesOf(from) < q.to && minutesOf(to) > q.from);
}
