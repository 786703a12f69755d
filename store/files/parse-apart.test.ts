import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { ImportError } from './import-error.ts';
import { readFile } from './parse-apart.ts';

describe('a large file, read beside the server', () => {
  it('is refused in words however deep or wide it is, while others have their turn', async () => {
    const is = (place: string) => (error: unknown) => error instanceof ImportError && error.at === place;
    let turns = 0;
    const turning = setInterval(() => turns++, 10);
    await assert.rejects(readFile('visit', '['.repeat(2_000_000)), is('line 1'));
    await assert.rejects(readFile('visit', `[${'[],'.repeat(400_000)}[]]`), is('the file'));
    await assert.rejects(readFile('water', `${' '.repeat(300_000)}{"format":"other"}`), is('format'));
    clearInterval(turning);
    assert.ok(turns > 5, `${turns} turns`);
  });
  it('is read as a small one is', async () => {
    const file = { format: 'brass-nut-water', version: 1, premises: 'House', things: [{ what: 'place', id: 's', kind: 'source', heightFt: 0 }] };
    const small = await readFile('water', JSON.stringify(file));
    assert.deepEqual(await readFile('water', JSON.stringify(file) + ' '.repeat(300_000)), small);
  });
});
