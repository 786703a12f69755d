/** The water of a house that nobody has drawn: its main valve, its heater, and the stops of the runs that are known. */
import type { NetValve, StopKind, WaterNetwork } from './network.ts';

export interface KnownRun {
  id: string;
  name: string;
  water: 'cold' | 'hot';
  /** null: nobody looked; kind 'none': there is none. */
  stop: { kind: StopKind | 'none'; condition: NetValve['condition'] } | null;
  /** Runs that meet in one mixing faucet name the same appliance; null where hot and cold never meet. */
  mixesAt: string | null;
}

/** Ids in the network of a run's inlet and of its stop. */
export const inletOf = (runId: string): string => `inlet ${runId}`;
export const stopOf = (runId: string): string => `stop ${runId}`;
export const MAIN = 'main valve';
export const STREET = 'street valve';

/**
 * What can be planned on before anything is drawn: every run hangs on the trunk behind the main valve, hot ones behind the heater, each by its stop where it has
 * one. Heights and lengths are not known: no volumes follow from it.
 */
export function knownNetwork(runs: readonly KnownRun[]): WaterNetwork {
  const net: WaterNetwork = {
    places: [
      { id: 'street', kind: 'source', heightFt: 0, name: 'the street' },
      { id: 'service', kind: 'junction', heightFt: 0, name: 'the service line' },
      { id: 'trunk', kind: 'junction', heightFt: 0, name: 'the trunk' },
    ],
    pipes: [],
    valves: [
      { id: STREET, a: 'street', b: 'service', kind: 'street', condition: 'unknown', name: 'the valve in the street' },
      { id: MAIN, a: 'service', b: 'trunk', kind: 'gate', condition: 'unknown', name: 'the main valve' },
    ],
  };
  const pipe = (a: string, b: string) => net.pipes.push({ id: `${a} to ${b}`, a, b, boreIn: 0.545, lengthFt: 0 });
  if (runs.some((r) => r.water === 'hot')) {
    net.places.push({ id: 'heater', kind: 'heater', heightFt: 0, name: 'the water heater' });
    pipe('trunk', 'heater');
  }
  for (const { id, name, water, stop, mixesAt } of runs) {
    const from = water === 'hot' ? 'heater' : 'trunk';
    net.places.push({ id: inletOf(id), kind: 'outlet', heightFt: 0, name });
    if (stop === null || stop.kind === 'none') pipe(from, inletOf(id));
    else net.valves.push({ id: stopOf(id), a: from, b: inletOf(id), kind: stop.kind, condition: stop.condition, name: `the stop of ${name}` });
    if (mixesAt === null) continue;
    const mixer = `mixer ${mixesAt}`;
    if (!net.places.some((p) => p.id === mixer)) net.places.push({ id: mixer, kind: 'mixer', heightFt: 0 });
    pipe(inletOf(id), mixer);
  }
  return net;
}
