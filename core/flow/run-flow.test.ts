import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Part } from '../match/part.ts';
import { lineAnswer } from './line-answer.ts';
import { operatingPoint } from './operating-point.ts';
import { runFlow } from './run-flow.ts';

const HOSE: Part = {
  id: 'hose',
  name: 'hose',
  kind: 'connector',
  ends: [],
  flexible: true,
  cutToLength: false,
  waters: ['cold'],
  maxPsi: 125,
  maxF: 140,
  potable: true,
  priceCents: 0,
  minutes: 1,
  tags: ['hose'],
  lengthIn: 72,
  boreIn: 0.125,
};
const FRIDGE = { designGpm: 0.5, capGpm: null as number | null, minFlowPsi: 20, maxStaticPsi: 120 };
const flow = (read: Parameters<typeof runFlow>[2], hose = HOSE) => runFlow(FRIDGE, 'cold', read, [{ part: 'hose', outEnd: 'b' }], [hose], []);
const capped = (capGpm: number) => runFlow({ ...FRIDGE, capGpm }, 'cold', { staticPsi: 60 }, [{ part: 'hose', outEnd: 'b' }], [HOSE], []).point;

describe('a run’s flow', () => {
  it('is that of its chain at the pressures read, and at a usual one where none was', () => {
    assert.equal(flow({}).isRead, false);
    assert.equal(flow({}).point.gpm, flow({ staticPsi: 60 }).point.gpm);
    assert.ok(flow({ staticPsi: 40 }).point.gpm < flow({ staticPsi: 60 }).point.gpm, 'less pressure, less water');
    assert.ok(flow({ staticPsi: 60 }, { ...HOSE, boreIn: 0.25 }).point.gpm > flow({ staticPsi: 60 }).point.gpm, 'a wider hose gives no more');
  });
  it('is at most what its own valve passes', () => {
    const free = flow({ staticPsi: 60 }).point;
    assert.equal(capped(0.5).gpm, 0.5);
    assert.ok(capped(0.5).inletPsi > free.inletPsi, 'what is not drawn loses no pressure');
    assert.ok(Math.abs(capped(free.gpm + 0.01).gpm - free.gpm) < 1e-9, 'a valve that passes more changes nothing');
  });
  it('knows a weak main by pressure and bucket together, and never by one alone', () => {
    const strong = flow({ staticPsi: 60 });
    const weak = flow({ staticPsi: 60, runningPsi: 20, bucket: { gallons: 1, seconds: 60 } });
    assert.deepEqual(weak.line.running, { psi: 20, gpm: 1 });
    assert.ok(weak.point.gpm < strong.point.gpm, 'a weak main gives as much');
    assert.equal(flow({ staticPsi: 60, runningPsi: 20 }).point.gpm, strong.point.gpm);
    assert.equal(flow({ staticPsi: 60, runningPsi: 70, bucket: { gallons: 1, seconds: 60 } }).line.running, undefined, 'more running than standing');
  });
});

describe('all that is told of a line', () => {
  const line = { sourcePsi: 60, tempF: 120, riseFt: 0, appliance: { designGpm: 2, designPsi: 20 } };
  const pieces = [
    { name: 'house', part: -1, boreIn: 0.545, lengthIn: 600, roughnessMm: 0.0015, odIn: 0.625, material: 'copper' },
    { name: 'line', part: 0, boreIn: 0.315, lengthIn: 40, roughnessMm: 0.0015 },
  ];
  const answer = lineAnswer(line, pieces, [], 1, { volumeGal: 1.5, leastCups: 2, isHot: true });
  it('follows from its flow', () => {
    const { gpm } = answer.now;
    assert.ok(Math.abs(answer.fill!.value - (1.5 * 60) / gpm) < 1e-9);
    assert.equal(answer.rinse!.value.cups, 2, 'a short line is rinsed by the house’s least');
    assert.equal(answer.rinse!.value.seconds, Math.ceil(((2 / 16) * 60) / gpm));
    assert.ok(Math.abs(answer.hot!.value.seconds - (answer.hot!.value.wastedGal * 60) / gpm) < 1e-9);
    assert.equal(lineAnswer({ ...line, tempF: 60 }, pieces, [], 1, { volumeGal: 0, leastCups: 2, isHot: false }).hot, null);
    for (const told of [answer.fill, answer.rinse, answer.hot, answer.held])
      assert.ok(told!.because.length > 0 && told!.because[0]!.source, 'a figure without its equation');
  });
  it('is no time at all where nothing flows', () => {
    const dry = lineAnswer({ ...line, riseFt: 300 }, pieces, [], 1, { volumeGal: 1.5, leastCups: 2, isHot: true });
    assert.deepEqual([dry.fill, dry.rinse, dry.hot], [null, null, null]);
    assert.equal(operatingPoint({ ...line, riseFt: 300, pieces }).verdict, 'none');
  });
});
