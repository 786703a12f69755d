import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Entry } from '../record/index.ts';
import { newEntry } from './entry.ts';
import { MemoryDevice } from './memory-device.ts';
import type { EntryAnswer } from './protocol.ts';
import { backoffMs, type Post, push } from './push.ts';

const at = () => new Date('2026-05-20T09:00:00Z');
const AT = at().toISOString();

function device(count: number): { device: MemoryDevice; entries: Entry[] } {
  const d = new MemoryDevice();
  const entries = Array.from({ length: count }, (_, i) => d.keep(newEntry({ deviceId: '', visitId: 'v', runId: 'r' }, 'noted', { text: String(i) })));
  return { device: d, entries };
}

const sentIn = (body: string): Entry[] => (JSON.parse(body) as { entries: Entry[] }).entries;
const kept = (e: Entry): EntryAnswer => ({ id: e.id, status: 'kept', recordedAt: AT });
const ok = (results: EntryAnswer[]) => ({ status: 200, text: JSON.stringify({ results }) });
const waiting = async (d: MemoryDevice) => (await d.outgoing()).length;

describe('sending', () => {
  it('goes by batches in the order of making, until all is sent', async () => {
    const { device: d, entries } = device(120);
    const seen: string[] = [];
    const post: Post = async (body) => {
      assert.ok(sentIn(body).length <= 50);
      assert.ok(sentIn(body).every((e) => e.sentAt === AT));
      seen.push(...sentIn(body).map((e) => e.id));
      return ok(sentIn(body).map(kept));
    };
    assert.deepEqual(await push(d, post, at), { state: 'all sent' });
    assert.deepEqual(
      seen,
      entries.map((e) => e.id),
    );
  });

  for (const [status, text, why] of [
    [null, '', 'no connection'],
    [401, '{"detail":"who?"}', 'sign in'],
    [403, 'no', 'sign in'],
    [404, '<html>', 'no connection'],
    [400, '<html>Bad Request</html>', 'no connection'],
    [400, '{"detail":"Bad Request"}', 'no connection'],
    [422, '{"type":"about:blank","detail":"Unprocessable"}', 'no connection'],
    [429, '', 'server busy'],
    [500, '', 'server busy'],
    [503, '{"type":"/problems/newer-page","detail":"Later."}', 'newer page'],
    [200, '<html>sign in to this network</html>', 'no connection'],
    [200, '{"results":"all"}', 'no connection'],
  ] as const) {
    it(`takes ${status ?? 'no answer'} ${text} for later, and drops nothing`, async () => {
      const { device: d } = device(3);
      assert.deepEqual(await push(d, async () => (status === null ? null : { status, text }), at), { state: 'later', why });
      assert.deepEqual([await waiting(d), d.refused.length], [3, 0]);
    });
  }

  it('leaves a refused entry with its reason and goes on with the rest', async () => {
    const { device: d, entries } = device(3);
    const post: Post = async (body) =>
      ok(sentIn(body).map((e) => (e.id === entries[1]!.id ? { id: e.id, status: 'refused', rule: 'no-chain', why: 'No chain yet.' } : kept(e))));
    assert.deepEqual(await push(d, post, at), { state: 'all sent' });
    assert.deepEqual(
      d.refused.map((o) => [o.entry.id, o.why]),
      [[entries[1]!.id, 'No chain yet.']],
    );
    assert.deepEqual([...d.acknowledged], [entries[0]!.id, entries[2]!.id]);
  });

  it('finds the one entry that spoils a batch, and refuses only that', async () => {
    const { device: d, entries } = device(5);
    const post: Post = async (body) => {
      if (sentIn(body).some((e) => e.id === entries[3]!.id))
        return { status: 400, text: JSON.stringify({ type: '/problems/json', detail: 'Not JSON.' }) };
      return ok(sentIn(body).map(kept));
    };
    assert.deepEqual(await push(d, post, at), { state: 'all sent' });
    assert.deepEqual(
      d.refused.map((o) => o.entry.id),
      [entries[3]!.id],
    );
    assert.equal(d.acknowledged.size, 4);
  });

  it('sends less at once when it is too much, and waits with what is too large by itself', async () => {
    const { device: d, entries } = device(9);
    const large = entries[8]!.id;
    const post: Post = async (body) =>
      sentIn(body).length > 2 || sentIn(body).some((e) => e.id === large) ? { status: 413, text: '' } : ok(sentIn(body).map(kept));
    assert.deepEqual(await push(d, post, at), { state: 'later', why: 'too large' });
    assert.deepEqual(
      (await d.outgoing()).map((o) => o.entry.id),
      [large],
    );
  });

  it('keeps what a server forgot to answer', async () => {
    const { device: d, entries } = device(3);
    let calls = 0;
    const post: Post = async (body) =>
      ok(
        sentIn(body)
          .slice(0, calls++ === 0 ? 1 : 3)
          .map(kept),
      );
    assert.deepEqual(await push(d, post, at), { state: 'all sent' });
    assert.deepEqual(d.acknowledged, new Set(entries.map((e) => e.id)));
    assert.deepEqual(await push(device(1).device, async () => ok([]), at), { state: 'later', why: 'server busy' });
  });

  it('sends under a new name of the device when its numbers are used', async () => {
    const { device: d, entries } = device(2);
    const before = d.deviceId;
    const post: Post = async (body) =>
      ok(sentIn(body).map((e) => (e.deviceId === before ? { id: e.id, status: 'refused', rule: 'seq-used', why: 'Used.' } : kept(e))));
    assert.deepEqual(await push(d, post, at), { state: 'all sent' });
    assert.deepEqual([d.acknowledged, d.refused], [new Set(entries.map((e) => e.id)), []]);
  });

  it('waits longer after each try, and never longer than half a minute', () => {
    const waits = [1, 2, 3, 4, 8, 20].map(backoffMs);
    assert.deepEqual(waits, [500, 1000, 2000, 4000, 30_000, 30_000]);
  });
});
