/** A device that keeps in memory what a browser keeps on its disk: for trying out how entries travel. */
import { v7 as uuidv7 } from 'uuid';
import type { Entry } from '../record/index.ts';
import type { VisitSheet } from '../record/visit/sheet.ts';
import type { DeviceFacts, Outgoing } from '../sync/device.ts';
import type { Kit, Placed } from '../sync/protocol.ts';
import type { Reader } from '../sync/pull.ts';
import type { Outbox } from '../sync/push.ts';

export class MemoryDevice implements Outbox, Reader {
  deviceId = uuidv7();
  private seq = 0;
  private own: Outgoing[] = [];
  private read: DeviceFacts = { deviceId: this.deviceId, shop: 0, cursor: 0, visits: -1, kit: null };
  readonly known = new Map<string, Entry>();
  readonly sheets = new Map<string, VisitSheet>();
  /** Ids that the server said it has. */
  readonly acknowledged = new Set<string>();
  refused: Outgoing[] = [];

  keep(entry: Entry): Entry {
    this.seq += 1;
    const numbered = { ...entry, deviceId: this.deviceId, seq: this.seq };
    this.own.push({ seq: this.seq, entry: numbered, status: 'waiting' });
    return numbered;
  }

  async outgoing(): Promise<Outgoing[]> {
    return this.own;
  }

  async settle(...[kept, refused]: Parameters<Outbox['settle']>): Promise<void> {
    for (const { seq, entry, sentAt, recordedAt, position } of kept) {
      this.acknowledged.add(entry.id);
      this.own = this.own.filter((o) => o.seq !== seq);
      this.known.set(entry.id, { ...entry, sentAt, recordedAt, ...(position === undefined ? {} : { position }) } as Entry);
    }
    for (const { seq, rule, why } of refused) {
      this.refused.push(...this.own.filter((o) => o.seq === seq).map((o): Outgoing => ({ ...o, status: 'refused', rule, why })));
      this.own = this.own.filter((o) => o.seq !== seq);
    }
  }

  async rename(): Promise<void> {
    this.deviceId = uuidv7();
    this.own = this.own.map((o) => ({ ...o, entry: { ...o.entry, deviceId: this.deviceId } }));
  }

  async facts(): Promise<DeviceFacts> {
    return this.read;
  }

  async take(entries: Placed[], cursor: number): Promise<void> {
    for (const e of entries) {
      this.known.set(e.id, e);
      if (this.own.some((o) => o.entry.id === e.id)) this.acknowledged.add(e.id);
      this.own = this.own.filter((o) => o.entry.id !== e.id);
    }
    this.read = { ...this.read, cursor: Math.max(this.read.cursor, cursor) };
  }

  async takeKit({ shop, sheets, position, visits, from, to }: Kit): Promise<void> {
    for (const sheet of sheets) {
      this.sheets.set(sheet.visit.id, sheet);
      for (const e of sheet.entries) this.known.set(e.id, e);
    }
    const cursor = this.read.shop === shop ? this.read.cursor : position;
    this.read = { ...this.read, shop, cursor, visits, kit: { from, to } };
  }

  /** A visit as this device sees it. */
  sheet(id: string): VisitSheet {
    const held = this.sheets.get(id)!;
    const own = this.own.map((o) => o.entry).filter((e) => e.visitId === id && !this.known.has(e.id));
    return { ...held, entries: [...[...this.known.values()].filter((e) => e.visitId === id), ...own] };
  }
}
