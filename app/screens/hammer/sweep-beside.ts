/** Sweeps worked out beside the page by as many workers as the machine has to spare: each takes every so-many-th run. */
import { proxy, type Remote, wrap } from 'comlink';
import { type Band, bandOf, type Spread, type SurgeQuestion } from '../../../core/index.ts';
import type { HammerWorker } from './hammer.worker.ts';

/** More gain nothing: each has to be started. */
const MOST_WORKERS = 4;

export interface Helper {
  thread: Worker;
  remote: Remote<HammerWorker>;
  /** Settles only where its file cannot be had: refuses, in words. */
  lost: Promise<never>;
}

export function newHelper(): Helper {
  const thread = new Worker(new URL('./hammer.worker.ts', import.meta.url), { type: 'module' });
  const lost = new Promise<never>((_, refuse) => {
    thread.onerror = () => refuse(new Error('What works it out could not be fetched: is there a connection? Load the page again then.'));
  });
  // Told where it is waited for; a helper that nobody asks yet is no fault.
  lost.catch(() => {});
  return { thread, remote: wrap<HammerWorker>(thread), lost };
}

export class Sweeper {
  private helpers: Helper[] = [];

  /** Starts its workers, so that a sweep need not wait for it. */
  ready(): void {
    const share = Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 1));
    while (this.helpers.length < share) this.helpers.push(newHelper());
  }

  /**
   * @param onRun told after every few runs how many are done
   * @returns never, once it was stopped
   */
  async sweep(question: SurgeQuestion, spread: Spread, runs: number, onRun: (done: number) => void): Promise<Band> {
    this.ready();
    const { helpers } = this;
    const doneBy = helpers.map(() => 0);
    const parts = helpers.map(({ remote, lost }, k) => {
      const told = proxy((done: number) => {
        doneBy[k] = done;
        onRun(doneBy.reduce((a, b) => a + b, 0));
      });
      return Promise.race([remote.sweep(question, spread, { first: k, every: helpers.length, runs }, told), lost]);
    });
    try {
      return bandOf((await Promise.all(parts)).flat(), question.seconds);
    } catch (fault) {
      this.stop();
      throw fault;
    }
  }

  /** Whatever they are at: a thread that is ended works no more. */
  stop(): void {
    for (const { thread } of this.helpers) thread.terminate();
    this.helpers = [];
  }
}
