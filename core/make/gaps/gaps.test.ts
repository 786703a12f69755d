/** The order rules on cards written by hand: what keeps each, and what breaks it. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import type { Act, ActVerb } from '../acts.ts';
import type { RunFacts } from '../run-facts.ts';
import { hose, part, runBy, sink } from '../testing.ts';
import type { WorkStep } from '../work-card.ts';
import { makeGaps } from './index.ts';

/** 'tighten 1', 'look crack', 'look crack 1', 'cut new 2', 'hot relieve outlet': a step an act, with a question where one is asked. */
function card(...lines: string[]): WorkStep[] {
  return lines.map((line, i) => {
    const side = /^(hot|cold) /.exec(line)?.[1] as Act['water'];
    const words = line.replace(/^(hot|cold) /, '').split(' ');
    const n = words.findIndex((w) => /^\d+$/.test(w));
    const on = words
      .slice(1)
      .filter((_, k) => k + 1 !== n)
      .join(' ');
    const act: Act = {
      do: words[0] as ActVerb,
      ...(n > 0 ? { joint: Number(words[n]) } : {}),
      ...(side ? { water: side } : {}),
      ...(on ? { on } : {}),
    };
    const gate = act.do.startsWith('prove-') ? { gate: 'Is it?' } : {};
    return { id: `s${i}`, stage: 'make', title: line, detail: '', acts: [act], cautions: [], because: [], ...gate };
  });
}

const rules = (steps: WorkStep[], run: RunFacts) => [...new Set(makeGaps(steps, run).map((r) => r.rule))];
const without = (lines: string[], gone: string) => lines.filter((l) => l !== gone);
const moved = (lines: string[], what: string, before: string) => without(lines, what).flatMap((l) => (l === before ? [what, l] : [l]));

const SHUT = ['water-off stop', 'relieve outlet', 'prove-dead open end'];
const HOT = SHUT.map((line) => `hot ${line}`);
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
  const lines = [...HOT, ...SHUT, 'detach lines', 'clean deck', 'set faucet', 'fix faucet', ...washer(1), ...washer(2), ...backOn([1, 2])];

  it('hold for a plain card', () => assert.deepEqual(makeGaps(card(...lines), run), []));

  it('1: water off, pressure relieved and proved dead before anything is opened', () => {
    const cold = { ...run, waters: ['cold'] as const };
    const alone = lines.filter((l) => !HOT.includes(l));
    assert.deepEqual(makeGaps(card(...alone), cold), []);
    for (const gone of SHUT) assert.ok(rules(card(...without(alone, gone)), cold).includes('order-1'), gone);
    assert.deepEqual(rules(card(...moved(alone, 'detach lines', 'prove-dead open end')), cold), ['order-1']);
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

  it('11: both sides of what is fed hot and cold are shut, relieved and proved dead', () => {
    for (const gone of HOT) assert.ok(rules(card(...without(lines, gone)), run).includes('order-11'), gone);
    assert.deepEqual(rules(card(...moved(lines, 'detach lines', 'hot relieve outlet')), run), ['order-1', 'order-11']);
    assert.deepEqual(makeGaps(card(...lines.filter((l) => !HOT.includes(l))), { ...run, waters: ['cold'] }), [], 'a hydrant of one line');
  });

  it('12: a stop that does not hold is left alone, and what is proved dead is the pipe that is opened', () => {
    const upstream = lines.map((l) => (l === 'water-off stop' ? 'water-off upstream' : l));
    for (const condition of ['passes', 'seized-open', 'seized-shut', 'broken']) {
      const bad = { ...run, stop: { kind: 'multi-turn', condition } };
      assert.deepEqual(rules(card(...lines), bad), ['order-12'], condition);
      assert.deepEqual(makeGaps(card(...upstream), bad), [], condition);
      assert.deepEqual(
        rules(card(...upstream.flatMap((l) => (l === 'detach lines' ? ['water-off stop', l] : [l]))), bad),
        ['order-12'],
        'nor turned later',
      );
      const other = { ...run, otherStop: { kind: 'gate', condition } };
      assert.deepEqual(rules(card(...lines), other), ['order-12'], `the other side ${condition}`);
    }
    assert.deepEqual(makeGaps(card(...lines), { ...run, stop: { kind: 'multi-turn', condition: 'unknown' } }), [], 'it may be tried once');
    for (const place of ['', ' appliance', ' saddle']) {
      assert.deepEqual(rules(card(...lines.map((l) => (l === 'prove-dead open end' ? `prove-dead${place}` : l))), run), ['order-12'], place);
    }
    const saddle = { ...run, stop: { kind: 'saddle', condition: 'unknown' } };
    assert.deepEqual(rules(card(...upstream), saddle), ['order-12'], 'a needle that is clogged reads dead');
    assert.deepEqual(makeGaps(card(...upstream.map((l) => (l === 'prove-dead open end' ? 'prove-dead branch outlet' : l))), saddle), []);
  });

  it('13: what stands on a deck is set and fixed before its line is joined', () => {
    for (const verb of ['set faucet', 'fix faucet']) {
      assert.deepEqual(rules(card(...moved(lines, verb, 'look before 1')), run), ['order-13'], verb);
      assert.deepEqual(rules(card(...without(lines, verb)), run), ['order-13'], verb);
    }
  });

  it('16 and 17: no aerator where there is none, and nothing too long to be read', () => {
    const [first, ...rest] = card(...lines) as [WorkStep, ...WorkStep[]];
    const told = (more: Partial<WorkStep>) => [{ ...first, ...more }, ...rest];
    assert.deepEqual(makeGaps(told({ detail: 'Aerator off.' }), run), []);
    assert.deepEqual(rules(told({ detail: 'Aerator off.' }), { ...run, appliance: { ...sink, id: 'tub-filler', hasAerator: false } }), ['order-16']);
    assert.deepEqual(makeGaps(told({ title: 'x'.repeat(60), detail: 'x'.repeat(260) }), run), []);
    assert.deepEqual(rules(told({ title: 'x'.repeat(61) }), run), ['order-17']);
    assert.deepEqual(rules(told({ detail: 'x'.repeat(261) }), run), ['order-17']);
    const letters = card(...lines).reduce((sum, s) => sum + s.title.length + s.detail.length, 0);
    const filled = (to: number) => [
      ...card(...lines),
      ...Array.from({ length: Math.ceil((to - letters) / 200) }, (_, i) => ({
        ...first,
        id: `m${i}`,
        acts: [],
        title: '',
        detail: 'x'.repeat(Math.min(200, to - letters - i * 200)),
      })),
    ];
    assert.deepEqual(makeGaps(filled(9000), run), []);
    assert.deepEqual(rules(filled(9001), run), ['order-17']);
  });

  it('and the kind of work asks its own', () => assert.deepEqual(rules(card(...without(lines, 'clean deck')), run), ['kind']));
});

