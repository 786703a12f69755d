/** Pictures taken on this device: kept on its disk until the server has them whole; a small one stays. */
import type { IDBPDatabase } from 'idb';
import type { KeptPicture, Schema } from './device-schema.ts';
import { notKept } from './not-kept.ts';

export class DevicePictures {
  constructor(private readonly db: IDBPDatabase<Schema>) {}

  /**
   * On disk when the promise is fulfilled, and to be sent: also where it was sent, refused or put away before, for it is wanted again. One that is on its way
   * goes on. @throws NotKeptError
   */
  async keep(picture: KeptPicture): Promise<void> {
    try {
      await this.put(picture);
    } catch (error) {
      throw notKept(error);
    }
  }

  private async put(picture: KeptPicture): Promise<void> {
    const tx = this.db.transaction('pictures', 'readwrite', { durability: 'strict' });
    const before = await tx.store.get(picture.id);
    if (before?.status !== 'waiting') await tx.store.put({ ...picture, small: picture.small ?? before?.small ?? null });
    await tx.done;
  }

  get = (id: string): Promise<KeptPicture | undefined> => this.db.get('pictures', id);

  /** The next that is to be sent. */
  async next(): Promise<KeptPicture | undefined> {
    return this.db.getFromIndex('pictures', 'status', 'waiting');
  }

  async waiting(): Promise<number> {
    return this.db.countFromIndex('pictures', 'status', 'waiting');
  }

  /** Those that the server would not have, with its words. */
  async refused(): Promise<KeptPicture[]> {
    return this.db.getAllFromIndex('pictures', 'status', 'refused');
  }

  async change(id: string, change: Partial<KeptPicture>): Promise<void> {
    const tx = this.db.transaction('pictures', 'readwrite', { durability: 'strict' });
    const found = await tx.store.get(id);
    if (found) await tx.store.put({ ...found, ...change });
    await tx.done;
  }
}
