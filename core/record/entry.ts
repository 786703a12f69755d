import type { EndCode } from '../ends/code.ts';
import type { HouseRules } from '../house/rules.ts';
import type { Chain, Need } from '../match/query.ts';
import type { Finding, Method, Round } from '../prove/method.ts';

/**
 * What happened on site, one row each, appended and never edited. A correction is a new entry of the same kind that names the one it corrects.
 */
export interface EntryBase {
  /** UUIDv7, made by the device that saw it. */
  id: string;
  visitId: string;
  runId: string;
  jointId: string | null;
  checkPointId: string | null;
  /** The entry this one stands in place of. */
  correctsId: string | null;
  deviceId: string;
  /** By the device's clock, ISO 8601. */
  seenAt: string;
  /** By the device's clock when it was sent; null until then. */
  sentAt: string | null;
  /** By the server's clock; null until it is kept there. */
  recordedAt: string | null;
}

export type StopKind = 'quarter-turn' | 'multi-turn' | 'gate' | 'saddle' | 'none';
export type StopCondition = 'works' | 'passes' | 'seized-open' | 'seized-shut' | 'broken' | 'weeps' | 'unknown';

/** An accepted chain with its grounds as they were: a later catalogue does not change history. */
export interface AcceptedChain {
  from: EndCode;
  to: EndCode;
  rejoin: EndCode | null;
  need: Need;
  chain: Chain;
  /** One for each joint, in order: its identity for life. */
  jointIds: string[];
  rules: HouseRules;
  catalogueVersion: string;
  /** Names and unit prices as they were, by part id or loose code; of a part its kind and tags too, from which its steps follow. */
  items: Record<string, { name: string; priceCents: number; kind?: string; tags?: string[] }>;
  currency: string;
  /** The acceptance this one replaces; null for the first. */
  replacesId: string | null;
}

/** An outlet of a part in another run's chain. */
export interface OutletRef {
  runId: string;
  part: string;
  end: string;
}

export interface Bodies {
  /** `outlet`: a water side that another run of the visit leaves free. */
  'end-seen': { side: 'from' | 'to' | 'rejoin'; end: EndCode | null; how: 'seen' | 'measured' | 'told'; outlet?: OutletRef };
  'stop-tried': { kind: StopKind; condition: StopCondition };
  'old-line-judged': { verdict: 'none' | 'keep' | 'replace'; findings: string[] };
  'distance-measured': { text: string; inches: number };
  'place-seen': { hidden: boolean; ownStop: boolean; arrestor: boolean; leaveOutlet?: boolean };
  'chain-accepted': AcceptedChain;
  'gate-answered': { stepId: string; answer: 'yes' | 'no'; note: string };
  'step-done': { stepId: string; done: boolean };
  'joint-made': { turns24: number };
  'look-begun': { round: Round; method: Method };
  'look-ended': { begunId: string; finding: Finding; drops: number | null; elapsedS: number | null };
  remedied: { action: 'nudge' | 'open-and-look' | 'remake' | 'shut'; turns24: number; movedJointIds: string[] };
  'signed-off': { targetMlPerDay: number; recheckHours: number; exceptions: { targetId: string; reason: string }[] };
  'callback-reported': { finding: Exclude<Finding, 'dry' | 'normal'>; text: string };
  noted: { text: string };
}

export type EntryKind = keyof Bodies;
export type EntryOf<K extends EntryKind> = EntryBase & { kind: K; body: Bodies[K] };
export type Entry = { [K in EntryKind]: EntryOf<K> }[EntryKind];

/**
 * When it happened by a clock that can be trusted: the device's own time, moved by how far its clock was off when it sent the entry.
 *
 * @returns milliseconds since 1970
 */
export function happenedAt(entry: EntryBase): number {
  const seen = Date.parse(entry.seenAt);
  if (entry.recordedAt === null || entry.sentAt === null) return seen;
  return seen + clockOffMs(entry);
}

/** How far the device's clock was behind the server's, milliseconds; what a slow network takes is too little to matter. */
export function clockOffMs(entry: EntryBase): number {
  if (entry.recordedAt === null || entry.sentAt === null) return 0;
  return Date.parse(entry.recordedAt) - Date.parse(entry.sentAt);
}

/**
 * Entries in the order they happened, those not yet sent last; corrected ones left out, their corrections standing in their place.
 *
 * One device's entries keep the order in which it made them, whatever its clock did in between; those of several are merged by the time
 * put right.
 */
export function standing(entries: Entry[]): Entry[] {
  const corrected = new Set(entries.map((e) => e.correctsId).filter((id) => id !== null));
  const timed = [...new Set(entries.map((e) => e.deviceId))].sort().flatMap((device) => {
    let latest = Number.NEGATIVE_INFINITY;
    return entries
      .filter((e) => e.deviceId === device)
      .sort(asMade)
      .map((entry) => {
        latest = entry.recordedAt === null ? Number.POSITIVE_INFINITY : Math.max(latest, happenedAt(entry));
        return { entry, at: latest };
      });
  });
  return timed
    .filter(({ entry }) => !corrected.has(entry.id))
    .sort((a, b) => (a.at === b.at ? 0 : a.at - b.at))
    .map(({ entry }) => entry);
}

/** The order in which a device made its entries: as they were recorded, for it sends them in order, then by id. */
function asMade(a: Entry, b: Entry): number {
  const [left, right] = [a.recordedAt ?? '9', b.recordedAt ?? '9'];
  if (left !== right) return left < right ? -1 : 1;
  return a.id < b.id ? -1 : 1;
}
