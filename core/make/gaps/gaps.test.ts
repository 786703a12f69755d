/** The order rules on cards written by hand: what keeps each, and what breaks it. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Act, ActVerb } from '../acts.ts';
import type { RunFacts } from '../run-facts.ts';
import { hose, part, runBy, sink } from '../testing.ts';
import type { WorkStep } from '../work-card.ts';
import { makeGaps } from './index.ts';

/** 'tighten 1', 'look crack', 'look crack 1', 'cut new 2': a step an act, with a question where one is asked. */
function card(...lines: string[]): WorkStep[] {
  return lines.map((line, i) => {
    const words = line.split(' ');
    const n = words.findIndex((w) => /^\d+$/.test(w));
    const on = words
      .slice(1)
      .filter((_, k) => k + 1 !== n)
      .join(' ');
    const act: Act = { do: words[0] as ActVerb, ...(n > 0 ? { joint: Number(words[n]) } : {}), ...(on ? { on } : {}) };
    const gate = act.do.startsWith('prove-') ? { gate: 'Is it?' } : {};
    return { id: `s${i}`, stage: 'make', title: line, detail: '', acts: [act], cautions: [], because: [], ...gate };
  });
}

const rules = (steps: WorkStep[], run: RunFacts) => [...new Set(makeGaps(steps, run).map((r) => r.rule))];
const without = (lines: string[], gone: string) => lines.filter((l) => l !== gone);
const moved = (lines: string[], what: string, before: string) => without(lines, what).flatMap((l) => (l === before ? [what, l] : [l]));

const SHUT = ['water-off stop', 'relieve outlet', 'prove-dead'];
const looks = (round: string, joints: number[]) => [...joints.map((n) => `look ${round} ${n}`), `look ${round}`];
const backOn = (joints: number[]) => [
  ...looks('before', joints),
  'water-on-crack',
  ...looks('crack', joints),
  'water-on-full',
  ...looks('standing', joints),
  ...looks('working', joints),
  'rinse',
  'follow-up next-day',
];

describe('the order rules', () => {
  const run = runBy([hose('line', 'comp-3/8-f', 'npsm-1/2-f')], 'comp-3/8-m', 'npsm-1/2-m');
  const washer = (n: number) => [`start-thread ${n}`, `tighten ${n}`, `record ${n}`];
  const lines = [...SHUT, 'detach lines', 'clean deck', ...washer(1), ...washer(2), ...backOn([1, 2])];

  it('hold for a plain card', () => assert.deepEqual(makeGaps(card(...lines), run), []));

  it('1: water off, pressure relieved and proved dead before anything is opened', () => {
    for (const gone of SHUT) assert.ok(rules(card(...without(lines, gone)), run).includes('order-1'), gone);
    assert.deepEqual(rules(card(...moved(lines, 'detach lines', 'prove-dead')), run), ['order-1']);
    // A solenoid is not asked to fill: it lets nothing out.
    const solenoid = { ...run, appliance: { ...sink, fastClosing: 'yes' as const } };
    assert.deepEqual(rules(card(...lines.map((l) => (l === 'relieve outlet' ? 'relieve appliance' : l))), solenoid), ['order-1']);
  });

  it('2: the power is proved dead before a powered appliance is opened, and on again between the looks', () => {
    const powered = { ...run, appliance: { ...sink, powered: true } };
    assert.deepEqual(rules(card(...lines), powered), ['order-2']);
    const off = ['power-off', 'prove-power-dead', ...lines.flatMap((l) => (l === 'look working 1' ? ['power-on', l] : [l]))];
    assert.deepEqual(makeGaps(card(...off), powered), []);
    assert.deepEqual(rules(card(...moved(off, 'power-on', 'look standing 1')), powered), ['order-8']);
    assert.ok(rules(card(...without(off, 'power-on')), powered).includes('order-2'));
    assert.ok(rules(card(...moved(off, 'prove-power-dead', 'clean deck')), powered).includes('order-2'));
  });

  it('4: each joint is made once, started by hand, and put on record', () => {
    assert.deepEqual(rules(card(...without(lines, 'tighten 2')), run), ['order-4']);
    assert.deepEqual(rules(card(...moved(lines, 'tighten 1', 'start-thread 1')), run), ['order-4']);
    assert.deepEqual(rules(card(...without(lines, 'record 1')), run), ['order-4']);
    assert.deepEqual(rules(card(...lines.flatMap((l) => (l === 'tighten 1' ? ['sealant 1', l] : [l]))), run), ['order-4'], 'no tape on a washer');
  });

  it('7: water comes back in stages, every joint looked at in each', () => {
    for (const gone of ['look crack 2', 'look standing 1', 'look working 2', 'water-on-crack', 'look before 1']) {
      assert.ok(rules(card(...without(lines, gone)), run).includes('order-7'), gone);
    }
    assert.ok(rules(card(...moved(lines, 'tighten 2', 'look crack 1')), run).includes('order-7'));
  });

  it('8: drain joints are numbered, made before they are used, and the floor is closed last', () => {
    const drained = lines.flatMap((l) => (l === 'look before 1' ? ['drain-make D1', 'drain-make D2', l] : [l]));
    assert.deepEqual(makeGaps(card(...drained), run), []);
    assert.deepEqual(rules(card(...without(drained, 'drain-make D1')), run), ['order-8']);
    assert.deepEqual(rules(card(...moved(drained, 'drain-make D2', 'rinse')), run), ['order-8']);
  });

  it('9: nothing is rinsed or tried before it stood', () => {
    assert.deepEqual(rules(card(...moved(lines, 'rinse', 'look standing 1')), run), ['order-9']);
    assert.deepEqual(rules(card('try-safety float', ...lines), run), ['order-9']);
  });

  it('10: a proof is asked for, and no act names a joint that is not there', () => {
    const silent = card(...lines).map((s) => ({ ...s, gate: undefined })) as WorkStep[];
    assert.deepEqual(rules(silent, run), ['order-10']);
    assert.deepEqual(rules(card(...lines, 'orient 7'), run), ['order-10']);
  });

  it('and the kind of work asks its own', () => assert.deepEqual(rules(card(...without(lines, 'clean deck')), run), ['kind']));
});

