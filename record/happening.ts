/** A line of "what happened here", of a run or of the book: what was entered, and what became of it. */

import type { Resolved } from './effective.ts';
import { happenedAt, type Stamped } from './entry.ts';
import { reasonWords } from './reasons.ts';

export interface Telling {
  id: string;
  /** By a clock that can be trusted, milliseconds since 1970. */
  atMs: number;
  /** 'J2', 'Stop stem'; '' for what is said of the run. */
  who: string;
  what: string;
  /** How far the device's clock was off where that matters, minutes: more than nought when it was slow. */
  clockOffMin: number;
}

export interface Happening extends Telling {
  kind: string;
  deviceId: string;
  /** The entry to name when this is corrected. */
  newestId: string;
  /** The entries to name, in this order, when all of it is taken back, its corrections first. */
  wholeIds: string[];
  /** Other things that were said in its place, oldest first. */
  before: string[];
  /** Why it was taken back, when and by which device, and what to name to put it back; null while it stands. */
  withdrawn: { reason: string; atMs: number; deviceId: string; ids: string[] } | null;
  /** Not with the server yet. */
  isUnsent: boolean;
}

type Said = Stamped & { body: unknown };

/** What was entered, in order, each with what became of it. */
export function happeningsOf<E extends Said>(all: readonly Resolved<E>[], tell: (entry: E) => Telling & { kind: string }): Happening[] {
  return all.map((fate) => {
    const { first, by, withdrawnBy, later } = fate;
    const told = tell({ ...first, body: by.body });
    const said = [first, ...later].map(tell).filter((t) => t.kind === told.kind);
    return {
      ...told,
      deviceId: first.deviceId,
      newestId: by.id,
      wholeIds: wholeOf(fate),
      before: [...new Set(said.map((t) => t.what))].filter((what) => what !== told.what),
      withdrawn: withdrawnBy && {
        reason: reasonOf(withdrawnBy),
        atMs: happenedAt(withdrawnBy),
        deviceId: withdrawnBy.deviceId,
        ids: withTogether(withdrawnBy, later),
      },
      isUnsent: by.recordedAt === null || withdrawnBy?.recordedAt === null,
    };
  });
}

/** What counts, and back through what it corrects to what was entered first. */
export function wholeOf<E extends Stamped>({ first, by, later }: Resolved<E>): string[] {
  const ids: string[] = [];
  for (let entry: E | undefined = by; entry && !ids.includes(entry.id); ) {
    ids.push(entry.id);
    const { correctsId }: Stamped = entry;
    entry = correctsId === first.id ? first : later.find((e) => e.id === correctsId);
  }
  return ids;
}

/** A press that took all of something back took its corrections back with it: they are put back with it too, the last first. */
function withTogether<E extends Said>(withdrawal: E, later: E[]): string[] {
  const isOfOnePress = (e: E) =>
    'reason' in (e.body as object) &&
    e.deviceId === withdrawal.deviceId &&
    reasonOf(e) === reasonOf(withdrawal) &&
    Math.abs(Date.parse(e.seenAt) - Date.parse(withdrawal.seenAt)) < ONE_PRESS_MS;
  return [withdrawal.id, ...later.filter((e) => e.id !== withdrawal.id && isOfOnePress(e)).map((e) => e.id)];
}

const ONE_PRESS_MS = 1000;

const reasonOf = (withdrawal: Said): string => reasonWords((withdrawal.body as { reason?: string }).reason ?? '');
