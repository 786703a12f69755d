/** A name in two lines at most: two parts that begin alike end otherwise. */
export function inTwo(name: string, letters: number): string[] {
  if (name.length <= letters) return [name];
  const cut = name.lastIndexOf(' ', letters);
  const [first, rest] = cut > 0 ? [name.slice(0, cut), name.slice(cut + 1)] : [name.slice(0, letters), name.slice(letters)];
  return [first, rest.length > letters ? `… ${rest.slice(-(letters - 2))}` : rest];
}

/** A figure with one digit that is not below it: where an axis ends. */
export function roundUp(value: number): number {
  if (!(value > 0)) return 1;
  const unit = 10 ** Math.floor(Math.log10(value));
  return Math.ceil(value / unit) * unit;
}

/** A point in each row; none where there is no figure. The library's types know of one kind of data in a chart. */
export const points = (xs: number[]) => xs.map((x, y) => ({ x, y })) as unknown as [number, number][];
