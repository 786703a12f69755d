/** Who entered something and when, whatever it is: what orders entries, and names the one that another corrects. */
export interface Stamped {
  /** UUIDv7, made by the device that saw it. */
  id: string;
  /** The entry this one stands in place of. */
  correctsId: string | null;
  deviceId: string;
  /** Who said it; null while nobody signs in. Left out by programs that knew no people. */
  personId?: string | null;
  /** Place among the entries of its device, from 1; left out by devices and files that do not count. */
  seq?: number;
  /** By the device's clock, ISO 8601. */
  seenAt: string;
  /** By the device's clock when it was sent; null until then. */
  sentAt: string | null;
  /** By the server's clock; null until it is kept there. */
  recordedAt: string | null;
}

/**
 * What happened on site, one row each, appended and never edited. A correction is a new entry of the same kind that names the one it corrects.
 */
export interface EntryBase extends Stamped {
  visitId: string;
  runId: string;
  jointId: string | null;
  checkPointId: string | null;
}

/** The joint or check point an entry is about. */
export const targetOf = (entry: EntryBase): string | null => entry.jointId ?? entry.checkPointId;

/**
 * When it happened by a clock that can be trusted: the device's own time, moved by how far its clock was off when it sent the entry, and never later
 * than it came.
 *
 * @returns milliseconds since 1970
 */
export function happenedAt(entry: Stamped): number {
  const righted = Date.parse(entry.seenAt) + sentOffMs(entry);
  return entry.recordedAt === null ? righted : Math.min(righted, Date.parse(entry.recordedAt));
}

/** How far the device's clock was behind when something was pressed, milliseconds; what a slow network takes is too little to matter. */
export const clockOffMs = (entry: Stamped): number => (entry.recordedAt === null ? 0 : happenedAt(entry) - Date.parse(entry.seenAt));

/** Seen later than it came, whatever is made of its clock: when it happened nobody knows, but that it was before it came. */
export function isSeenTooLate(entry: Stamped): boolean {
  return entry.recordedAt !== null && Date.parse(entry.seenAt) + sentOffMs(entry) > Date.parse(entry.recordedAt);
}

/** How far its clock was behind the server's when it was sent, milliseconds. */
function sentOffMs(entry: Stamped): number {
  if (entry.recordedAt === null || entry.sentAt === null || entry.recordedAt === entry.sentAt) return 0;
  return Date.parse(entry.recordedAt) - Date.parse(entry.sentAt);
}
