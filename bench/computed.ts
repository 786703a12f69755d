/** What the core computes, timed in this process. */
import { catalogue } from '../catalog/index.ts';
import { allEndCodes, constructions, identifyThread, indexParts, matchChains, mate, type Part } from '../core/index.ts';
import { at, line, sorted, timed } from './figures.ts';
import { generatedCaps, generatedParts, generatedQueries } from './generated.ts';
import { cardTimes } from './make.ts';
import { reachTimes } from './reach.ts';
import { demoTimes, isolationTimes } from './shut.ts';
import { Baseline } from './yen.ts';

/** The demo catalogue's usual questions. */
export function demoChains(): void {
  const { parts, loose, appliances } = catalogue();
  const questions = appliances.flatMap((a) => a.usualInletEnds.map((to) => ({ to, water: a.water[0] ?? ('cold' as const) })));
  const ask = () =>
    questions.reduce(
      (n, { to, water }) => n + matchChains({ from: 'comp-3/8-m', to, parts, loose, need: { water, minLengthIn: 12 } }).chains.length,
      0,
    );
  ask();
  const [ms, found] = timed(ask);
  line('matchChains, demo catalogue, chains a second', ((found * 1000) / ms).toFixed(0));
}

/** 20,000 parts over all end codes, 1,000 random queries; and against the baseline on a catalogue it can finish. */
export function generated(): void {
  const parts = generatedParts(20_000);
  const [indexMs, index] = timed(() => indexParts(parts));
  line('index build, 20,000 parts, pairs of ends included (at most 400 ms)', `${indexMs.toFixed(0)} ms`);
  const queries = generatedQueries(1000);
  const ask = (q: (typeof queries)[number], list: Part[] | typeof index) =>
    timed(() => matchChains({ ...q, parts: list, loose: generatedCaps, k: 5 }))[0];
  for (const q of queries.slice(0, 300)) ask(q, index);
  const times = sorted(queries.map((q) => ask(q, index)));
  line('matchChains, 20,000 parts, k = 5, median (at most 2 ms)', `${at(times, 0.5).toFixed(2)} ms`);
  line('matchChains, 20,000 parts, k = 5, 95th percentile (at most 6 ms)', `${at(times, 0.95).toFixed(2)} ms`);
  const askGrouped = (q: (typeof queries)[number]) => timed(() => constructions({ ...q, parts: index, loose: generatedCaps, k: 5 }))[0];
  for (const q of queries.slice(0, 300)) askGrouped(q);
  const groupedTimes = sorted(queries.map(askGrouped));
  line('constructions, 20,000 parts, k = 5, median (at most 6 ms)', `${at(groupedTimes, 0.5).toFixed(2)} ms`);
  line('constructions, 20,000 parts, k = 5, 95th percentile (at most 15 ms)', `${at(groupedTimes, 0.95).toFixed(2)} ms`);
  const few = generatedParts(1500).filter((p) => p.ends.length === 2 && !p.cutToLength);
  const plain = queries.slice(0, 30).map((q) => ({ ...q, need: { water: 'cold' as const, potable: false, tempF: 32, pressurePsi: 0 } }));
  const baseline = new Baseline(few);
  const [yenMs] = timed(() => {
    for (const q of plain) baseline.shortest(q, 5);
  });
  const fewIndex = indexParts(few);
  // As a process that has been at work: the baseline's minutes warm it by themselves.
  for (const q of plain) matchChains({ ...q, parts: fewIndex, k: 5 });
  const [ownMs] = timed(() => {
    for (const q of plain) matchChains({ ...q, parts: fewIndex, k: 5 });
  });
  line(`matchChains against Yen over graphology's Dijkstra, ${few.length} parts`, `${(yenMs / ownMs).toFixed(0)} x its rate (at least 20)`);
}

export function small(): void {
  const all = () => {
    for (const a of allEndCodes) for (const b of allEndCodes) mate(a, b);
  };
  all();
  const [ms] = timed(all);
  line('mate over all pairs, a second (at least 200,000)', ((allEndCodes.length ** 2 * 1000) / ms).toFixed(0));
  const reading = (i: number) => ({ gender: 'm' as const, diameterIn: 0.3 + i / 2000, threadsPerIn: 14 + (i % 14) });
  for (let i = 0; i < 500; i++) identifyThread(reading(i));
  const [all2000] = timed(() => {
    for (let i = 0; i < 2000; i++) identifyThread(reading(i));
  });
  line('identifyThread (at most 0.3 ms)', `${(all2000 / 2000).toFixed(3)} ms`);
}

/** The shape of a line between two ends. */
export function reach(): void {
  const { plane, space, pick } = reachTimes();
  line('hoseShape, 64 segments and more, median (at most 3 ms)', `${at(sorted(plane), 0.5).toFixed(2)} ms`);
  line('hoseShape, 95th percentile (at most 8 ms)', `${at(sorted(plane), 0.95).toFixed(2)} ms`);
  line('hoseShape in space, median (at most 6 ms)', `${at(sorted(space), 0.5).toFixed(2)} ms`);
  line('pickLength, six lengths, out and home, 95th percentile (at most 40 ms)', `${at(sorted(pick), 0.95).toFixed(1)} ms`);
}

/** Which valves to close. */
export function shut(): void {
  const times = sorted(isolationTimes());
  line('planIsolation, 5,000 pipes, 50 loops, median', `${at(times, 0.5).toFixed(1)} ms`);
  line('planIsolation, the same, 95th percentile (at most 150 ms)', `${at(times, 0.95).toFixed(1)} ms`);
  const { plan, windowsMs } = demoTimes();
  line('planIsolation on the demo, every outlet, 95th percentile (at most 10 ms)', `${at(sorted(plan), 0.95).toFixed(2)} ms`);
  line('eight visits joined into windows on the demo (at most 2000 ms)', `${windowsMs.toFixed(0)} ms`);
}

/** A card of every kind of work, from the longest chains there are. */
export function make(): void {
  const { cards, longest, loadMs } = cardTimes();
  const times = sorted(cards);
  line(`workCard, every kind of work, to ${longest} steps, median`, `${at(times, 0.5).toFixed(2)} ms`);
  line('workCard, the same, 95th percentile (at most 4 ms)', `${at(times, 0.95).toFixed(2)} ms`);
  line('steps of the catalogue read and checked (at most 50 ms)', `${loadMs.toFixed(1)} ms`);
}
