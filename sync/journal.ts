/**
 * What was pressed and is not on the disk yet. A browser may drop a transaction that waits for its turn when its tab dies; a line noted here,
 * which takes no turn, is still there for the next page. It is crossed out as soon as the entry is kept.
 */
import { v7 as uuidv7 } from 'uuid';
import type { AnyEntry } from './device.ts';
import { ofThisShop } from './shop-here.ts';

const PREFIX = ofThisShop('brass-nut-pressed');
const lockOf = (page: string) => `${PREFIX} ${page}`;

/** What a browser gives for this; left out parts make the journal do without. */
export interface JournalParts {
  storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'> | null;
  locks: Pick<LockManager, 'request' | 'query'> | null;
}

export class Journal {
  private readonly page = uuidv7();
  private lines = 0;

  constructor(private readonly parts: JournalParts) {
    // Held while the page lives: others leave its lines alone.
    parts.locks?.request(lockOf(this.page), () => new Promise(() => {})).catch(() => {});
  }

  /** Notes entries at once; the function crosses them out. */
  note(entries: AnyEntry[]): () => void {
    const { storage } = this.parts;
    this.lines += 1;
    const key = `${PREFIX} ${this.page} ${String(this.lines).padStart(6, '0')}`;
    try {
      storage?.setItem(key, JSON.stringify(entries));
    } catch {
      // Full, or not allowed: the store by itself must do.
    }
    return () => storage?.removeItem(key);
  }

  /** Lines of pages that are gone, in the order in which they were noted. Each is crossed out once it was taken over. */
  async takeOver(take: (entries: AnyEntry[]) => Promise<void>): Promise<void> {
    const { storage, locks } = this.parts;
    if (!storage) return;
    const held = new Set(((await locks?.query())?.held ?? []).map((lock) => lock.name));
    for (const key of keysOf(storage).sort()) {
      const page = key.split(' ')[1] as string;
      if (page === this.page || held.has(lockOf(page))) continue;
      const entries = read(storage.getItem(key));
      if (entries.length > 0) await take(entries);
      storage.removeItem(key);
    }
  }
}

function keysOf(storage: NonNullable<JournalParts['storage']>): string[] {
  return Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '').filter((key) => key.startsWith(`${PREFIX} `));
}

function read(text: string | null): AnyEntry[] {
  try {
    const list = JSON.parse(text ?? '[]') as AnyEntry[];
    return Array.isArray(list) ? list : [];
  } catch {
    return [];
  }
}

/** Of this browser. */
export function journalHere(): Journal {
  let storage: Storage | null = null;
  try {
    storage = localStorage;
  } catch {
    // Not allowed here.
  }
  return new Journal({ storage, locks: navigator.locks ?? null });
}
