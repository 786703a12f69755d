import assert from 'node:assert/strict';
import { it } from 'node:test';
import { catalogue } from '../../../catalog/index.ts';
import { defaultRules } from '../../../core/index.ts';
import { houseRules } from '../../../record/index.ts';
import { figuresOf } from './figures.ts';

const { duties, look } = catalogue();
const figures = figuresOf(duties, look.ages, 'EUR');

it('every figure of the rules is read, written alone, and read again; what is written the border takes', () => {
  assert.ok(figures.length > 8);
  for (const f of figures) {
    const before = f.read(defaultRules);
    assert.ok(before > 0 && before <= f.most, f.title);
    const after = f.write(defaultRules, before + 1);
    assert.equal(f.read(after), before + 1, f.title);
    assert.equal(f.read(defaultRules), before, `${f.title} changes what it was given`);
    for (const other of figures) if (other !== f) assert.equal(other.read(after), other.read(defaultRules), `${f.title} changes ${other.title}`);
    assert.ok(houseRules.parse(after), f.title);
    assert.ok(houseRules.parse(f.write(defaultRules, f.most)), `the most of ${f.title} is refused`);
  }
});

it('money is in the shop’s currency, and titles tell them apart', () => {
  assert.equal(figures.filter((f) => f.unit === 'EUR').length, 4);
  assert.equal(new Set(figures.map((f) => f.title)).size, figures.length);
});
