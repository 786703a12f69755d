/** Transients: reach-steps a second beside the same loop compiled, and what a page waits for. */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { bandOf, networkOf, operatingPoint, RENEW_EVERY, type SurgeQuestion, surge, swap, sweptQuestion, sweptRun } from '../core/index.ts';
import { at, line, sorted, timed } from './figures.ts';

const COPPER = { boreIn: 0.545, wallIn: 0.04, lengthFt: 30, modulusGpa: 117, roughnessMm: 0.0015 };
/** High enough that no gas moves: the loop alone is told. */
const QUESTION: SurgeQuestion = { pipes: [COPPER], staticPsi: 400, gpm: 2, closeMs: 0, tempF: 68, seconds: 1, reaches: 1000 };
const STEPS = 10_000;
const TURNS = 25;

/** The loop with its two ends and nothing else, as the compiled one has it. */
function loop(): { seconds: number; right: number } {
  const net = networkOf(QUESTION);
  const pipe = net.main[0]!;
  const supply = net.nodes[0]!.supplyPa!;
  const [ms] = timed(() => {
    for (let s = 0; s < STEPS; s++) {
      if (s % RENEW_EVERY === 0) net.kernel.renew(pipe);
      net.kernel.advance(pipe, true);
      pipe.nextRight[0] = 2 * supply - pipe.nextLeft[0]!;
      pipe.nextLeft[pipe.n] = pipe.nextRight[pipe.n]!;
      swap(pipe);
    }
  });
  return { seconds: ms / 1000, right: pipe.right[pipe.n]! };
}

/** The same compiled; null where there is no compiler. */
function compiled(folder: string): { seconds: number; right: number } | null {
  const net = networkOf(QUESTION);
  const pipe = net.main[0]!;
  const program = join(folder, 'loop');
  try {
    execFileSync('gcc', ['-O2', '-o', program, join('bench', 'hammer-loop.c'), '-lm']);
  } catch {
    return null;
  }
  const stepM3S = 1 / (4 * pipe.z * pipe.perPa);
  const words = [pipe.n, STEPS, pipe.z, net.nodes[0]!.supplyPa!, net.flowM3S, stepM3S].map(String);
  const [seconds, right] = execFileSync(program, words, { input: [...pipe.friction].join('\n'), encoding: 'utf8' })
    .split(' ')
    .map(Number);
  return { seconds: seconds!, right: right! };
}

export function hammerLoop(): void {
  const work = STEPS * QUESTION.reaches!;
  loop();
  const folder = mkdtempSync(join(tmpdir(), 'brass-nut-loop-'));
  // In turns, so that what loads the machine loads both.
  const pairs = Array.from({ length: TURNS }, () => ({ own: loop(), c: compiled(folder) }));
  rmSync(folder, { recursive: true });
  const best = (of: (p: (typeof pairs)[number]) => number) => Math.min(...pairs.map(of));
  const own = best((p) => p.own.seconds);
  line('reach-steps of a transient, a second on one core (at least 60 million)', `${(work / own / 1e6).toFixed(0)} million`);
  const c = pairs[0]!.c;
  if (!c) {
    line('the same loop compiled by gcc -O2', 'there is no gcc here');
    return;
  }
  if (Math.abs(c.right / pairs[0]!.own.right - 1) > 1e-9) throw new Error(`The two loops differ: ${c.right} and ${pairs[0]!.own.right}.`);
  line('of the rate of the same loop compiled by gcc -O2 (at least 0.4)', (best((p) => p.c!.seconds) / own).toFixed(2));
}

/** A hundred runs of a 30 ft branch, as the page asks them. */
export function sweepTime(): void {
  const base: SurgeQuestion = { ...QUESTION, staticPsi: 60, closeMs: 25, law: 'late', seconds: 0.7, reaches: 28 };
  const spread = { closeMs: [15, 40] as [number, number], staticPsi: [50, 70] as [number, number], gpm: [1.7, 2.2] as [number, number] };
  const sweep = () =>
    bandOf(
      Array.from({ length: 100 }, (_, i) => sweptRun(surge(sweptQuestion(base, spread, i)), base.seconds)),
      base.seconds,
    );
  sweep();
  line('a sweep of a hundred runs of a 30 ft branch, in Node (in the browser at most 1.5 s)', `${(timed(sweep)[0] / 1000).toFixed(2)} s`);
}

export function flowTime(): void {
  const pieces = Array.from({ length: 8 }, (_, i) => ({ boreIn: 0.2 + 0.05 * i, lengthIn: 50, roughnessMm: 0.0015, k: 1 }));
  const ask = (i: number) => operatingPoint({ sourcePsi: 40 + (i % 40), tempF: 60, riseFt: 3, pieces, appliance: { designGpm: 1, designPsi: 8 } });
  for (let i = 0; i < 2000; i++) ask(i);
  const times = sorted(Array.from({ length: 2000 }, (_, i) => timed(() => ask(i))[0]));
  line('operatingPoint, eight pieces, median (at most 0.2 ms)', `${at(times, 0.5).toFixed(3)} ms (95 %: ${at(times, 0.95).toFixed(3)})`);
}
