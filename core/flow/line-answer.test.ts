import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { tubeById } from '../ends/tables/tubes.ts';
import { lineAnswer } from './line-answer.ts';
import { tubePiece } from './line-pieces.ts';

const HOUSE = tubePiece(tubeById('cu-5/8od')!, 600);
const LINE = tubePiece(tubeById('cu-3/8od')!, 20, 0);
const FAUCET = { sourcePsi: 60, tempF: 120, riseFt: 3, appliance: { designGpm: 1.75, designPsi: 8 } };
const MORE = { volumeGal: 0, leastCups: 2, isHot: true };
const told = (line: object = {}, more: object = {}) => lineAnswer({ ...FAUCET, ...line }, [HOUSE, LINE], [], 1, { ...MORE, ...more });

describe('what is told of a line', () => {
  it('hot water comes after what stands in the pipe has run, and after its walls are warm', () => {
    const { now, held, hot } = told();
    const alone = (held.value / now.gpm) * 60;
    assert.ok(hot!.value.seconds > alone * 1.1 && hot!.value.seconds < alone * 2, `${hot!.value.seconds} over ${alone}`);
    // Fifty feet of half-inch hold six tenths of a gallon.
    assert.ok(Math.abs(held.value - 0.0121 * 50) < 0.02, String(held.value));
    assert.match(hot!.because[0]!.text, /gal stand in the line/);
  });
  it('a cold line has no wait; nor has one as cold as the room', () => {
    assert.equal(told({}, { isHot: false }).hot, null);
    assert.equal(told({ tempF: 60 }).hot, null);
  });
  it('a filling takes its volume over the flow; an appliance that fills nothing says none', () => {
    const { now, fill } = told({}, { volumeGal: 1.6 });
    assert.ok(Math.abs(fill!.value - (1.6 / now.gpm) * 60) < 1e-9);
    assert.match(fill!.because[0]!.text, /^1\.6 gal \/ /);
    assert.equal(told().fill, null);
  });
  it('only the appliance’s own line is rinsed, the house’s least at any rate', () => {
    const { rinse } = told();
    assert.equal(rinse!.value.cups, 2);
    const long = lineAnswer(FAUCET, [HOUSE, { ...LINE, lengthIn: 1200 }], [], 1, MORE);
    // A hundred feet of it hold six cups and a half.
    assert.ok(Math.abs(long.rinse!.value.cups - 3 * 6.5) <= 0.5, String(long.rinse!.value.cups));
  });
  it('of a line through which nothing comes only what stands in it is told', () => {
    const dead = told({ sourcePsi: 1, riseFt: 20 });
    assert.equal(dead.now.verdict, 'none');
    assert.deepEqual([dead.fill, dead.rinse, dead.hot], [null, null, null]);
    assert.ok(dead.held.value > 0);
  });
  it('every figure opens to its equation', () => {
    const { held, fill, rinse, hot, now } = told({}, { volumeGal: 1 });
    for (const because of [held.because, fill!.because, rinse!.because, hot!.because, now.because]) {
      assert.ok(because.length > 0 && because.every((r) => r.text !== '' && r.rule !== ''), JSON.stringify(because));
    }
  });
});
