import assert from 'node:assert/strict';
import { it } from 'node:test';
import { whatFollows } from './what-follows.ts';

it('what follows from a look is not told otherwise than it was decided', () => {
  const sound = [
    { of: 'line', verdict: 'keep' },
    { of: 'stop', verdict: 'keep' },
  ] as const;
  const watched = [
    { of: 'line', verdict: 'watch' },
    { of: 'stop', verdict: 'replace' },
  ] as const;
  assert.equal(whatFollows([], null), null);
  assert.equal(whatFollows(sound, null), 'nothing to be done');
  assert.equal(whatFollows(sound, 'keep'), 'nothing to be done');
  assert.equal(whatFollows(sound, 'replace'), 'Old line: replace, as decided');
  assert.equal(whatFollows([], 'replace'), 'Old line: replace, as decided');
  assert.equal(whatFollows(watched, null), 'Old line: watch, Stop: replace');
  assert.equal(whatFollows(watched, 'replace'), 'Old line: replace, as decided, Stop: replace');
  assert.equal(whatFollows([{ of: 'line', verdict: 'replace' }], 'replace'), 'Old line: replace');
  assert.equal(whatFollows([{ of: 'line', verdict: 'replace' }], 'keep'), 'Old line: replace');
});
