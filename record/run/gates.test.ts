import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { defaultRules } from '../../core/house/rules.ts';
import type { StepTemplate } from '../../core/make/step-data.ts';
import type { Entry } from '../kinds.ts';
import { toEntry } from './entry.testing.ts';
import { cardBegun } from './kinds/card-begun.ts';
import { gateAnswered } from './kinds/gate-answered.ts';
import { runNow } from './run-now.ts';
import { type RunContext, runState } from './state.ts';
import { acceptedOf, CONTEXT, HOSES } from './testing.ts';

const context = {
  ...CONTEXT,
  stepData: CONTEXT.stepData.map((t) => ({ ...t, ...(t.id === 'shut-dead' ? { acts: [{ do: 'prove-dead' as const }] } : {}) })),
};
const accepted = toEntry('chain-accepted', acceptedOf(HOSES[0]!, null), 1);
const answered = (body: { stepId: string; answer: 'yes' | 'no' | 'another proof' | 'past it'; note: string }) => toEntry('gate-answered', body, 2);
const refusal = (body: Parameters<typeof answered>[0]) =>
  gateAnswered.holds(
    answered(body) as never,
    runNow({ id: 'run', work: 'toilet-line', checkPoints: [] }, [accepted], () => context),
  )?.rule ?? null;

describe('a question of the card', () => {
  it('that proves the water off is never gone past, only proved another way, and named', () => {
    assert.equal(refusal({ stepId: 'shut-dead', answer: 'past it', note: 'No time for it this morning' }), 'wants-proof');
    assert.equal(refusal({ stepId: 'shut-dead', answer: 'another proof', note: 'x' }), 'no-reason');
    assert.equal(refusal({ stepId: 'shut-dead', answer: 'another proof', note: 'The street valve is shut and the gauge reads nought' }), null);
  });

  it('of another kind is gone past with a reason that says something', () => {
    assert.equal(refusal({ stepId: 'elsewhere', answer: 'past it', note: '' }), 'no-reason');
    assert.equal(refusal({ stepId: 'elsewhere', answer: 'past it', note: 'The owner measured it himself' }), null);
    assert.equal(refusal({ stepId: 'elsewhere', answer: 'no', note: '' }), null);
  });

  it('is done by another proof, and open by a no', () => {
    const after = (answer: 'no' | 'another proof') =>
      runState(context, [
        accepted,
        toEntry('step-done', { stepId: 'shut-stop', done: true }, 2),
        answered({ stepId: 'shut-dead', answer, note: 'The street valve is shut' }),
      ]);
    assert.equal(after('another proof').done['shut-dead'], true);
    assert.equal(after('no').done['shut-dead'], false);
  });
});

describe('a length that a step measures', () => {
  const measures = [{ id: 'critical-is', name: 'critical height', source: '' }];
  const atLeast = { of: [{ figure: 'critical-height' }] };
  const reckons = [
    { id: 'critical', title: 'Critical height', source: '', how: 'sum' as const, of: [{ figure: 'critical-is' }], atLeast, low: '{by} low' },
  ];
  const look = {
    ...CONTEXT.look,
    sheets: [
      { id: 'critical-height', appliances: '*' as const, name: 'critical height', of: 'length' as const, gate: true, overrides: null, source: '' },
    ],
  };
  const measuring = { ...context, look, stepData: context.stepData.map((t) => (t.id === 'shut-dead' ? { ...t, measures, reckons } : t)) };
  const sheet = toEntry('sheet-read', { figure: 'critical-height', of: 'length', text: '3', value: 3 }, 2);
  const taken = (text: string, inches: number, at: number) => toEntry('figure-measured', { figure: 'critical-is', text, inches }, at);
  const yes = (entries: Parameters<typeof runState>[1]) =>
    gateAnswered.holds(
      answered({ stepId: 'shut-dead', answer: 'yes', note: '' }) as never,
      runNow({ id: 'run', work: 'toilet-line', checkPoints: [] }, entries, () => measuring),
    );

  it('and that does not keep to its sheet takes no yes, until it is put right and measured again', () => {
    const short = [accepted, sheet, taken('2 3/4', 2.75, 3)];
    assert.deepEqual([yes(short)?.rule, yes(short)?.why.startsWith('Critical height: 1/4 in low.')], ['is-off', true]);
    assert.equal(yes([...short, taken('3 1/16', 3.0625, 4)]), null);
    assert.equal(yes([accepted, sheet]), null, 'what nobody measured is answered by eye');
  });

  it('stands on the card as typed, the last of it', () => {
    const step = (entries: Parameters<typeof runState>[1]) => runState(measuring, entries).card.find((s) => s.id === 'shut-dead')!;
    assert.equal(step([accepted, sheet]).measures![0]!.text, '');
    const { measures: shown, reckoned } = step([accepted, sheet, taken('2 3/4', 2.75, 3), taken('3 in', 3, 4)]);
    assert.deepEqual([shown![0]!.text, reckoned![0]!.isOff], ['3 in', false]);
  });
});

describe('work that joins nothing', () => {
  const off = { ...context, work: 'toilet-remove' as const };

  it('has its card without a chain, and its stages', () => {
    const state = runState(off, []);
    assert.equal(state.stages.match.state, 'done');
    assert.deepEqual(
      state.card.map((s) => s.id),
      ['shut-stop', 'shut-dead', 'old-off'],
    );
    assert.deepEqual(state.joints, []);
    assert.equal(state.stages.shut.state, 'open');
  });

  it('goes by the house rules of now until it is begun, then by those it was begun with', () => {
    const byRule = (value: string): StepTemplate => ({ ...off.stepData[0]!, id: `lift-${value.length}`, when: { rule: { toiletLift: value } } });
    const ids = (context: RunContext, entries: Entry[]) =>
      runState(context, entries)
        .card.filter((s) => s.id.startsWith('lift'))
        .map((s) => s.id);
    const lifting = { ...off, stepData: [...off.stepData, byRule('whole, by two'), byRule('tank off, by one')] };
    const rules = { ...defaultRules, toiletLift: 'tank off, by one' as const };
    assert.deepEqual(ids(lifting, []), ['lift-13'], 'the usual');
    assert.deepEqual(ids({ ...lifting, rules }, []), ['lift-16'], "the house's");
    const begun = toEntry('card-begun', { rules, cardVersion: 4 }, 1);
    assert.deepEqual([ids(lifting, [begun]), ids({ ...lifting, rules: defaultRules }, [begun])], [['lift-16'], ['lift-16']], 'kept with it');
    assert.equal(
      cardBegun.holds(
        begun as never,
        runNow({ id: 'run', work: 'toilet-line', checkPoints: [] }, [], () => context),
      )?.rule,
      'joins',
    );
  });

  it('takes what is done without one', () => {
    const now = runNow({ id: 'run', work: 'toilet-remove', checkPoints: [] }, [], () => off);
    assert.equal(gateAnswered.holds(answered({ stepId: 'shut-dead', answer: 'yes', note: '' }) as never, now), null);
    const state = runState(off, [
      toEntry('step-done', { stepId: 'shut-stop', done: true }, 1),
      answered({ stepId: 'shut-dead', answer: 'yes', note: '' }),
    ]);
    assert.equal(state.stages.shut.state, 'done');
  });
});
