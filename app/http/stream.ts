/** One look at the shop's order for all who wait for it: a stream is told when there is something to ask for. */
import { type Cursor, shopCursor } from '../../store/database/index.ts';
import { database } from './database.ts';

/** How often the order is looked at while somebody waits, ms. */
const LOOK_MS = 500;
/** A line now and then, so that a proxy keeps the stream and a dead one is found, ms. */
const BEAT_MS = 15_000;

type Listener = (cursor: Cursor) => void;
/** Who waits, by the shop. */
const listeners = new Map<string, Set<Listener>>();
let _timer: NodeJS.Timeout | null = null;

/** Tells a listener the cursor when it has moved, until it is let go. */
function watch(shopId: string, listener: Listener): () => void {
  const own = listeners.get(shopId) ?? new Set();
  listeners.set(shopId, own.add(listener));
  _timer ??= setTimeout(look, 0);
  return () => {
    own.delete(listener);
    if (own.size === 0 && listeners.get(shopId) === own) listeners.delete(shopId);
  };
}

async function look(): Promise<void> {
  try {
    for (const [shopId, own] of listeners) {
      const cursor = await shopCursor(database(), shopId);
      for (const listener of own) listener(cursor);
    }
  } catch {
    // The database is away: those who wait go on waiting, and are told when it is back.
  }
  _timer = listeners.size > 0 ? setTimeout(look, LOOK_MS) : null;
}

/** Server-sent events: `moved` with the cursor whenever it is not what the reader was told last. */
export function cursorStream(shopId: string, signal: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let stop = () => {};
  return new ReadableStream({
    start(controller) {
      let told = '';
      const say = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const leave = watch(shopId, (cursor) => {
        const data = JSON.stringify(cursor);
        if (data === told) return;
        told = data;
        say(`event: moved\ndata: ${data}\n\n`);
      });
      const beat = setInterval(() => say(': still here\n\n'), BEAT_MS);
      stop = () => {
        leave();
        clearInterval(beat);
        signal.removeEventListener('abort', stop);
      };
      signal.addEventListener('abort', stop);
      say('retry: 3000\n\n');
    },
    cancel() {
      stop();
    },
  });
}
