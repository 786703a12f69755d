import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { notOurs, withoutPlaces } from './not-ours.ts';
import { readEnd, readEndNotes } from './read.ts';

describe('what is not ours', () => {
  const REFUSED: Record<string, string[]> = {
    gas: [
      'gas range', 'a stove', 'gas dryer 1/2 flare', 'dryer', 'furnace', 'log lighter', 'fire pit', 'patio heater', 'bbq grill', 'pool heater', 'generator',
      'fireplace', 'yellow corrugated pipe', 'csst', 'propane', 'gas connector with a 3/8 flare', 'tee off the gas line', 'lp line',
    ],
    'gas-leak': ['I smell gas', 'gas leak at the stove', 'hear hissing from the gas pipe'],
    heater: ['water heater', 'connect a boiler', 'tankless', 'hot water tank feed', '3/4 copper to a heater'],
    'fire-sprinkler': ['fire sprinkler pipe', 'sprinkler head', 'tap the sprinkler line'],
    irrigation: ['lawn sprinkler', 'irrigation main', 'drip system'],
  }; // biome-ignore format: a table
  for (const [rule, texts] of Object.entries(REFUSED)) {
    it(`refuses ${rule}, with who does it`, () => {
      for (const text of texts) assert.equal(notOurs(text)?.rule, rule, text);
    });
  }
  it('says what gas asks at once: nothing switched, everyone out, a call from outside', () => {
    for (const text of ['gas stove', 'I smell gas']) assert.match(notOurs(text)!.text, /no switch, no flame, no telephone inside.*from outside/i);
    assert.match(notOurs('stove')!.text, /licensed gas fitter/);
    assert.match(notOurs('water heater')!.text, /licensed plumber/);
  });
  it('takes a place for a place, and water before a machine of another kind for ours', () => {
    for (const text of [
      'pot filler over a range', 'humidifier on a furnace', 'furnace humidifier', 'steam dryer', 'dishwasher next to the stove', 'hydrant near the generator',
      'boiler drain', 'stop under the water heater', 'washer and dryer', 'range hood', 'ice maker off the water heater cold line', 'between 40 psi and 60, in range',
    ]) assert.equal(notOurs(text), null, text); // biome-ignore format: a table
    assert.equal(withoutPlaces('dishwasher next to the gas stove, 3/8 stop'), 'dishwasher , 3/8 stop');
    assert.equal(withoutPlaces('3/8 comp to toilet'), '3/8 comp to toilet');
  });
  it('is never read as an end, a heater and a lawn only as what is fed', () => {
    assert.deepEqual([readEnd('dryer connector 1/2 flare'), readEnd('yellow 1/2 flare')], [[], []]);
    assert.deepEqual(
      readEndNotes('1/2 gas pipe').map((n) => n.rule),
      ['gas'],
    );
    assert.ok(readEnd('3/4 copper at the water heater').length > 0);
  });
});
