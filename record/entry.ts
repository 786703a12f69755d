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
  /** Place among the entries of its device, from 1; left out by devices and files that do not count. */
  seq?: number;
  /** By the device's clock, ISO 8601. */
  seenAt: string;
  /** By the device's clock when it was sent; null until then. */
  sentAt: string | null;
  /** By the server's clock; null until it is kept there. */
  recordedAt: string | null;
}

/** The joint or check point an entry is about. */
export const targetOf = (entry: EntryBase): string | null => entry.jointId ?? entry.checkPointId;

/**
 * When it happened by a clock that can be trusted: the device's own time, moved by how far its clock was off when it sent the entry.
 *
 * @returns milliseconds since 1970
 */
export function happenedAt(entry: EntryBase): number {
  return Date.parse(entry.seenAt) + clockOffMs(entry);
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
export function standing<E extends EntryBase>(entries: readonly E[]): E[] {
  const corrected = new Set(entries.map((e) => e.correctsId));
  const devices = new Map<string, E[]>();
  for (const entry of entries) {
    const own = devices.get(entry.deviceId);
    if (own) own.push(entry);
    else devices.set(entry.deviceId, [entry]);
  }
  const timed: { entry: E; at: number }[] = [];
  for (const device of [...devices.keys()].sort()) {
    let latest = Number.NEGATIVE_INFINITY;
    for (const entry of devices.get(device)!.sort(asMade)) {
      latest = entry.recordedAt === null ? Number.POSITIVE_INFINITY : Math.max(latest, happenedAt(entry));
      if (!corrected.has(entry.id)) timed.push({ entry, at: latest });
    }
  }
  return timed.sort((a, b) => (a.at === b.at ? 0 : a.at - b.at)).map(({ entry }) => entry);
}

/** The order in which a device made its entries: by its count; without one, as they were recorded, for it sends them in order, then by id. */
function asMade(a: EntryBase, b: EntryBase): number {
  if (a.seq !== undefined && b.seq !== undefined) return a.seq - b.seq;
  const [left, right] = [a.recordedAt ?? '9', b.recordedAt ?? '9'];
  if (left !== right) return left < right ? -1 : 1;
  return a.id < b.id ? -1 : 1;
}
