/** How figures are told, and how they are taken. */
export const line = (name: string, figure: string) => console.log(`${name.padEnd(66)} ${figure}`);
export const at = (sorted: number[], share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] as number;
export const timed = <T>(work: () => T): [ms: number, T] => {
  const began = performance.now();
  const result = work();
  return [performance.now() - began, result];
};
export const sorted = (times: number[]) => [...times].sort((a, b) => a - b);

/** Requests at a steady rate; milliseconds each took, sorted. */
export async function steady(perSecond: number, count: number, send: (i: number) => Promise<Response>): Promise<number[]> {
  const times: Promise<number>[] = [];
  const start = performance.now();
  for (let i = 0; i < count; i++) {
    const began = performance.now();
    times.push(
      send(i)
        .then((r) => r.text())
        .then(() => performance.now() - began),
    );
    await new Promise((wake) => setTimeout(wake, Math.max(0, start + ((i + 1) * 1000) / perSecond - performance.now())));
  }
  return sorted(await Promise.all(times));
}
