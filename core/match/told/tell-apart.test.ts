import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { defaultRules } from '../../house/rules.ts';
import { saidIn } from '../../units/quantity.ts';
import type { Part } from '../part.ts';
import type { Chain } from '../query.ts';
import { part } from '../testing.ts';
import { tellApart } from './tell-apart.ts';

const line = (id: string, more: Partial<Part>): Part => part(id, [], { kind: 'line', ...more });
const chain = (id: string, more: Partial<Chain>, cost: Partial<Chain['cost']> = {}): Chain => ({
  parts: [id],
  path: [{ part: id, inEnd: 'a', outEnd: 'b' }],
  branches: [],
  joints: [],
  loose: {},
  lengthIn: 0,
  priceCents: 0,
  leakRisk: 0,
  minutes: 1,
  offVan: [],
  cautions: [],
  cost: { total: 10, price: 0, minutes: 0, callbacks: 0, trip: 0, preference: 0, ...cost },
  ...more,
});

const parts = [
  line('hose', { flexible: true, lengthIn: 60, tags: ['hose', 'line:braided'] }),
  line('coil', { cutToLength: true, flexible: true, tags: ['line:copper'] }),
  line('riser', { tags: ['line:riser'] }),
];
const names = { hose: 'braided connector, 3/8 x 1/4', coil: 'copper coil, 1/4 OD', riser: 'riser, 12 in', 'ferrule-1/4od': 'ferrule, 1/4 OD' };
const told = (...chains: Chain[]) => tellApart(chains, parts, names, defaultRules);

describe('what tells chains apart', () => {
  it('names a hose with its length, a cut piece with its cut, and what the van lacks', () => {
    const cut = chain('coil', { path: [{ part: 'coil', inEnd: 'a', outEnd: 'b', cutLengthIn: 84.0625 }], offVan: ['coil', 'ferrule-1/4od'] });
    const [hose, coil] = told(chain('hose', {}), cut);
    assert.deepEqual(
      hose!.parts.map((p) => [p.text, saidIn(p, 'metric')]),
      [['braided connector, 60 in', 'braided connector, 1524 mm']],
    );
    assert.deepEqual(
      coil!.parts.map((p) => [p.text, saidIn(p, 'metric')]),
      [['copper coil, cut to 84 1/16 in', 'copper coil, cut to 2.14 m']],
    );
    assert.deepEqual(coil!.missing, ['copper coil, 1/4 OD', 'ferrule, 1/4 OD']);
  });

  it('says why the first departs from a rule of the house, and what keeping to it would cost', () => {
    const best = chain('coil', {}, { total: 50, preference: 20 });
    const kept = chain('hose', {}, { total: 62.5, trip: 45 });
    assert.equal(
      told(best, kept)[0]!.departs?.text,
      'The house prefers a braided line, but the best such chain would cost $12.50 more in all, most of it the trip for what the van lacks.',
    );
    assert.match(told(best)[0]!.departs!.text, /none of the chains found has one/);
    assert.match(told(chain('riser', {}, { preference: 20 }), kept)[0]!.departs!.text, /prefers a flexible line/);
  });

  it('says nothing of the others, nor where the first keeps to the rules', () => {
    assert.deepEqual(
      told(chain('hose', {}), chain('coil', {}, { preference: 20 })).map((a) => a.departs),
      [null, null],
    );
  });
});
