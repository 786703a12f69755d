/** Several pieces of work at one premises on one day, joined into the fewest times without water. */
import { InputError } from '../errors.ts';
import type { WaterNetwork } from './network.ts';
import { planIsolation } from './plan-isolation.ts';

export interface WindowJob {
  id: string;
  workOn: readonly string[];
  /** Water off for it: as it usually takes, and where it goes slowly, minutes. */
  minutes: number;
  slowMinutes: number;
  /** Not before and not after, minutes from midnight; left out: any time of the day's work. */
  from?: number;
  to?: number;
}

/** A part of the day, minutes from midnight. */
export interface Span {
  from: number;
  to: number;
}

export interface WaterOff {
  jobs: string[];
  from: number;
  /** As it usually takes; `slowTo` where it goes slowly: until then nobody counts on water. */
  to: number;
  slowTo: number;
  close: string[];
  dry: string[];
}

export interface WindowsAnswer {
  windows: WaterOff[];
  /** Work that cannot be done that day, and why. */
  left: { id: string; why: 'no-plan' | 'no-time' }[];
}

/** As many as are joined at all: every set of them is looked at. */
const MOST_JOBS = 12;

interface Group {
  mask: number;
  jobs: WindowJob[];
  minutes: number;
  slowMinutes: number;
  close: string[];
  dry: string[];
}

/** Some of the work put into windows, one after the other. */
interface Laid {
  mask: number;
  count: number;
  outletMinutes: number;
  end: number;
  last: { group: Group; from: number; before: Laid } | null;
}

/**
 * The fewest windows that hold the most work; of those the fewest outlet-minutes without water, then the earliest end.
 *
 * In a window the work is done one after the other with all its water off; windows follow each other, lie within the day, outside quiet hours and within the
 * times of their work, with time for the slow case. Exact: by dynamic programming over sets of work, of equal sets only what nothing betters is kept.
 *
 * @param onProgress  part done, 0 to 1
 * @throws InputError  for more than 12 pieces of work, or a time that cannot be
 */
export function joinWindows(
  net: WaterNetwork,
  jobs: readonly WindowJob[],
  day: Span,
  quiet: readonly Span[] = [],
  onProgress: (part: number) => void = () => {},
): WindowsAnswer {
  if (jobs.length > MOST_JOBS) throw new InputError('jobs', jobs.length, `Join ${MOST_JOBS} at most at a time.`);
  for (const j of jobs)
    if (!(j.minutes > 0 && j.slowMinutes >= j.minutes))
      throw new InputError('minutes', j.minutes, 'Give minutes of more than 0, and as many or more for the slow case.');
  const alone = jobs.map((j) => planIsolation(net, { workOn: j.workOn }).possible);
  const doable = jobs.filter((_, i) => alone[i]);
  const groups = groupsOf(net, doable, onProgress);
  const best = lay(groups, doable.length, day, quiet);
  const done = new Set(best.flatMap((w) => w.jobs));
  const left = jobs.flatMap((j, i) => (done.has(j.id) ? [] : [{ id: j.id, why: alone[i] ? ('no-time' as const) : ('no-plan' as const) }]));
  return { windows: best, left };
}

/** Every set of work with its one plan: its water is off at once. */
function groupsOf(net: WaterNetwork, jobs: readonly WindowJob[], onProgress: (part: number) => void): Group[] {
  const groups: Group[] = [];
  for (let mask = 1; mask < 1 << jobs.length; mask++) {
    const here = jobs.filter((_, i) => mask & (1 << i));
    const plan = planIsolation(net, { workOn: [...new Set(here.flatMap((j) => j.workOn))] });
    onProgress(mask / (1 << jobs.length));
    if (!plan.possible) continue;
    const sum = (of: 'minutes' | 'slowMinutes') => here.reduce((total, j) => total + j[of], 0);
    groups.push({ mask, jobs: here, minutes: sum('minutes'), slowMinutes: sum('slowMinutes'), close: plan.close, dry: plan.dry });
  }
  return groups;
}

function lay(groups: readonly Group[], count: number, day: Span, quiet: readonly Span[]): WaterOff[] {
  const kept = new Map<number, Laid[]>([[0, [{ mask: 0, count: 0, outletMinutes: 0, end: day.from, last: null }]]]);
  // A set is reached from smaller ones alone.
  for (let mask = 0; mask < 1 << count; mask++) {
    for (const laid of kept.get(mask) ?? []) {
      for (const group of groups) {
        if (group.mask & mask) continue;
        const from = earliest(group, laid.end, day, quiet);
        if (from === null) continue;
        const next: Laid = {
          mask: mask | group.mask,
          count: laid.count + 1,
          outletMinutes: laid.outletMinutes + group.dry.length * group.minutes,
          end: from + group.slowMinutes,
          last: { group, from, before: laid },
        };
        keep(kept, next);
      }
    }
  }
  const most = Math.max(...[...kept.keys()].map(bits));
  const [best] = [...kept.values()]
    .flat()
    .filter((l) => bits(l.mask) === most)
    .sort(compare);
  return windowsOf(best!);
}

const bits = (mask: number): number => mask.toString(2).replaceAll('0', '').length;
const compare = (a: Laid, b: Laid): number => a.count - b.count || a.outletMinutes - b.outletMinutes || a.end - b.end;

/** Of those that lay the same work what none betters in every respect. */
function keep(kept: Map<number, Laid[]>, next: Laid): void {
  const there = kept.get(next.mask) ?? [];
  const isBetter = (a: Laid, b: Laid) => a.count <= b.count && a.outletMinutes <= b.outletMinutes && a.end <= b.end;
  if (there.some((l) => isBetter(l, next))) return;
  kept.set(next.mask, [...there.filter((l) => !isBetter(next, l)), next]);
}

/** When a window can begin at the earliest; null where it cannot. */
function earliest({ jobs, slowMinutes }: Group, after: number, day: Span, quiet: readonly Span[]): number | null {
  const to = Math.min(day.to, ...jobs.map((j) => j.to ?? day.to));
  let from = Math.max(after, day.from, ...jobs.map((j) => j.from ?? day.from));
  for (let moved = true; moved; ) {
    moved = false;
    for (const q of quiet) {
      if (from >= q.to || from + slowMinutes <= q.from) continue;
      from = q.to;
      moved = true;
    }
  }
  return from + slowMinutes <= to ? from : null;
}

function windowsOf(laid: Laid): WaterOff[] {
  const windows: WaterOff[] = [];
  for (let at = laid; at.last !== null; at = at.last.before) {
    const { group, from } = at.last;
    windows.unshift({
      jobs: group.jobs.map((j) => j.id),
      from,
      to: from + group.minutes,
      slowTo: from + group.slowMinutes,
      close: group.close,
      dry: group.dry,
    });
  }
  return windows;
}
