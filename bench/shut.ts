/** Plans of isolation on generated networks, the same at every run. */
import { byChance, joinWindows, planIsolation } from '../core/index.ts';
import { networkOf } from '../record/index.ts';
import { chance, demoWater } from '../store/seed/index.ts';

/** Milliseconds for one plan on a network of 5,000 pipes and valves with 50 loops. */
export function isolationTimes(): number[] {
  const net = byChance(chance(7), { places: 5000, valves: 1500, loops: 50 });
  const next = chance(3);
  return Array.from({ length: 60 }, () => {
    const workOn = [net.places[1 + Math.floor(next() * (net.places.length - 1))]!.id];
    const began = performance.now();
    planIsolation(net, { workOn });
    return performance.now() - began;
  });
}

/** Milliseconds for one plan on the demo's water, for each of its outlets; and for eight visits' work there joined into windows. */
export function demoTimes(): { plan: number[]; windowsMs: number } {
  const net = networkOf(demoWater((key) => key));
  const outlets = net.places.filter((p) => p.kind === 'outlet');
  const timed = (work: () => unknown) => {
    const began = performance.now();
    work();
    return performance.now() - began;
  };
  const plan = outlets.map((p) => timed(() => planIsolation(net, { workOn: [p.id] })));
  const jobs = outlets
    .filter((_, i) => i % 8 === 0)
    .slice(0, 8)
    .map((p, i) => ({ id: p.id, workOn: [p.id], minutes: 20 + 5 * i, slowMinutes: 40 + 8 * i }));
  const windowsMs = timed(() => joinWindows(net, jobs, { from: 7 * 60, to: 18 * 60 }, [{ from: 12 * 60, to: 13 * 60 }]));
  return { plan, windowsMs };
}
