import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Entry } from '../record/index.ts';
import { Journal, type JournalParts } from './journal.ts';

function storage(): NonNullable<JournalParts['storage']> {
  const held = new Map<string, string>();
  return {
    get length() {
      return held.size;
    },
    key: (i) => [...held.keys()][i] ?? null,
    getItem: (key) => held.get(key) ?? null,
    setItem: (key, value) => void held.set(key, value),
    removeItem: (key) => void held.delete(key),
  };
}

/** Locks of pages that live; `end` ends them. */
function locks() {
  const held: string[] = [];
  return {
    end: () => held.splice(0),
    parts: {
      request: async (name: string) => void held.push(name),
      query: async () => ({ held: held.map((name) => ({ name })), pending: [] }),
    } as unknown as NonNullable<JournalParts['locks']>,
  };
}

const entry = (id: string) => ({ id }) as Entry;

describe('the journal of presses', () => {
  it('hands over what a page noted and did not live to keep, in order, once', async () => {
    const parts = { storage: storage(), locks: locks() };
    const first = new Journal({ storage: parts.storage, locks: parts.locks.parts });
    first.note([entry('a')]);
    const crossOut = first.note([entry('b')]);
    first.note([entry('c'), entry('d')]);
    crossOut();
    parts.locks.end();
    const next = new Journal({ storage: parts.storage, locks: parts.locks.parts });
    const taken: string[] = [];
    await next.takeOver(async (entries) => void taken.push(...entries.map((e) => e.id)));
    await next.takeOver(async () => assert.fail('twice'));
    assert.deepEqual(taken, ['a', 'c', 'd']);
    assert.equal(parts.storage.length, 0);
  });
  it('leaves the lines of pages that live alone', async () => {
    const parts = { storage: storage(), locks: locks() };
    new Journal({ storage: parts.storage, locks: parts.locks.parts }).note([entry('a')]);
    await new Journal({ storage: parts.storage, locks: parts.locks.parts }).takeOver(async () => assert.fail('it lives'));
    assert.equal(parts.storage.length, 1);
  });
  it('does without where a browser lets it note nothing', async () => {
    const full = {
      ...storage(),
      setItem: () => {
        throw new Error('full');
      },
    };
    const journal = new Journal({ storage: full, locks: null });
    journal.note([entry('a')])();
    new Journal({ storage: null, locks: null }).note([entry('a')])();
    await journal.takeOver(async () => assert.fail('nothing was noted'));
  });
  it('passes over a line that does not read', async () => {
    const held = storage();
    held.setItem('brass-nut-pressed gone 000001', '{');
    await new Journal({ storage: held, locks: null }).takeOver(async () => assert.fail('it does not read'));
    assert.equal(held.length, 0);
  });
});
