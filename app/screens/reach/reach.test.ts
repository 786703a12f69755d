import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import type { ReachPreset } from '../../../catalog/reach.ts';
import { pickLength, readLengthIn } from '../../../core/index.ts';
import { lengthBrought, reachAddress, reachWanted, takeLengthTo } from '../../ui/ends/reach-wanted.ts';
import { drawnOf, ruleSteps, sheetFor, shownPoints } from './room-view.ts';
import { laidOf, movedTo, readLengths, readTyped } from './typed.ts';

const LINE = { hose: 'braid', name: 'braided', odIn: 0.5, minBendRadiusIn: 3, endStraightIn: 1.5 };
const preset = (id: string, more: Partial<ReachPreset>): ReachPreset => ({
  id,
  name: id,
  appliances: [id],
  line: LINE,
  lengthsIn: [9, 12, 16, 20],
  stop: { outIn: 3.5, upIn: 6.5, faces: 'up' },
  inlet: { outIn: 5, upIn: 17, faces: 'down' },
  sideIn: 4,
  pulledOutIn: null,
  behind: null,
  source: 'test',
  ...more,
});
const toilet = preset('toilet', {});
const refrigerator = preset('refrigerator', {
  stop: { outIn: 2, upIn: 10, faces: 'out' },
  inlet: { outIn: 4, upIn: 8, faces: 'wall' },
  pulledOutIn: 54,
  behind: { widthIn: 30, heightIn: 48, depthIn: 3 },
});

test('a usual setting typed out reads as itself', () => {
  for (const p of [toilet, refrigerator]) {
    const { question, wrong } = readTyped(laidOf(p), p.lengthsIn.join(' '));
    assert.equal(wrong, null);
    assert.deepEqual(
      [question!.from.x, question!.from.y, question!.to.y, question!.lengthsIn],
      [p.stop.outIn, p.stop.upIn, p.inlet.upIn, p.lengthsIn],
      p.id,
    );
    assert.ok(Math.abs(question!.odIn! - p.line.odIn) < 1 / 60);
  }
});

test('lengths are read as they are typed; one that is none spoils all', () => {
  assert.deepEqual(readLengths('9 12, 16;20'), [9, 12, 16, 20]);
  assert.deepEqual(readLengths('4 ft, 5 ft'), [48, 60]);
  assert.deepEqual(readLengths('300 mm'), [300 / 25.4]);
  for (const none of ['', 'long', '9 to 12', '0', '9000']) assert.equal(readLengths(none), null, none);
});

test('an end goes where it is dragged, to the eighth, never into wall or floor; from the front the stop stays at nought', () => {
  const laid = laidOf(toilet);
  assert.deepEqual(movedTo(laid, 'inlet', 'side', [6.06, 18.2], false).inlet, { ...laid.inlet, out: '6', up: '18 1/4' });
  assert.deepEqual(movedTo(laid, 'stop', 'side', [-3, -1], false).stop, { ...laid.stop, out: '0', up: '0' });
  const front = movedTo(laid, 'inlet', 'front', [7, 20], false);
  assert.deepEqual([front.side, front.inlet.up, front.inlet.out], ['7', '20', laid.inlet.out]);
  assert.equal(movedTo(laid, 'stop', 'front', [9, 8], false).side, laid.side);
  // Pulled out, it is how far that changes.
  const fridge = laidOf(refrigerator);
  const out = movedTo(fridge, 'inlet', 'side', [64, 8], true);
  assert.deepEqual([out.pulledOut, out.inlet.out], ['60', fridge.inlet.out]);
});

test('a sheet holds every point that is drawn, and leads back from each', () => {
  const point = fc.tuple(fc.double({ min: 0, max: 80, noNaN: true }), fc.double({ min: 0, max: 60, noNaN: true }));
  fc.assert(
    fc.property(fc.array(point, { minLength: 2, maxLength: 12 }), fc.constantFrom('side' as const, 'front' as const), (points, view) => {
      const sheet = sheetFor(view, points, { width: 416, height: 560 });
      assert.ok(sheet.width <= 418 && sheet.height <= 562);
      for (const p of points) {
        const [x, y] = sheet.at(p);
        assert.ok(x >= 0 && x <= sheet.width && y >= 0 && y <= sheet.height);
        const back = sheet.from([x, y]);
        assert.ok(Math.hypot(back[0] - p[0], back[1] - p[1]) < 1e-6);
      }
      const { mark, number } = ruleSteps(sheet.scale);
      assert.ok(number >= mark && number * sheet.scale >= 40);
    }),
    { numRuns: 100, seed: 1, endOnFailure: true },
  );
});

test('what is far too long is listed and not drawn; what does not reach is not, unless it is chosen', () => {
  const { question } = readTyped(laidOf(toilet), '9 12 16 20 60');
  const picks = pickLength(question!);
  const names = (chosen: number) =>
    drawnOf(picks, picks.find((p) => p.lengthIn === chosen)!)
      .map((p) => p.lengthIn)
      .sort((a, b) => a - b);
  assert.deepEqual(
    [names(12), names(9)],
    [
      [12, 16, 20],
      [9, 12, 16],
    ],
  );
  assert.ok(shownPoints('front', question!, picks, false).every((p) => p.every(Number.isFinite)));
});

test('a drawing goes to its run and back by address; what was not made here is not drawn', () => {
  const run = { visitId: '01a21526-e400-7b65-b38c-f7c7ccb01caa', runId: '01a21526-e400-7b65-b38c-f7c7ccb01cab' };
  const wanted = { run, on: 'toilet', laid: laidOf(toilet) };
  assert.deepEqual(reachWanted(new URL(reachAddress(wanted), 'http://house').searchParams), wanted);
  const back = new URL(takeLengthTo(run, '12 in', wanted.laid), 'http://house');
  assert.match(back.pathname, /^\/visits\//);
  assert.deepEqual(lengthBrought(back.searchParams, readLengthIn), { text: '12 in', inches: 12, laid: wanted.laid });
  for (const spoilt of ['{', '{"stop":1}', JSON.stringify({ ...wanted.laid, side: 'far' })]) {
    back.searchParams.set('laid', spoilt);
    assert.equal(lengthBrought(back.searchParams, readLengthIn), null);
  }
  assert.equal(takeLengthTo(null, '12 in', wanted.laid), '/match?length=12+in');
});

test('whatever is typed is worked out, or told by its field in words', () => {
  const laid = laidOf(refrigerator);
  const SILLY = ['', 'banana', '-5', '0', '1e999', '99999999', '1//2', '400 ft', '700 mm', '1/1000', '²', 'x'.repeat(3000)];
  const fields: ((text: string) => typeof laid)[] = [
    ...(['stop', 'inlet'] as const).flatMap((end) =>
      (['out', 'up'] as const).map((f) => (text: string) => ({ ...laid, [end]: { ...laid[end], [f]: text } })),
    ),
    ...(['side', 'pulledOut'] as const).map((f) => (text: string) => ({ ...laid, [f]: text })),
    ...(['width', 'height', 'depth'] as const).map((f) => (text: string) => ({ ...laid, behind: { ...laid.behind!, [f]: text } })),
    ...(['od', 'bend', 'straight'] as const).map((f) => (text: string) => ({ ...laid, line: { ...laid.line, [f]: text } })),
  ];
  for (const typedIn of fields) {
    for (const text of SILLY) {
      const { question, wrong } = readTyped(typedIn(text), '48 72');
      if (question) assert.equal(pickLength(question).length, 2, text);
      else assert.match(wrong, /^(Stop|Inlet|To the side|Pulled out|Room behind|Line)/, text);
    }
  }
});
