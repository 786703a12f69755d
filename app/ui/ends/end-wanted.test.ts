import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { type EndWanted, endBrought, endWanted, lookupAddress, takeEndTo } from './end-wanted.ts';

const query = (address: string) => new URLSearchParams(address.slice(address.indexOf('?') + 1));
const run = { visitId: '019aaaaa-0000-7000-8000-000000000001', runId: '019aaaaa-0000-7000-8000-000000000002' };

describe('an end that is wanted', () => {
  const cases: EndWanted[] = [
    { side: 'from', asked: '', run: null, on: null },
    { side: 'to', asked: 'from=comp-3%2F8-m&water=hot', run: null, on: 'refrigerator' },
    { side: 'rejoin', asked: '', run, on: null },
  ];
  for (const wanted of cases) {
    it(`comes back from its address: ${wanted.side}`, () => {
      for (const page of ['/gauge', '/ends'] as const) assert.deepEqual(endWanted(query(lookupAddress(page, wanted))), wanted);
    });
  }

  it('leads nowhere but to the bench or a visit', () => {
    const wanted = endWanted(
      new URLSearchParams({ as: 'elsewhere', visit: '//evil.example', run: '../x', on: 'spaceship', asked: 'x'.repeat(5000) }),
    );
    assert.deepEqual([wanted.side, wanted.run, wanted.on, wanted.asked.length], ['from', null, null, 1000]);
  });

  it('goes into what the bench asked before', () => {
    const wanted: EndWanted = { side: 'to', asked: 'from=comp-3%2F8-m&water=hot&q=x', run: null, on: null };
    assert.equal(takeEndTo(wanted, 'ght-3/4-m', 'seen'), '/match?from=comp-3%2F8-m&water=hot&to=ght-3%2F4-m');
  });

  it('goes to the run of a visit, with how it was found', () => {
    const address = takeEndTo({ side: 'to', asked: '', run, on: null }, 'ght-3/4-m', 'measured');
    assert.ok(address.startsWith(`/visits/${run.visitId}?run=${run.runId}&stage=look`));
    assert.deepEqual(endBrought(query(address)), { side: 'to', end: 'ght-3/4-m', how: 'measured' });
  });

  it('stays in doubt where the readings leave others', () => {
    const wanted: EndWanted = { side: 'from', asked: '', run, on: null };
    const others = ['npsm-1/2-m', 'g-1/2-m'];
    const address = takeEndTo(wanted, 'npt-1/2-m', 'measured', { share: 0.624, others });
    assert.deepEqual(endBrought(query(address)), { side: 'from', end: 'npt-1/2-m', how: 'measured', doubt: { share: 0.62, others } });
    assert.deepEqual(endBrought(query(`${address}&or=nonsense&or=__proto__`))?.doubt, { share: 0.62, others });
    assert.deepEqual(endBrought(query(address.replace('share=0.62', 'share=7')))?.doubt, { others });
  });

  it('is not brought by an address that names no end', () => {
    for (const text of ['', 'side=from', 'side=from&end=comp-9/9-m', 'end=ght-3/4-m', 'side=top&end=ght-3/4-m']) {
      assert.equal(endBrought(new URLSearchParams(text)), null, text);
    }
  });
});
