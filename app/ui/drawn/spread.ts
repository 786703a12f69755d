/** Moves places along a row apart until none is nearer to the next than `gap`, in their order, within 0 and `width` where there is room. */
export function spread(places: Map<number, number>, gap: number, width: number): Map<number, number> {
  const row = [...places].sort((a, b) => a[1] - b[1]);
  for (let i = 1; i < row.length; i++) row[i]![1] = Math.max(row[i]![1], row[i - 1]![1] + gap);
  const last = row.at(-1);
  if (last) last[1] = Math.min(last[1], Math.max(width - gap / 2, (row.length - 0.5) * gap));
  for (let i = row.length - 2; i >= 0; i--) row[i]![1] = Math.min(row[i]![1], row[i + 1]![1] - gap);
  return new Map(row);
}
