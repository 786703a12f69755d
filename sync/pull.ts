/** Fetching what is new: by cursor, told by a stream; asking now and then where no stream comes through. */
import type { DeviceFacts, DeviceStore } from './device.ts';
import type { Changes, Holding, OfflineSnapshot } from './protocol.ts';

/** What fetching asks of a device's store. */
export type Reader = Pick<DeviceStore, 'facts' | 'take' | 'takeKit' | 'keepHolding'>;

/** Reads JSON of an address; null where no good answer came in time. */
export type Fetch = <T>(path: string) => Promise<T | null>;

/**
 * Brings the device up to the shop: what was recorded since its cursor, and the visits of its next days where they are other ones now.
 *
 * @param today the device's own day: another one than the kit begins with asks for the kit again
 * @returns whether anything came, or null when the server did not answer
 */
export async function pull(store: Reader, fetch: Fetch, today: string): Promise<boolean | null> {
  let news = false;
  let asked = false;
  for (;;) {
    const facts = await store.facts();
    const changes = await fetch<Changes>(`/api/v1/changes?after=${facts.cursor}`);
    if (!changes) return null;
    // Once in a go: a device whose clock is a year ahead would ask for ever.
    if (!asked && wantsKit(facts, changes, today)) {
      asked = true;
      const kit = await fetch<OfflineSnapshot>('/api/v1/kit');
      if (!kit) return null;
      await store.takeKit(kit);
      news = true;
      continue;
    }
    const missing = await store.take(changes.entries, changes.book, changes.position);
    news ||= changes.entries.length + changes.book.length > 0;
    const wanted = changes.book.filter((e) => missing.includes(e.subject.id) && isSoon(e.body.onDate, facts.kit)).map((e) => e.subject.id);
    if (wanted.length > 0) {
      const holding = await fetch<Holding>(`/api/v1/book/holding?${wanted.map((id) => `visit=${id}`).join('&')}`);
      if (!holding) return null;
      await store.keepHolding(holding);
    }
    if (changes.position >= changes.newest) return news;
  }
}

function wantsKit(facts: DeviceFacts, changes: Changes, today: string): boolean {
  return changes.shop !== facts.shop || facts.kit === null || isOld(facts.kit, today);
}

/** A visit that was put on one of the days that a device carries. */
function isSoon(onDate: unknown, days: DeviceFacts['kit']): boolean {
  return typeof onDate === 'string' && days !== null && onDate >= days.from && onDate <= days.to;
}

/** The kit begins the day before its own today. */
function isOld(kit: { from: string; to: string }, today: string): boolean {
  return today > kit.to || dayAfter(dayAfter(kit.from)) < today;
}

function dayAfter(day: string): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + 86_400_000).toISOString().slice(0, 10);
}
