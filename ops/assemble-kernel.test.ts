import assert from 'node:assert/strict';
import { it } from 'node:test';
import { KERNEL_BYTES } from '../core/hammer/waves/kernel.table.ts';
import { kernelBytes } from './assemble-kernel.ts';

it('the compiled loop of transients is what its source assembles to', async () => {
  assert.equal(KERNEL_BYTES, await kernelBytes());
});