describe('the order rules of metal, heat and flushing', () => {
  const parts = [part('stop', ['cup-5/8od', 'comp-3/8-m'], { tags: ['stop', 'solder'] }), hose('line', 'comp-3/8-f', 'npsm-1/2-f')];
  const run = runBy(parts, 'cu-5/8od', 'npsm-1/2-m');
  const lines = [
    ...HOT, ...SHUT, 'bond', 'detach lines', 'clean deck', 'set faucet', 'fix faucet', 'cut 1', 'deburr 1', 'flux 1', 'vent', 'solder 1', 'record 1', 'cool 1', 'attach-plastic', 'start-thread 2',
    'tighten 2', 'record 2', 'flush-line', 'water-off new stop', 'relieve bare end', 'prove-dead nut over a bucket', 'start-thread 3', 'tighten 3', 'record 3', ...backOn([1, 2, 3]), 'restore bond',
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
    for (const gone of ['water-off new stop', 'prove-dead nut over a bucket'])
      assert.deepEqual(rules(card(...without(lines, gone)), run), ['order-6'], gone);
  });
});

describe('the order rules of single kinds of work', () => {
  const of = (work: RunFacts['work'], id: string, more: Partial<RunFacts> = {}): RunFacts => ({
    ...runBy([hose('line', 'comp-3/8-f', 'npsm-1/2-f')], 'comp-3/8-m', 'npsm-1/2-m'),
    work,
    appliance: { ...sink, id, name: id, fedBoth: false, mixes: false, moves: id === 'washing-machine', makesIce: id === 'refrigerator' },
    ...more,
  });
  const broken = (run: RunFacts, rule: string, ...lines: string[]) => rules(card(...lines), run).includes(rule);

  it('12: a stop that comes off is never what is shut, or what the water is proved dead behind', () => {
    const run = of('stop-replace', 'toilet');
    const way = ['water-off upstream', 'relieve outlet', 'prove-dead branch outlet', 'detach line and stop', 'water-off new stop'];
    assert.equal(broken(run, 'order-12', ...way), false);
    assert.equal(broken(run, 'order-12', 'water-off stop', ...way.slice(1)), true);
    assert.equal(broken(run, 'order-12', ...way.map((l) => (l.startsWith('prove-dead') ? 'prove-dead nut over a bucket' : l))), true);
  });

  it('13: a hydrant is set, pitched, sealed and screwed, and then joined inside', () => {
    const run = of('hydrant', 'hydrant');
    const way = ['set barrel', 'level', 'seal-rim', 'fix flange', 'tighten 2'];
    assert.equal(broken(run, 'order-13', ...way), false);
    for (let i = 1; i < way.length; i++) assert.equal(broken(run, 'order-13', ...moved(way, way[i]!, way[i - 1]!)), true, way[i]);
  });

  it('13: a stub of the rough-in is capped before water', () => {
    const run = of('tub-rough', 'tub-filler');
    assert.equal(broken(run, 'order-13', 'tighten 1', 'tighten 2', 'cap stubs', 'water-on-crack'), false);
    assert.equal(broken(run, 'order-13', 'tighten 1', 'tighten 2', 'water-on-crack', 'cap stubs'), true);
  });

  it('14: the rough-in is measured before the old toilet comes off, and nobody reaches behind a machine in place', () => {
    const toilet = of('toilet-replace', 'toilet');
    assert.equal(broken(toilet, 'order-14', 'measure rough-in', 'detach old line', 'move-out'), false);
    assert.equal(broken(toilet, 'order-14', 'detach old line', 'move-out', 'measure rough-in'), true);
    const washer = of('washer-arrestors', 'washing-machine');
    assert.equal(broken(washer, 'order-14', 'move-out', 'detach hoses'), false);
    assert.equal(broken(washer, 'order-14', 'detach hoses at the valve', 'move-out'), false);
    assert.equal(broken(washer, 'order-14', 'detach hoses', 'move-out'), true);
  });

  it('15: ice making goes off first and on last', () => {
    const run = of('refrigerator-stop', 'refrigerator');
    const way = ['enable ice off', 'power-off', 'water-off stop', 'rinse', 'enable ice on'];
    assert.equal(broken(run, 'order-15', ...way), false);
    for (const [what, before] of [
      ['power-off', 'enable ice off'],
      ['water-off stop', 'enable ice off'],
      ['enable ice on', 'rinse'],
    ] as const)
      assert.equal(broken(run, 'order-15', ...moved(way, what, before)), true, what);
  });

  it('16: the gauge is for a ring', () => {
    assert.equal(broken(of('toilet-line', 'toilet'), 'order-16', 'gauge 1'), true);
  });
});
