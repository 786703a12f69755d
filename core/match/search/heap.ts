/** A binary heap of whole numbers by key, the least first; numbers only, so that a search makes no rubbish. */
export class Heap {
  private keys = new Float64Array(1024);
  private items = new Int32Array(1024);
  size = 0;

  /** Least key; Infinity when empty. */
  get least(): number {
    return this.size === 0 ? Number.POSITIVE_INFINITY : this.keys[0]!;
  }

  clear(): void {
    this.size = 0;
  }

  push(key: number, item: number): void {
    if (this.size === this.keys.length) this.grow();
    const { keys, items } = this;
    let at = this.size++;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (keys[up]! <= key) break;
      keys[at] = keys[up]!;
      items[at] = items[up]!;
      at = up;
    }
    keys[at] = key;
    items[at] = item;
  }

  /** Takes out the item of the least key; -1 when empty. */
  pop(): number {
    if (this.size === 0) return -1;
    const { keys, items } = this;
    const top = items[0]!;
    const size = --this.size;
    const key = keys[size]!;
    const item = items[size]!;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= size) break;
      if (child + 1 < size && keys[child + 1]! < keys[child]!) child++;
      if (keys[child]! >= key) break;
      keys[at] = keys[child]!;
      items[at] = items[child]!;
      at = child;
    }
    keys[at] = key;
    items[at] = item;
    return top;
  }

  /** All items, in no order. */
  all(): Int32Array {
    return this.items.slice(0, this.size);
  }

  private grow(): void {
    const keys = new Float64Array(this.keys.length * 2);
    keys.set(this.keys);
    this.keys = keys;
    const items = new Int32Array(this.items.length * 2);
    items.set(this.items);
    this.items = items;
  }
}
