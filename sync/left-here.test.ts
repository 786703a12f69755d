import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { clearedSince, type Notes, noteLeft, noteMore, readLeft, waitingElsewhere } from './left-here.ts';

const notes = (text = ''): Notes => {
  let kept = text;
  return {
    read: () => kept,
    write: (now) => {
      kept = now;
    },
  };
};

describe('what a browser has of each shop', () => {
  it('is told of the others, with how much waits there', () => {
    const here = notes();
    noteLeft(here, 'first', { deviceId: 'a', waiting: 3 });
    noteLeft(here, 'second', { deviceId: 'b', waiting: 0 });
    assert.deepEqual(waitingElsewhere(here, 'second'), [{ shop: 'first', waiting: 3 }]);
    assert.deepEqual(waitingElsewhere(here, 'first'), []);
  });
  it('says that a store was cleared, and how much waited in it', () => {
    const here = notes();
    assert.equal(clearedSince(here, 'first', 'a'), null, 'a browser that was never here');
    noteLeft(here, 'first', { deviceId: 'a', waiting: 2 });
    assert.equal(clearedSince(here, 'first', 'a'), null);
    assert.equal(clearedSince(here, 'first', 'another'), 2);
    noteLeft(here, 'first', { deviceId: 'another', waiting: 0 });
    assert.equal(clearedSince(here, 'first', 'another'), null);
  });
  it('counts what was kept a moment ago, before the store was asked', () => {
    const here = notes();
    noteMore(here, 'first', 'a', 1);
    assert.equal(clearedSince(here, 'first', 'another'), 1);
    noteLeft(here, 'first', { deviceId: 'a', waiting: 3 });
    noteMore(here, 'first', 'a', 2);
    noteMore(here, 'second', 'b', 1);
    assert.deepEqual(readLeft(here).first, { deviceId: 'a', waiting: 5 });
    noteMore(here, 'first', 'another', 1);
    assert.deepEqual(readLeft(here).first, { deviceId: 'another', waiting: 1 }, 'a new store has what is kept in it');
  });
  it('is nothing where a note does not read', () => {
    for (const text of ['', '{', '[]', '{"first":1}', '{"first":["a","many"]}']) assert.deepEqual(readLeft(notes(text)), {});
  });
});
