import { isSource, isStuckShut, type WaterNetwork } from './network.ts';

/**
 * Places that water comes to with some valves closed; those stuck shut keep it back too, unless it is known that they do not hold.
 *
 * @param closed  ids of valves that are shut, and of sources that are stopped
 */
export function wetPlaces(net: WaterNetwork, closed: readonly string[], struckOut: readonly string[] = []): Set<string> {
  const shut = new Set(closed);
  for (const v of net.valves) if (isStuckShut(v) && !struckOut.includes(v.id)) shut.add(v.id);
  const around = new Map<string, string[]>(net.places.map((p) => [p.id, []]));
  for (const link of [...net.pipes, ...net.valves.filter((v) => !shut.has(v.id))]) {
    around.get(link.a)!.push(link.b);
    around.get(link.b)!.push(link.a);
  }
  const wet = new Set(net.places.filter((p) => isSource(p) && !shut.has(p.id)).map((p) => p.id));
  for (const id of wet) for (const next of around.get(id)!) wet.add(next);
  return wet;
}

/** What is off by a plan: its valves, and the wells that are stopped. */
export const offBy = ({ close, pumpsOff }: { close: readonly string[]; pumpsOff: readonly string[] }): string[] => [...close, ...pumpsOff];

/** Outlets that lose their water by a plan: those that had none before, behind what is stuck shut, are left out. */
export function losing(net: WaterNetwork, { dry }: { dry: readonly string[] }, struckOut: readonly string[] = []): string[] {
  if (!net.valves.some(isStuckShut)) return [...dry];
  const before = wetPlaces(net, [], struckOut);
  return dry.filter((id) => before.has(id));
}
