/** What the work of one or more cards wants to have along: tools, materials, hands, time. */
import type { WorkStep } from './work-card.ts';

/** A tool or a material that several steps, or several runs, want. */
export interface Along {
  what: string;
  /** Each size or amount once; [] where none is said. */
  sizes: string[];
  /** What each use is for, and of which run. */
  uses: { run: string; for: string }[];
}

export interface TakeAlong {
  tools: Along[];
  materials: Along[];
  /** The most pairs of hands that any step wants, and at which steps. */
  people: { count: number; at: { run: string; step: string }[] };
  /** Typical minutes of all steps. */
  minutes: number;
}

/**
 * Merged over the cards of a day: a tool that five steps use is taken once, each of its sizes named.
 *
 * @param cards a card by the name of its run
 */
export function takeAlong(cards: readonly { run: string; steps: readonly WorkStep[] }[]): TakeAlong {
  const tools = new Map<string, Along>();
  const materials = new Map<string, Along>();
  const add = (list: Map<string, Along>, what: string, size: string | undefined, use: Along['uses'][number]) => {
    const key = what.toLowerCase();
    const row = list.get(key) ?? { what, sizes: [], uses: [] };
    if (size && !row.sizes.includes(size)) row.sizes.push(size);
    if (!row.uses.some((u) => u.run === use.run && u.for === use.for)) row.uses.push(use);
    list.set(key, row);
  };
  const handed: { run: string; step: string; count: number }[] = [];
  let minutes = 0;
  for (const { run, steps } of cards) {
    for (const step of steps) {
      for (const t of step.tools ?? []) add(tools, t.tool, t.size, { run, for: t.for });
      for (const m of step.materials ?? []) add(materials, m.what, m.amount, { run, for: m.for });
      if (step.people) handed.push({ run, step: step.title, count: step.people });
      minutes += step.minutes ?? 0;
    }
  }
  const count = Math.max(1, ...handed.map((h) => h.count));
  const most = handed.filter((h) => h.count === count && count > 1);
  return {
    tools: byName(tools),
    materials: byName(materials),
    people: { count, at: most.map(({ run, step }) => ({ run, step })) },
    minutes,
  };
}

const byName = (list: Map<string, Along>): Along[] => [...list.values()].sort((a, b) => a.what.localeCompare(b.what, 'en'));
