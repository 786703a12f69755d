import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { passes, SHUT, withoutGas } from './outlet.ts';

describe('a valve at the end of a line', () => {
  it('passes what comes at the pressure before it, whatever its opening', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-6, max: 1e-3, noNaN: true }),
        fc.double({ min: 1e-11, max: 1e-9, noNaN: true }),
        fc.double({ min: 0, max: 1e-6, noNaN: true }),
        (c, y, perRoot) => {
          const valve = { fixed: 0, perRoot };
          const pa = withoutGas(c, y, valve);
          assert.ok(pa >= 0, String(pa));
          assert.ok(Math.abs(c - y * pa - passes(valve, pa)) <= 1e-9 * c, `${c - y * pa} and ${passes(valve, pa)}`);
        },
      ),
    );
  });
  it('that is shut throws all of the wave back', () => {
    assert.equal(withoutGas(2e-4, 1e-10, SHUT), 2e-4 / 1e-10);
    assert.equal(passes(SHUT, 5e6), 0);
  });
  it('lets nothing back in: below nought an opening passes nothing', () => {
    const valve = { fixed: 0, perRoot: 1e-7 };
    assert.equal(passes(valve, -5e4), 0);
    assert.equal(withoutGas(-1e-5, 1e-10, valve), -1e-5 / 1e-10);
  });
  it('with a flow of its own passes that, whatever the pressure', () => {
    const valve = { fixed: 5e-5, perRoot: 0 };
    const pa = withoutGas(2e-4, 1e-10, valve);
    assert.ok(Math.abs(pa / (1.5e-4 / 1e-10) - 1) < 1e-12);
    assert.equal(passes(valve, pa), 5e-5);
  });
});
