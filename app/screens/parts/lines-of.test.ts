import '../../testing.ts';
import assert from 'node:assert/strict';
import { it } from 'node:test';
import { linesOf } from './lines-of.ts';

async function read(pieces: Uint8Array[]): Promise<unknown[]> {
  const all: unknown[] = [];
  for await (const line of linesOf(new Blob(pieces as never).stream() as never)) all.push(line);
  return all;
}
const bytes = (text: string) => new TextEncoder().encode(text);

it('lines are read however they are cut on their way, in the middle of a letter too, and the last without its end', async () => {
  const text = '{"progress":{"step":"reading","done":1,"of":2}}\n\n{"problem":{"detail":"Zeile ü"}}\n{"done":true,"parts":7}';
  const want = [{ progress: { step: 'reading', done: 1, of: 2 } }, { problem: { detail: 'Zeile ü' } }, { done: true, parts: 7 }];
  const all = bytes(text);
  for (let cut = 0; cut <= all.length; cut++) {
    const stream = new ReadableStream<Uint8Array>({
      start(c) {
        c.enqueue(all.slice(0, cut));
        c.enqueue(all.slice(cut));
        c.close();
      },
    });
    const got: unknown[] = [];
    for await (const line of linesOf(stream)) got.push(line);
    assert.deepEqual(got, want, `cut at ${cut}`);
  }
  assert.deepEqual(await read([bytes('')]), []);
});
