import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { StepTemplate } from '../step-data.ts';
import { hose, runBy } from '../testing.ts';
import { workCard } from '../work-card.ts';
import { figureLines } from './figure-lines.ts';
import { type KnownFigure, knownFigures, readZone } from './known-figures.ts';
import { figuresOf, reckon } from './reckon.ts';
import type { Reckoning, StepMeasure } from './rows.ts';

const known = (figures: Record<string, number | null | [number, number]>) =>
  new Map(
    Object.entries(figures).map(([id, f]): [string, KnownFigure] => [
      id,
      Array.isArray(f) ? { name: id, inches: null, zone: f, from: 'its sheet' } : { name: id, inches: f, from: 'measured' },
    ]),
  );
const sum = (more: Partial<Extract<Reckoning, { how: 'sum' }>>): Reckoning => ({
  id: 'r',
  title: 'Legs',
  source: 'its sheet',
  how: 'sum',
  of: [],
  ...more,
});

describe('a zone as sheets give it', () => {
  const zones: [string, [number, number] | null][] = [
    ['5 to 6 1/4 in from its edge', [5, 6.25]],
    ['5 - 6 1/4', [5, 6.25]],
    ['5 in to 6 1/4 in', [5, 6.25]],
    ['line: 3 to 4 1/4 in', [3, 4.25]],
    ['up to 1 1/2 in', [0, 1.5]],
    ['127 to 159 mm', [127 / 25.4, 159 / 25.4]],
    ['6 1/4 to 5 in', null],
    ['as low as it goes', null],
    ['', null],
  ];
  for (const [text, zone] of zones) {
    it(`reads ${JSON.stringify(text)}`, () => {
      const read = readZone(text);
      if (zone === null) assert.equal(read, null, text);
      else for (const i of [0, 1] as const) assert.ok(Math.abs(read![i] - zone[i]) < 1e-9, `${text}: ${read}`);
    });
  }
});

describe('a sum of figures', () => {
  const legs = sum({
    of: [{ figure: 'opening' }, { figure: 'gap', times: -1 }, { figure: 'body', times: -1 }],
    atLeast: { of: [] },
    right: 'wound out {value}',
    low: '{by} too tall',
  });

  it('is what is left: 34 1/2 less a gap of 1/8 and a body of 33 is 1 3/8', () => {
    const { text, isOff, because } = reckon(legs, known({ opening: 34.5, gap: 0.125, body: 33 }));
    assert.deepEqual([text, isOff], ['wound out 1 3/8 in', false]);
    assert.match(because[0]!.text, /opening 34 1\/2 in \(measured\), gap 1\/8 in \(measured\), body 33 in/);
  });

  it('says by how much it misses', () => {
    const { text, isOff } = reckon(legs, known({ opening: 33, gap: 0.125, body: 33.25 }));
    assert.deepEqual([text, isOff], ['3/8 in too tall', true]);
  });

  it('wants what nobody measured, by its name, and says nothing else', () => {
    const { text, wants, isOff } = reckon(legs, known({ opening: null, gap: 0.125, body: 33 }));
    assert.deepEqual([text, wants, isOff], ['', ['opening'], false]);
  });

  it('keeps to a target and its tolerance, both sides, to the sixty-fourth of a tape', () => {
    const off = (figure: string, times = 1) => ({ figure, times });
    const row = sum({ of: [off('is')], atLeast: { of: [off('target'), off('tol', -1)] }, atMost: { of: [off('target'), off('tol')] } });
    const at = (is: number) => reckon(row, known({ is, target: 3, tol: 0.125 })).isOff;
    assert.deepEqual([2.8, 2.875, 2.87, 3, 3.125, 3.13, 3.2].map(at), [true, false, false, false, false, false, true]);
  });

  it('that only asks for something to be done is no fault', () => {
    const flange = sum({ of: [{ figure: 'below' }], atMost: { of: [] }, advises: true, right: 'no extension', high: 'an extension of {by}' });
    const at = (below: number) => reckon(flange, known({ below }));
    assert.deepEqual([at(0.5).text, at(0.5).isOff, at(0.5).isAdvice], ['an extension of 1/2 in', false, true]);
    assert.deepEqual([at(0).text, at(0).isOff, at(0).isAdvice], ['no extension', false, false]);
  });

  it('lies in a zone or says how far outside', () => {
    const row = sum({ of: [{ figure: 'hole' }], within: 'zone', low: '{by} short', high: '{by} past' });
    const at = (hole: number) => reckon(row, known({ hole, zone: [6.5, 7.75] })).text;
    assert.deepEqual([6, 7, 8].map(at), ['1/2 in short', '7 in', '1/4 in past']);
    assert.deepEqual(reckon(row, known({ hole: 7, zone: null })).wants, ['zone']);
    assert.deepEqual(figuresOf(row), ['hole', 'zone']);
  });
});

