import assert from 'node:assert/strict';
import { test } from 'node:test';
import { lengthQuestion, pickLength } from '../core/index.ts';
import { catalogue } from './index.ts';
import { readConnectorLengths, readHoleSizes, readReachPresets } from './reach.ts';

test('every appliance has one usual setting, in which a length that is sold lies well', () => {
  const presets = readReachPresets();
  const named = presets.flatMap((p) => p.appliances);
  assert.equal(new Set(named).size, named.length);
  const known = new Set(catalogue().appliances.map((a) => a.id));
  for (const id of named) assert.ok(known.has(id), id);
  for (const p of presets) {
    const [best] = pickLength(lengthQuestion(p, p.line, p.lengthsIn));
    assert.equal(best!.verdict, 'fits', `${p.id}: ${best!.because[0]!.text}`);
  }
});

test('lengths are sold from short to long; bits and saws stand in order', () => {
  for (const [service, lengths] of Object.entries(readConnectorLengths()))
    assert.deepEqual(
      lengths,
      [...lengths].sort((a, b) => a - b),
      service,
    );
  const sizes = readHoleSizes().map((s) => s.diameterIn);
  assert.deepEqual(
    sizes,
    [...sizes].sort((a, b) => a - b),
  );
});
