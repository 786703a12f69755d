import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { readLengthIn } from './length.ts';
import {
  coil,
  cup,
  diameter,
  length,
  lengthTyped,
  pressure,
  pressureTyped,
  type Quantity,
  quantityWords,
  readPressurePsi,
  said,
  saidIn,
  saidOf,
  temperature,
  textIn,
  withQuantities,
} from './quantity.ts';

describe('a quantity in either system', () => {
  const cases: [Quantity, inch: string, metric: string][] = [
    [length(20), '20 in', '508 mm'],
    [length(19.685), '19 11/16 in', '500 mm'],
    [length(1 / 32), '1/32 in', '0.8 mm'],
    [length(3 / 8), '3/8 in', '10 mm'],
    [coil(306), '25 ft 6 in', '7.77 m'],
    [coil(-6), '-6 in', '-0.15 m'],
    [coil(0), '0 ft', '0 m'],
    [length(120), '120 in', '3.05 m'],
    [diameter(0.375), '0.375 in', '9.53 mm'],
    [diameter(0.84, 3), '0.840 in', '21.34 mm'],
    [pressure(80), '80 psi', '5.5 bar'],
    [pressure(14.5038), '14.5 psi', '1.0 bar'],
    [temperature(140), '140 F', '60 C'],
    [temperature(32), '32 F', '0 C'],
  ];
  for (const [q, inch, metric] of cases)
    it(`${inch} is ${metric}`, () => assert.deepEqual([quantityWords(q, 'inch'), quantityWords(q, 'metric')], [inch, metric]));

  it('lengths said in either are read again as near as they are said', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 12_000, noNaN: true }), (inches) => {
        for (const [units, offIn] of [
          ['inch', 1 / 32],
          ['metric', inches * 25.4 < 2000 ? 0.5 / 25.4 : 5 / 25.4],
        ] as const) {
          const again = readLengthIn(quantityWords(length(inches), units));
          assert.ok(again !== null && Math.abs(again - inches) <= offIn + 1e-9, `${inches} ${units}`);
        }
      }),
    );
  });

  it('pressures too', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 1000, noNaN: true }), (psi) => {
        for (const [units, off] of [
          ['inch', 0.06],
          ['metric', 0.74],
        ] as const) {
          const again = readPressurePsi(quantityWords(pressure(psi), units));
          assert.ok(again !== null && Math.abs(again - psi) <= off, `${psi} ${units}`);
        }
      }),
    );
  });
});

describe('a sentence with quantities', () => {
  it('is said in both, the rest word for word', () => {
    const s = said`It comes ${length(20)} long, ${length(24.5)} are needed for ${2} ends.`;
    assert.equal(s.text, 'It comes 20 in long, 24 1/2 in are needed for 2 ends.');
    assert.equal(saidIn(s, 'metric'), 'It comes 508 mm long, 622 mm are needed for 2 ends.');
    assert.equal(saidIn(s, 'inch'), s.text);
  });
  it('is found in a text that writes them out; sizes are names', () => {
    const metric = (text: string) => saidIn(withQuantities(text), 'metric');
    assert.equal(metric('No bend under 2 1/2 in radius, none within 1 1/4 in of a nut.'), 'No bend under 64 mm radius, none within 32 mm of a nut.');
    assert.equal(metric('It holds 40 to 80 gal above 120 F.'), 'It holds 151 L to 303 L above 49 C.');
    assert.equal(
      metric('Ring 1/8 to 1/4 in from the end of a 1/2 in OD tube, 1 in 16.'),
      'Ring 3 mm to 6 mm from the end of a 1/2 in OD tube, 1 in 16.',
    );
    assert.equal(metric('It runs 2 gpm at 5 ft/s, 6 ft from it.'), 'It runs 7.57 L/min at 1.5 m/s, 1.83 m from it.');
    assert.equal(saidIn(withQuantities('It holds 40 to 80 gal.'), 'inch'), 'It holds 40 to 80 gal.');
    assert.equal(metric('2 cups and more, 1/2 cup of the line'), '470 mL and more, 120 mL of the line');
    assert.equal(metric('Onto a 7/8 in ballcock, a 3/4 in hose thread.'), 'Onto a 7/8 in ballcock, a 3/4 in hose thread.');
    assert.equal(textIn('A 60 in line.', 'metric'), 'A 1524 mm line.');
    assert.deepEqual(withQuantities('Two turns in.'), { text: 'Two turns in.' });
  });
  it('stands after a few words that say what it is of', () => {
    assert.equal(saidIn(saidOf('On the stop: ', said`${cup(4.5)} come.`), 'inch'), 'On the stop: 4 1/2 cups come.');
    assert.equal(saidIn(saidOf('On the stop: ', said`${cup(4.5)} come.`), 'metric'), 'On the stop: 1.1 L come.');
    assert.deepEqual(saidOf('On it: ', { text: 'dry.' }), { text: 'On it: dry.' });
  });
  it('without any has no pieces', () => assert.deepEqual(said`A ${'stop'} is there.`, { text: 'A stop is there.' }));
});

describe('what is typed bare is in the unit of the device', () => {
  it('lengths: a fraction is an inch’s whatever the device', () =>
    assert.deepEqual(
      ['500', '14 1/2', '20 in', ' 500 '].map((t) => [lengthTyped(t, 'metric'), lengthTyped(t, 'inch')]),
      [
        ['500 mm', '500'],
        ['14 1/2', '14 1/2'],
        ['20 in', '20 in'],
        ['500 mm', '500'],
      ],
    ));
  it('pressures', () => {
    assert.deepEqual(
      [
        readPressurePsi('80'),
        readPressurePsi('80 psi', 'metric'),
        readPressurePsi('5.5', 'metric'),
        readPressurePsi('550 kPa'),
        readPressurePsi('high'),
      ],
      [80, 80, 79.77, 79.77, null],
    );
    assert.deepEqual([pressureTyped('5.5', 'metric'), pressureTyped('80', 'inch'), pressureTyped('5 bar', 'inch')], ['5.5 bar', '80 psi', '5 bar']);
  });
});
