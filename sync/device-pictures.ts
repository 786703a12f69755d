/** Pictures taken on this device: kept on its disk until the server has them whole; a small one stays. */
import type { IDBPDatabase } from 'idb';
import type { KeptPicture, Schema } from './device-schema.ts';
import { notKept } from './not-kept.ts';

export class DevicePictures {
  constructor(private readonly db: IDBPDatabase<Schema>) {}

  /** On disk when the promise is fulfilled. A picture that is here already stays as it is. @throws NotKeptError */
  async keep(picture: KeptPicture): Promise<void> {
    try {
      await this.put(picture);
    } catch (error) {
      throw notKept(error);
    }
  }

  private async put(picture: KeptPicture): Promise<void> {
    const tx = this.db.transaction('pictures', 'readwrite', { durability: 'strict' });
    if (!(await tx.store.get(picture.id))) await tx.store.put(picture);
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
