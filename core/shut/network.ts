/** The water of a premises as a network: places with heights, pipes with bore and length, valves as links of no length. */
import { InputError } from '../errors.ts';

export const PLACE_KINDS = ['source', 'tank', 'heater', 'junction', 'outlet', 'mixer'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

/** What stands at a place and wants its own hand when the water goes: run dry it is spoilt, or it pushes water back. */
export const STANDING = ['booster pump', 'recirculation pump', 'reverse-osmosis tank', 'well pump'] as const;
export type Standing = (typeof STANDING)[number];

/** 'street': before the house, turned by a key and often by the utility alone. */
export const VALVE_KINDS = ['quarter-turn', 'multi-turn', 'gate', 'saddle', 'check', 'regulator', 'street'] as const;
export type ValveKind = (typeof VALVE_KINDS)[number];

/** What a run's own stop may be. */
export type StopKind = Exclude<ValveKind, 'check' | 'regulator' | 'street'>;

export const VALVE_CONDITIONS = ['works', 'weeps', 'passes', 'seized-open', 'seized-shut', 'broken', 'unknown'] as const;
export type ValveCondition = (typeof VALVE_CONDITIONS)[number];

export interface NetPlace {
  id: string;
  kind: PlaceKind;
  /** Over any level that the whole network is measured from, ft. */
  heightFt: number;
  name?: string;
  stands?: Standing;
}

export interface NetPipe {
  id: string;
  /** Places that it joins. */
  a: string;
  b: string;
  boreIn: number;
  lengthFt: number;
}

export interface NetValve {
  id: string;
  a: string;
  b: string;
  kind: ValveKind;
  condition: ValveCondition;
  name?: string;
}

export interface WaterNetwork {
  places: NetPlace[];
  pipes: NetPipe[];
  valves: NetValve[];
}

/** What is wrong with a network, and where. */
export interface NetFault {
  rule: 'no-id' | 'doubled-id' | 'to-nowhere' | 'to-itself' | 'figure' | 'no-source' | 'unreached' | 'no-own-stop';
  /** The place, pipe or valve that it is about. */
  at: string;
  text: string;
  /** Nothing can be planned on it; else it is only told. */
  isHard: boolean;
}

/** Water comes from it by itself, as long as it is not shut off. */
export const isSource = ({ kind }: Pick<NetPlace, 'kind'>): boolean => kind === 'source';
/** It holds some under pressure (expansion, well, reverse osmosis): it feeds nobody for long, and is relieved before a line that it is joined to is opened. */
export const isTank = ({ kind }: Pick<NetPlace, 'kind'>): boolean => kind === 'tank';
/** A source that stops at its breaker. */
export const isWell = ({ kind, stands }: Pick<NetPlace, 'kind' | 'stands'>): boolean => kind === 'source' && stands === 'well pump';
/** May be turned shut, and then keeps water back as far as anybody knows. */
export const canShut = ({ kind, condition }: Pick<NetValve, 'kind' | 'condition'>): boolean =>
  kind !== 'check' && kind !== 'regulator' && (condition === 'works' || condition === 'weeps' || condition === 'unknown');
/** Shut already, and not to be moved. */
export const isStuckShut = ({ kind, condition }: Pick<NetValve, 'kind' | 'condition'>): boolean =>
  kind !== 'check' && kind !== 'regulator' && condition === 'seized-shut';

/** Faults that nothing can be planned on: doubled and missing ids, links to nowhere, figures that cannot be; each names its place. */
export function brokenLinks({ places, pipes, valves }: WaterNetwork): NetFault[] {
  const faults: NetFault[] = [];
  const hard = (rule: NetFault['rule'], at: string, text: string) => faults.push({ rule, at, text, isHard: true });
  const seen = new Set<string>();
  for (const { id } of [...places, ...pipes, ...valves]) {
    if (id === '') hard('no-id', id, 'Something has no id: give it one.');
    else if (seen.has(id)) hard('doubled-id', id, `The id "${id}" is used twice: give one of them another.`);
    seen.add(id);
  }
  const known = new Set(places.map((p) => p.id));
  for (const p of places) if (!Number.isFinite(p.heightFt)) hard('figure', p.id, `${nameOf(p)}: its height is no number of feet.`);
  for (const link of [...pipes, ...valves]) {
    for (const end of [link.a, link.b]) if (!known.has(end)) hard('to-nowhere', link.id, `"${link.id}" leads to "${end}", which is no place.`);
    if (link.a === link.b) hard('to-itself', link.id, `"${link.id}" begins and ends at "${link.a}".`);
  }
  for (const p of pipes) {
    if (!(p.boreIn > 0 && p.boreIn <= 24)) hard('figure', p.id, `"${p.id}": its bore is to be more than 0 and at most 24 in.`);
    if (!(p.lengthFt >= 0 && p.lengthFt <= 10_000)) hard('figure', p.id, `"${p.id}": its length is to be 0 to 10,000 ft.`);
  }
  return faults;
}

/** What is missing in a network that can be planned on: no source, outlets that no source reaches, appliances without a stop of their own. */
export function missing({ places, pipes, valves }: WaterNetwork): NetFault[] {
  const faults: NetFault[] = [];
  const told = (rule: NetFault['rule'], at: string, text: string) => faults.push({ rule, at, text, isHard: false });
  const sources = places.filter(isSource);
  if (sources.length === 0) told('no-source', '', 'No source is drawn: begin where the water comes in.');
  const around = neighbours([...pipes, ...valves]);
  const reached = new Set(sources.map((s) => s.id));
  for (const id of reached) for (const { to } of around.get(id) ?? []) reached.add(to);
  for (const p of places) {
    if (p.kind !== 'outlet') continue;
    if (sources.length > 0 && !reached.has(p.id)) told('unreached', p.id, `No pipe leads to ${nameOf(p)} from a source.`);
    else if (!hasOwnStop(p.id, places, around)) told('no-own-stop', p.id, `${nameOf(p)} has no stop of its own.`);
  }
  return faults;
}

export const nameOf = ({ id, name }: { id: string; name?: string | undefined }): string => name ?? `"${id}"`;

interface Around {
  to: string;
  link: NetPipe | NetValve;
}

function neighbours(links: readonly (NetPipe | NetValve)[]): Map<string, Around[]> {
  const around = new Map<string, Around[]>();
  const add = (from: string, to: string, link: NetPipe | NetValve) => {
    const list = around.get(from);
    if (list) list.push({ to, link });
    else around.set(from, [{ to, link }]);
  };
  for (const link of links) {
    add(link.a, link.b, link);
    add(link.b, link.a, link);
  }
  return around;
}

/** Walked from the outlet: a valve comes before the line branches. */
function hasOwnStop(id: string, places: readonly NetPlace[], around: Map<string, Around[]>): boolean {
  const kinds = new Map(places.map((p) => [p.id, p.kind]));
  let [here, from] = [id, ''];
  for (let steps = 0; steps <= places.length; steps++) {
    const on = (around.get(here) ?? []).filter((n) => n.link.id !== from);
    if (on.length !== 1) return false;
    const { to, link } = on[0]!;
    if ('kind' in link && link.kind !== 'check' && link.kind !== 'regulator') return true;
    if (kinds.get(to) === 'source' || kinds.get(to) === 'tank') return false;
    [here, from] = [to, link.id];
  }
  return false;
}

/** @throws InputError  for the first fault that nothing can be planned on */
export function sound(net: WaterNetwork): WaterNetwork {
  const [fault] = brokenLinks(net);
  if (fault) throw new InputError('network', fault.at, fault.text);
  return net;
}
