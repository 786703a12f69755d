import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Bodies, Entry, EntryKind } from '../../kinds.ts';
import { validate } from '../../validate.ts';
import { toEntry } from '../entry.testing.ts';
import { runNow } from '../run-now.ts';
import { runState } from '../state.ts';
import { acceptedOf, CONTEXT, HOSES } from '../testing.ts';

const accepted = toEntry('chain-accepted', acceptedOf(HOSES[0]!, null), 1);
const refusal = <K extends EntryKind>(kind: K, body: Bodies[K], target: Partial<Entry> = {}) => {
  const entry = { ...toEntry(kind, body, 2), ...target } as Entry;
  return (
    validate(
      entry,
      runNow({ id: 'run', work: 'toilet-line', checkPoints: CONTEXT.checkPoints }, [accepted], () => CONTEXT),
      [accepted],
    )?.rule ?? null
  );
};
const log: Bodies['pressure-logged'] = {
  from: 'gauge',
  readings: Array.from({ length: 20 }, (_, i) => ({ minutes: i, psi: 60 - i / 50, tempF: 66 })),
  letOut: [{ ml: 5, psiBefore: 60, psiAfter: 48 }],
  gaugeSigmaPsi: 0.05,
};

describe('a log of the gauge', () => {
  it('stands with the run, in order, with what was let out', () => {
    const { pressureLogs } = runState(CONTEXT, [
      accepted,
      toEntry('pressure-logged', log, 3),
      toEntry('pressure-logged', { ...log, from: 'file' }, 4),
    ]);
    assert.deepEqual(
      pressureLogs.map((l) => [l.body.from, l.body.readings.length]),
      [
        ['gauge', 20],
        ['file', 20],
      ],
    );
  });

  it('out of order, or of a line that gave nothing, is refused', () => {
    assert.equal(refusal('pressure-logged', log), null);
    assert.equal(refusal('pressure-logged', { ...log, readings: [...log.readings].reverse() }), 'out-of-order');
    assert.equal(refusal('pressure-logged', { ...log, letOut: [{ ml: 5, psiBefore: 48, psiAfter: 60 }] }), 'no-give');
  });
});

describe('the water meter', () => {
  it('is read once at a time: both readings stand, whatever happens between', () => {
    const read = (value: number, at: number) => toEntry('meter-read', { value, unit: 'gal', step: 0.1 }, at);
    const { meterReads } = runState(CONTEXT, [read(1204.3, 5), read(1204.4, 45)]);
    assert.deepEqual(
      meterReads.map((r) => r.body.value),
      [1204.3, 1204.4],
    );
    assert.equal((meterReads[1]!.atMs - meterReads[0]!.atMs) / 60_000, 40);
  });
});

describe('a look by ear', () => {
  it('hears water filling, and bounds nothing under pressure', () => {
    const by = (round: Bodies['look-begun']['round'], method: Bodies['look-begun']['method']) =>
      refusal('look-begun', { round, method }, { checkPointId: 'stem' });
    assert.deepEqual([by('crack', 'ear'), by('standing', 'ear'), by('standing', 'mirror')], [null, 'not-by-ear', null]);
  });
});