describe('the order rules of metal, heat and flushing', () => {
  const parts = [part('stop', ['cup-5/8od', 'comp-3/8-m'], { tags: ['stop', 'solder'] }), hose('line', 'comp-3/8-f', 'npsm-1/2-f')];
  const run = runBy(parts, 'cu-5/8od', 'npsm-1/2-m');
  const lines = [
    ...SHUT, 'bond', 'detach lines', 'clean deck', 'cut 1', 'deburr 1', 'flux 1', 'vent', 'solder 1', 'record 1', 'cool 1', 'attach-plastic', 'start-thread 2',
    'tighten 2', 'record 2', 'flush-line', 'water-off again', 'relieve open end', 'prove-dead again', 'start-thread 3', 'tighten 3', 'record 3', ...backOn([1, 2, 3]), 'restore bond',
  ]; // biome-ignore format: a list

  it('hold for a stop soldered on', () => assert.deepEqual(makeGaps(card(...lines), run), []));

  it('3: found metal is bridged before it is cut, to the last', () => {
    assert.deepEqual(rules(card(...moved(lines, 'cut 1', 'bond')), run), ['order-3']);
    assert.deepEqual(rules(card(...without(lines, 'restore bond')), run), ['order-3']);
    assert.deepEqual(rules(card(...moved(lines, 'restore bond', 'look standing 1')), run), ['order-3']);
  });

  it('5: nothing that melts is near a flame, and an end stands open', () => {
    assert.deepEqual(rules(card(...moved(lines, 'attach-plastic', 'solder 1')), run), ['order-5']);
    assert.deepEqual(rules(card(...without(lines, 'vent')), run), ['order-5']);
    assert.ok(rules(card(...moved(lines, 'tighten 2', 'flux 1')), run).includes('order-5'));
    assert.deepEqual(rules(card(...without(lines, 'cool 1')), run), ['order-4']);
  });

  it('6: a new stop is flushed before the appliance is joined, and the line is dead again after', () => {
    assert.deepEqual(rules(card(...without(lines, 'flush-line')), run), ['order-6']);
    assert.deepEqual(rules(card(...moved(lines, 'flush-line', 'record 3')), run), ['order-6']);
    for (const gone of ['water-off again', 'prove-dead again']) assert.deepEqual(rules(card(...without(lines, gone)), run), ['order-6'], gone);
  });
});
