import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { readTyped, type Typed, typedIn, typedUnit } from './typed.ts';

describe('figures of a line’s water', () => {
  it('read in either system', () => {
    const table: [Typed, string, number][] = [
      ['feet', '30', 30],
      ['feet', '30 ft', 30],
      ['feet', '6 1/2', 6.5],
      ['feet', '18 in', 1.5],
      ['feet', '6 ft 6 in', 6.5],
      ['feet', '3.048 m', 10],
      ['feet', '-12', -12],
      ['feet', '-3.048 m', -10],
      ['feet', '-2 ft 6 in', -2.5],
      ['flow', '2.5', 2.5],
      ['flow', '2.5 gpm', 2.5],
      ['flow', '7.570824 L/min', 2],
      ['flow', '0.1 l/s', 6 / 3.785412],
      ['gas', '3', 3],
      ['gas', '3 cu in', 3],
      ['gas', '16.387064 mL', 1],
      ['gallons', '4 gal', 4],
      ['gallons', '3.785412 L', 1],
    ];
    for (const [of, text, value] of table) {
      const got = readTyped(of, text);
      assert.ok(got !== null && Math.abs(got - value) < 1e-9, `${of} ${text}: ${got}`);
    }
  });
  it('that are none read as nothing', () => {
    for (const [of, text] of [
      ['feet', ''],
      ['feet', 'up'],
      ['feet', '3 gpm'],
      ['flow', '2 ft'],
      ['flow', '2 3'],
      ['gas', '--3'],
      ['gas', '1e9 x'],
      ['gallons', '4 parsecs'],
      ['feet', '1/0'],
    ] as [Typed, string][])
      assert.equal(readTyped(of, text), null, `${of} "${text}"`);
  });
  it('bare on a device that goes by metres say so, and are the same read again', () => {
    assert.equal(typedIn('feet', '9', 'metric'), '9 m');
    assert.equal(typedIn('feet', '-9', 'metric'), '-9 m');
    assert.equal(typedIn('feet', '9 ft', 'metric'), '9 ft');
    assert.equal(typedIn('flow', '7.5', 'metric'), '7.5 L/min');
    assert.equal(typedIn('flow', '2', 'inch'), '2');
    assert.equal(typedIn('gas', '', 'metric'), '');
    for (const of of ['feet', 'flow', 'gas', 'gallons'] as const) {
      const [bare, said] = [readTyped(of, `5 ${typedUnit(of, 'metric')}`), readTyped(of, typedIn(of, '5', 'metric'))];
      assert.equal(bare, said, of);
      assert.equal(readTyped(of, `5 ${typedUnit(of, 'inch')}`), 5, of);
    }
  });
});
