/** Whether the one who asked reads as fast as is written: what is written beyond that would be held in memory. */
import { AsyncLocalStorage } from 'node:async_hooks';
import type { ServerResponse } from 'node:http';
import { drainedOrClosed } from '../../../store/database/index.ts';

/** One for the process: the server's door and the pages behind it are built apart. */
const KEY = Symbol.for('brass-nut response');
const shared = globalThis as { [KEY]?: AsyncLocalStorage<ServerResponse> };
shared[KEY] ??= new AsyncLocalStorage();
const answering = shared[KEY];

/** Has what is done for a request know whom it answers. */
export const answers = (response: ServerResponse, work: () => void): void => answering.run(response, work);

/** The response that is being answered; undefined outside a request of the server's own door. */
export const responseHere = (): ServerResponse | undefined => answering.getStore();

/** Waits until what was written is on its way, or nobody reads it any more. */
export async function drained(response: ServerResponse | undefined): Promise<void> {
  if (response?.writableNeedDrain && !response.destroyed) await drainedOrClosed(response);
}
