/** What is due again at a connection that was made: which, and since when its time runs. */
import type { HouseRules } from '../house/index.ts';
import { type AgeRow, isOn, type OnAppliances } from '../look/index.ts';
import { type LineKindId, TASK_IDS, type TaskId } from '../rows/index.ts';

export { TASK_IDS, type TaskId };

/** A row of the catalogue. */
export interface TaskRow {
  id: TaskId;
  /** 'Renew the connector' */
  todo: string;
  /** The house rule of its months, up to the figure: 'A stop is exercised every'. */
  rule: string;
  /** Between two; null where the kind of line has its own age. */
  months: number | null;
  appliances: OnAppliances;
  because: string;
  source: string;
}

export interface TaskFacts {
  appliance: string;
  /** When the work was signed off: what was fitted, tried or looked at then is new from there. */
  doneMs: number;
  /** Lines with an age of their own: by name, and since when they are there. */
  lines: { kind: LineKindId; name: string; sinceMs: number }[];
  /** There is a stop that turns. */
  stop: string | null;
  /** A stop-leak device that was tried: when its insert was new, and how many spares lie by it; null where nobody counted. */
  insert: { sinceMs: number; spares: number | null } | null;
}

export interface Task {
  id: TaskId;
  /** What its interval goes by: 'line:braided', 'stop' ... */
  goesBy: string;
  /** The thing, in a word or two. */
  what: string;
  sinceMs: number;
}

/** What of a connection wants to be seen to again. */
export function tasksOf(facts: TaskFacts, rows: TaskRow[]): Task[] {
  const made: Record<TaskId, () => Omit<Task, 'id'>[]> = {
    connector: () => facts.lines.map((l) => ({ goesBy: `line:${l.kind}`, what: l.name, sinceMs: l.sinceMs })),
    stop: () => (facts.stop ? [{ goesBy: 'stop', what: facts.stop, sinceMs: facts.doneMs }] : []),
    insert: () => (facts.insert ? [{ goesBy: 'insert', what: 'stop-leak insert', sinceMs: facts.insert.sinceMs }] : []),
    spares: () => (facts.insert?.spares === 0 ? [{ goesBy: 'spares', what: 'spare inserts', sinceMs: facts.insert.sinceMs }] : []),
    'open-line': () => [{ goesBy: 'open-line', what: 'the line that lies open', sinceMs: facts.doneMs }],
  };
  return rows.filter((row) => isOn(row.appliances, facts.appliance)).flatMap((row) => made[row.id]().map((task) => ({ id: row.id, ...task })));
}

/**
 * Months between two, by what a task goes by: the house's where it says so, else the catalogue's. A line that is not judged by age has none.
 */
export function taskMonths(rows: TaskRow[], ages: AgeRow[], rules: Pick<HouseRules, 'maxAgeYears' | 'dueMonths'>): Record<string, number> {
  const lines = ages.flatMap((age) => {
    const years = rules.maxAgeYears?.[age.kind] ?? age.replaceYears;
    return years === null ? [] : [[`line:${age.kind}`, Math.max(1, Math.round(years * 12))] as const];
  });
  const others = rows.flatMap((row) => (row.months === null ? [] : [[row.id, rules.dueMonths?.[row.id] ?? row.months] as const]));
  return Object.fromEntries([...lines, ...others]);
}
