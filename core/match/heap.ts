/** A binary heap, the least first. */
export class Heap<T> {
  private items: { key: number; item: T }[] = [];

  get size(): number {
    return this.items.length;
  }

  push(key: number, item: T): void {
    const { items } = this;
    let at = items.length;
    items.push({ key, item });
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (items[up]!.key <= key) break;
      items[at] = items[up]!;
      at = up;
    }
    items[at] = { key, item };
  }

  pop(): { key: number; item: T } | undefined {
    const { items } = this;
    const top = items[0];
    const last = items.pop();
    if (top === undefined || last === undefined || items.length === 0) return top;
    let at = 0;
    for (;;) {
      const left = 2 * at + 1;
      if (left >= items.length) break;
      const right = left + 1;
      const child = right < items.length && items[right]!.key < items[left]!.key ? right : left;
      if (items[child]!.key >= last.key) break;
      items[at] = items[child]!;
      at = child;
    }
    items[at] = last;
    return top;
  }
}
