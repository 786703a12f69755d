/** Plans of isolation on generated networks, the same at every run. */
import { planIsolation } from '../core/index.ts';
import { byChance } from '../core/shut/testing.ts';
import { chance } from '../store/seed/random.ts';

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
