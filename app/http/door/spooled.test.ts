import assert from 'node:assert/strict';
import { readdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { describe, it } from 'node:test';
import { TooLargeError } from './guard.ts';
import { spooled } from './spooled.ts';

const request = (body: BodyInit | null) => new Request('http://localhost/', { method: 'POST', body });
const left = async () => (await readdir(tmpdir())).filter((f) => /^brass-nut-[A-Za-z0-9]{6}$/.test(f)).length;
const all = async (lines: () => AsyncIterable<string>) => {
  const found: string[] = [];
  for await (const line of lines()) found.push(line);
  return found;
};

describe('a body that is too large to be held', () => {
  it('is read line by line, as often as wanted, whatever its line ends, and leaves nothing behind', async () => {
    const before = await left();
    const twice = await spooled(request('a\r\nb\n{"ü":1}'), async (lines) => [await all(lines), await all(lines)]);
    assert.deepEqual(twice, [
      ['a', 'b', '{"ü":1}'],
      ['a', 'b', '{"ü":1}'],
    ]);
    assert.equal(await left(), before);
  });
  it('is refused past its limit, and whatever goes wrong leaves nothing behind', async () => {
    const before = await left();
    await assert.rejects(spooled(request('x'.repeat(100)), all, 50), TooLargeError);
    await assert.rejects(
      spooled(request('x'), async () => {
        throw new Error('broken');
      }),
      /broken/,
    );
    assert.equal(await left(), before);
  });
  it('may be empty', async () => {
    assert.deepEqual(await spooled(request(null), all), []);
  });
});
