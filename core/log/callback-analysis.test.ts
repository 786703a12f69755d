import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { analyseCallbacks, type ChoiceAsked, type JointGroup } from './callback-analysis.ts';

const CHOICES: ChoiceAsked[] = [
  {
    key: 'threadSealant',
    title: 'On taper threads',
    options: [
      { value: 'tape', label: 'PTFE tape' },
      { value: 'paste', label: 'Paste' },
    ],
    seals: ['taper'],
  },
  { key: 'reuse', title: 'Reuse', options: [{ value: 'never', label: 'Never' }], seals: '*' },
];
const RULES: Record<string, Record<string, string>> = { t: { threadSealant: 'tape', reuse: 'never' }, p: { threadSealant: 'paste', reuse: 'never' } };
const group = (more: Partial<JointGroup>): JointGroup => ({
  seal: 'taper',
  turns24: 48,
  sealant: 'tape',
  parts: ['a'],
  rules: RULES.t!,
  joints: 100,
  callbacks: 1,
  ...more,
});
const analyse = (groups: JointGroup[], ages: Parameters<typeof analyseCallbacks>[0]['ages'] = []) =>
  analyseCallbacks({ groups, ages }, CHOICES, (id) => `part ${id}`);

describe('what keeps leaking', () => {
  it('is counted by seal, beside the first guess and what both come to', () => {
    const { bySeal, all } = analyse([group({}), group({ seal: 'washer', turns24: 12, joints: 300, callbacks: 0 })]);
    assert.deepEqual(
      bySeal.map((b) => [b.id, b.joints, b.callbacks]),
      [
        ['taper', 100, 1],
        ['washer', 300, 0],
      ],
    );
    assert.equal(bySeal[0]!.weighed.guess, 0.006);
    assert.ok(Math.abs(bySeal[0]!.weighed.weighed - (0.006 * 500 + 1) / 600) < 1e-12);
    assert.equal(all.joints, 400);
    const washer = bySeal[1]!;
    assert.ok(washer.low === 0 && washer.high > 0.005 && washer.high < 0.02, 'none of 300: still up to 1.3 in 100');
  });
  it('counts a joint at both its parts, once at each', () => {
    const { byPart } = analyse([group({ parts: ['a', 'b'] }), group({ parts: ['b', 'b'], callbacks: 4 })]);
    assert.deepEqual(
      byPart.map((b) => [b.name, b.joints, b.callbacks]),
      [
        ['part b', 200, 5],
        ['part a', 100, 1],
      ],
    );
  });
  it('tells turns under, within and over the usual range; what is not screwed has none', () => {
    const { byTurns } = analyse([
      group({ turns24: 24 }),
      group({ turns24: 36 }),
      group({ turns24: 80, callbacks: 3 }),
      group({ seal: 'solder', turns24: 0 }),
    ]);
    assert.deepEqual(
      byTurns.map((b) => [b.id, b.joints]),
      [
        ['over', 100],
        ['under', 100],
        ['within', 100],
      ],
    );
  });
  it('compares a house rule only at the joints it bears on, and only where both ways were made', () => {
    const { byChoice } = analyse([group({}), group({ rules: RULES.p!, callbacks: 2 }), group({ seal: 'washer', rules: RULES.p!, joints: 5000 })]);
    assert.deepEqual(
      byChoice.map((c) => c.key),
      ['threadSealant'],
    );
    assert.deepEqual(
      byChoice[0]!.bars.map((b) => [b.name, b.joints, b.callbacks]),
      [
        ['Paste', 100, 2],
        ['PTFE tape', 100, 1],
      ],
    );
  });
  it('by age counts the time joints stood, and the callbacks at the age they came at', () => {
    const { byAge } = analyse(
      [],
      [
        { days: 0, cameBack: true, joints: 1 },
        { days: 3, cameBack: true, joints: 2 },
        { days: 1000, cameBack: false, joints: 50 },
      ],
    );
    assert.deepEqual(
      byAge.map((b) => b.callbacks),
      [1, 2, 0, 0, 0, 0, 0, 0],
    );
    const years = byAge.reduce((sum, b) => sum + b.jointYears, 0);
    assert.ok(Math.abs(years * 365.25 - (0.5 + 2 * 3.5 + 50 * 1000.5)) < 1e-6);
    assert.ok(byAge[0]!.rate!.mean > byAge[6]!.rate!.mean);
    assert.equal(byAge[7]!.rate, null);
  });
  it('of an empty ledger is nothing, and never a figure', () => {
    const none = analyse([]);
    assert.deepEqual([none.all.joints, none.bySeal.length, none.byChoice.length], [0, 0, 0]);
    assert.deepEqual([none.all.low, none.all.high], [0, 1]);
    assert.ok(none.byAge.every((b) => b.rate === null));
  });
  it('adds up whatever is counted', () => {
    const anyGroup = fc.record({
      seal: fc.constantFrom('taper', 'washer', 'solder', 'ferrule'),
      turns24: fc.nat(90),
      sealant: fc.constantFrom('tape', 'none', null),
      rules: fc.constantFrom(RULES.t, RULES.p, {}),
      joints: fc.integer({ min: 1, max: 500 }),
      part: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(anyGroup, { maxLength: 30 }), (list) => {
        const groups = list.map(({ part, ...g }) => group({ ...(g as Partial<JointGroup>), callbacks: Math.floor(part * g.joints) }));
        const result = analyse(groups);
        const sum = (bars: { joints: number }[]) => bars.reduce((n, b) => n + b.joints, 0);
        assert.equal(sum(result.bySeal), sum(groups));
        assert.equal(sum(result.byTurns), sum(groups.filter((g) => g.seal !== 'solder')));
        assert.equal(sum(result.bySealant), sum(groups.filter((g) => g.sealant !== null)));
      }),
    );
  });
});
