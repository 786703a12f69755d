import assert from 'node:assert/strict';
import { it } from 'node:test';
import { readList, usesOf } from './along-list.ts';

it('what was ticked is read again, and what is no list of names is none', () => {
  assert.deepEqual([null, '["a","b"]', '["a",3,null]', '{"a":1}', '"a"', 'spoilt'].map(readList), [[], ['a', 'b'], ['a'], [], [], []]);
});

it('a thing names what it is for, each once and four of them at most', () => {
  assert.equal(usesOf({ uses: ['cutting', 'cutting', 'bending', 'a', 'b', 'c'].map((f) => ({ for: f })) } as never), 'cutting, bending, a, b');
});