describe('holes and risers', () => {
  const sizes = [
    { diameterIn: 1, tool: 'spade bit' },
    { diameterIn: 1.25, tool: 'hole saw' },
  ];

  it('take the next tool over body and clearance, and say where none is wide enough', () => {
    const row: Reckoning = { id: 'h', title: 'Hole', source: '', how: 'hole', passes: ['barrel'], sizes };
    assert.match(reckon(row, known({ barrel: 1.125 })).text, /^1 1\/4 in, hole saw; a probe of 3\/16 in first/);
    const wide = reckon(row, known({ barrel: 2 }));
    assert.deepEqual([wide.isOff, wide.text.includes('two holes')], [true, true]);
    assert.equal(reckon(row, known({ barrel: 0 })).isOff, true, 'nothing goes through');
  });

  it('mark bends and cut from the lower end; what has no room wants a flexible line', () => {
    const row: Reckoning = {
      id: 'm',
      title: 'Marks',
      source: '',
      how: 'riser',
      rise: 'rise',
      offset: 'offset',
      insertBelowIn: 0.375,
      insertAboveIn: 0,
      straightBelowIn: 1.5,
      straightAboveIn: 1.5,
      bendRadiusIn: 2,
    };
    assert.equal(reckon(row, known({ rise: 10, offset: 0 })).text, 'straight, cut at 10 3/8 in from its lower end');
    assert.match(reckon(row, known({ rise: 12, offset: 2 })).text, /^from its lower end: bend [\d.]+ degrees at .* cut at 12 /);
    assert.match(reckon(row, known({ rise: 4, offset: 6 })).text, /flexible line/);
  });
});

describe('figures on a card', () => {
  const measures: StepMeasure[] = [
    { id: 'is', name: 'as it stands', source: '' },
    { id: 'tol', name: 'tolerance', usualIn: 0.125, source: '' },
  ];
  const step: StepTemplate = {
    id: 'tub',
    stage: 'shut',
    order: 1,
    each: 'run',
    when: {},
    title: 'Measure',
    detail: 'Heights.',
    cautions: [],
    because: 'it moves',
    source: 'trade',
    measures,
    reckons: [
      sum({ of: [{ figure: 'is' }], atLeast: { of: [{ figure: 'want' }, { figure: 'tol', times: -1 }] }, right: '{value}, right', low: '{by} low' }),
    ],
  };
  const run = runBy([hose('h', 'comp-3/8-f', 'npsm-1/2-f')], 'comp-3/8-m', 'npsm-1/2-m', {
    stepData: [step],
    sheet: { want: { name: 'wanted height', text: '3 in' } },
  });

  it('are read off the sheet, measured, or usual, in that order of trust reversed', () => {
    const figure = (more: object, id: string) => knownFigures({ ...run, ...more }, measures).get(id)!;
    assert.deepEqual([figure({}, 'want').inches, figure({}, 'tol').inches, figure({}, 'is').inches], [3, 0.125, null]);
    assert.equal(figure({ measured: { tol: { text: '1/4', inches: 0.25 } } }, 'tol').from, 'measured');
    const sheet = { tol: { name: 'tolerance', text: '1/16' } };
    assert.equal(figure({ sheet }, 'tol').inches, 1 / 16, 'the sheet before what is usual');
    assert.equal(figure({ sheet, measured: { tol: { text: '', inches: null } } }, 'tol').inches, 1 / 16, 'a measure that was taken away');
    assert.equal(figure({}, 'line-length').inches, 20, 'the line, of the chain');
  });

  it('stand at their step, as typed and as they come to, and on paper with room to write', () => {
    const [blank] = workCard(run);
    assert.deepEqual(figureLines(blank!), ['Measured, as it stands: ______', 'Measured, tolerance: ______']);
    const [full] = workCard({ ...run, measured: { is: { text: '2 3/4', inches: 2.75 } } });
    assert.equal(full!.measures![0]!.text, '2 3/4');
    assert.deepEqual(
      full!.reckoned!.map((r) => [r.text, r.isOff]),
      [['1/8 in low', true]],
    );
    assert.equal(figureLines(full!).at(-1), 'Legs: 1/8 in low');
  });
});
