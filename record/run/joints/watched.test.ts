import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { watchedWords } from './watched.ts';

describe('how long was watched, in words', () => {
  for (const [minutes, words] of [
    [2 / 60, '2 s'],
    [59.9 / 60, '59 s'],
    [1, '1 min'],
    [1.99, '1 min'],
    [9, '9 min'],
    [0, '0 s'],
  ] as const) {
    it(`${minutes.toFixed(3)} min is ${words}: never rounded up`, () => assert.equal(watchedWords(minutes), words));
  }
});
