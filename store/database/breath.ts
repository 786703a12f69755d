import type { EventEmitter } from 'node:events';
import { setImmediate as turn } from 'node:timers/promises';

/** Longest that work holds up everyone else, ms. */
const MOST_MS = 15;

/** For long work in the server's own thread: lets others have their turn now and then. */
export class Breath {
  private sinceMs = performance.now();

  async take(): Promise<void> {
    if (performance.now() - this.sinceMs < MOST_MS) return;
    await turn();
    this.sinceMs = performance.now();
  }
}

/** Waits until what was written to a stream is on its way, or nobody reads it any more. */
export function drainedOrClosed(stream: EventEmitter): Promise<void> {
  return new Promise((done) => {
    const end = () => {
      stream.off('drain', end);
      stream.off('close', end);
      done();
    };
    stream.on('drain', end);
    stream.on('close', end);
  });
}

/** Slices of a list, others having their turn between them. */
export async function* inSlices<T>(list: readonly T[], size: number): AsyncGenerator<readonly T[]> {
  const breath = new Breath();
  for (let i = 0; i < list.length; i += size) {
    yield list.slice(i, i + size);
    await breath.take();
  }
}
