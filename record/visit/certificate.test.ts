import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { dropWords } from '../../core/prove/drop-words.ts';
import type { Bodies, Entry, EntryKind } from '../kinds.ts';
import { toEntry } from '../run/entry.testing.ts';
import { type RunState, runState } from '../run/state.ts';
import { acceptedOf, CONTEXT, HOSES } from '../run/testing.ts';
import { certificateOf } from './certificate.ts';
import type { ReadRun, VisitHead } from './sheet.ts';

const VISIT = {
  id: '0192f3a4-5b6c-7d8e-9f01-23456789abcd',
  title: 'Flat toilet',
  onDate: '2026-03-10',
  startsAt: '09:00',
  premises: { id: 'p', name: 'The lodge', timeZone: 'UTC', address: null },
} as VisitHead;
const DUTIES = { rows: [], months: {} };
const body = acceptedOf(HOSES[0]!, null);
const [first] = body.jointIds as [string, string];
const at = <K extends EntryKind>(kind: K, b: Bodies[K], minute: number, jointId: string | null = null) =>
  ({ ...toEntry(kind, b, minute), jointId }) as Entry;
const looked = (minutes: number, method: 'eye' | 'tissue', finding: 'dry' | 'damp' = 'dry') => [
  toEntry('chain-accepted', body, 1),
  at('joint-made', { turns24: 12 }, 2, first),
  at('look-begun', { round: 'standing', method }, 3, first),
  at('look-ended', { begunId: 'look-begun 3', finding, drops: null, elapsedS: null }, 3 + minutes, first),
];
const signed = (state: RunState): RunState => ({
  ...state,
  signedOff: {
    targetMlPerDay: 10,
    recheckHours: 24,
    exceptions: [],
    entryId: 'x',
    deviceId: 'phone',
    atMs: Date.UTC(2026, 2, 10, 12),
    recheckDueMs: Date.UTC(2026, 2, 11, 12),
    recheckClosed: null,
  },
});
const read = (entries: Entry[], isSigned = true): ReadRun => {
  const state = runState(CONTEXT, entries);
  return {
    run: { id: 'run', name: 'Toilet', place: 'Flat', water: 'cold', applianceKind: 'toilet', work: 'toilet-line' },
    state: isSigned ? signed(state) : state,
    unreadable: null,
  } as unknown as ReadRun;
};
const rowOf = (entries: Entry[]) => certificateOf(VISIT, [read(entries)], DUTIES).runs[0]!.rows[0]!;

describe('a certificate', () => {
  it('says how each joint was looked at, and the bound with its confidence, never dry alone', () => {
    const row = rowOf(looked(30, 'tissue'));
    assert.equal(row.how, 'standing 30 min dry tissue');
    // 28 minutes past the delay, 0.3 mL hidden and three drops of 0.01 mL: 17 mL a day.
    assert.match(row.proves, /^Dry, but not looked at as long as the house asks: at 95 % no more than 17 mL a day, about 7 drops an hour\.$/);
  });
  it('bounds a look by eye wider than one by tissue of the same length', () => {
    const ml = (method: 'eye' | 'tissue') => Number(/than ([\d.]+) mL/.exec(rowOf(looked(30, method)).proves)![1]);
    assert.ok(ml('eye') > ml('tissue'), `${ml('eye')} is not wider than ${ml('tissue')}`);
  });
  it('rounds a bound up, never down', () => {
    const state = runState(CONTEXT, looked(30, 'tissue'));
    const shown = Number(/than ([\d.]+) mL/.exec(rowOf(looked(30, 'tissue')).proves)![1]);
    assert.ok(shown >= state.joints[0]!.mlPerDay!, `${shown} is under ${state.joints[0]!.mlPerDay}`);
  });
  it('says what was found where something was, and what proves nothing', () => {
    assert.equal(rowOf(looked(30, 'tissue', 'damp')).proves, 'It was damp.');
    assert.equal(rowOf(looked(1, 'tissue')).proves, 'Nothing yet.', 'a minute proves nothing');
  });
  it('leaves out what is not signed off, and says that it does', () => {
    const { runs, without } = certificateOf(VISIT, [read(looked(30, 'tissue'), false)], DUTIES);
    assert.equal(runs.length, 0);
    assert.deepEqual(without, ['Toilet, Flat: not signed off']);
  });
  it('is found again by a few letters of its visit', () => {
    assert.equal(certificateOf(VISIT, [], DUTIES).number, '6789ABCD');
  });
});

describe('a leak as one sees it', () => {
  it('is drops an hour, or hours a drop', () => {
    assert.equal(dropWords(24), 'about 10 drops an hour');
    assert.equal(dropWords(2.4), 'about a drop an hour');
    assert.equal(dropWords(0.3), 'about a drop in 8 hours');
  });
});
