import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { toEntry } from '../entry.testing.ts';
import { runState } from '../state.ts';
import { acceptedOf, CONTEXT, HOSES } from '../testing.ts';
import { alongCard } from './along.ts';

describe('what a run wants to have along', () => {
  it('follows from its card, or from its kind of work while nothing is chosen to join it', () => {
    const ids = (entries: Parameters<typeof runState>[1]) => alongCard(CONTEXT, runState(CONTEXT, entries)).map((s) => s.id);
    assert.deepEqual(ids([]), ['shut-stop', 'shut-dead', 'old-off']);
    assert.ok(ids([toEntry('chain-accepted', acceptedOf(HOSES[0]!, null), 1)]).includes('joint-screw:j1'), 'its joints come with the chain');
  });
});
