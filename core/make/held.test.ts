/** What the cards of every kind of work say, what they want along, and what of a spoilt one is found. */
import fc from 'fast-check';
import { catalogue } from '../../catalog/index.ts';
import { anyRun, kindOf, runOf, SOURCES } from '../../catalog/testing.ts';
import { allEndCodes, parseEnd } from '../ends/code.ts';
import { held, sampled } from '../testing.ts';
import { cardMarkdown } from './card-text.ts';
import { checkSteps } from './check-steps.ts';
import { fitOf } from './found-ends.ts';
import { makeGaps } from './gaps/index.ts';
import type { OldLine, StepTemplate } from './step-data.ts';
import { takeAlong } from './take-along.ts';
import { type RunFacts, type WorkStep, workCard } from './work-card.ts';
import { MOVES, usualWork, workFor, workKinds } from './work-kinds.ts';
import { flatsFor, wrenchFor } from './wrench.ts';

const { steps, parts, appliances } = catalogue();

const anyFacts = fc
  .record({
    run: anyRun,
    more: fc.record(
      {
        oldLine: fc.constantFrom<OldLine>('none', 'keep', 'replace', 'not judged'),
        afterOsmosis: fc.boolean(),
        gpm: fc.constantFrom(0.5, 2.2),
        cardVersion: fc.constantFrom(1, 2, 3, 4, 99),
        measured: fc.constantFrom(
          {},
          { 'nut-across': { text: '15/16', inches: 0.9375 } },
          { 'wall-to-flange': { text: '12 in', inches: 12 }, 'rough-in': { text: '12 in', inches: 12 } },
        ),
        hidden: fc.boolean(),
        takenOutlets: fc.constantFrom('all', 'first'),
      },
      { requiredKeys: [] },
    ),
  })
  .map(({ run, more: { takenOutlets, ...more } }) => {
    if (!run) return null;
    const outlets = (run.chain?.branches ?? []).map((b) => `${b.part} ${b.end}`);
    return { ...run, ...more, ...(takenOutlets ? { takenOutlets: takenOutlets === 'all' ? outlets : outlets.slice(0, 1) } : {}) } as RunFacts;
  });

const told = (s: WorkStep) => [
  s.id,
  s.stage,
  s.title,
  s.detail,
  s.acts,
  s.joint,
  s.atJoint,
  s.tool,
  s.tools,
  s.materials,
  s.people,
  s.minutes,
  s.turns,
  s.timerS,
  s.drains,
  s.figures,
  s.measures,
  s.reckoned,
  s.gate,
  s.opens,
  s.round,
  s.cautions,
  s.recoveries,
  s.because,
];
const order = (card: readonly WorkStep[]) => card.map((s) => s.id).join(' ');

/** A good card with one thing wrong. */
function spoil(card: WorkStep[], how: string, at: number, by: number): WorkStep[] {
  const i = at % card.length;
  const step = card[i]!;
  const rest = card.filter((_, n) => n !== i);
  if (how === 'left out') return rest;
  if (how === 'moved') return [...rest.slice(0, by % card.length), step, ...rest.slice(by % card.length)];
  if (how === 'twice') return [...card, step];
  if (how === 'idle') return card.map((s, n) => (n === i ? { ...s, acts: [] } : s));
  return card.map((s, n) =>
    n === i ? { ...s, gate: undefined, cautions: [], joint: undefined, acts: s.acts.map((a) => ({ do: a.do })) } : s,
  ) as WorkStep[];
}

const anySpoilt = fc.record({
  run: anyFacts,
  how: fc.constantFrom('left out', 'moved', 'moved', 'twice', 'idle', 'bare'),
  at: fc.nat(),
  by: fc.nat(),
  other: fc.constantFrom<Partial<RunFacts>>({}, {}, {}, { hidden: true }, { oldLine: 'replace' }, { oldLine: 'none' }),
});

/** Step data with a fault, as a hand might make it. */
const FAULTS: Record<string, (t: StepTemplate) => StepTemplate> = {
  'no words': (t) => ({ ...t, title: ' ' }),
  'unknown word': (t) => ({ ...t, detail: 'Take the {thing}.' }),
  'after itself': (t) => ({ ...t, after: [t.id] }),
  'after nothing': (t) => ({ ...t, after: ['no-such-step'] }),
  'unknown kind': (t) => ({ ...t, when: { ...t.when, work: ['no-such-work'] } }) as unknown as StepTemplate,
  'unknown fact': (t) => ({ ...t, when: { ...t.when, is: ['no-such-fact'] } }) as unknown as StepTemplate,
  'unknown appliance': (t) => ({ ...t, when: { ...t.when, appliances: ['no-such'] } }) as unknown as StepTemplate,
  'unknown verb': (t) => ({ ...t, acts: [{ do: 'dance' }] }) as unknown as StepTemplate,
  'unknown figure': (t) => ({ ...t, reckons: [{ id: 'x', title: 'x', source: 'x', sum: { 'no-such': 1 } }] }) as unknown as StepTemplate,
};

held(import.meta.url, [
  ...workKinds.flatMap((kind) =>
    SOURCES.map(
      (source) =>
        [
          `${kind.id} from ${source.join(' with ')}`,
          () => {
            const run = runOf(kind, {}, source);
            return run ? order(workCard(run)) : 'nothing joins them';
          },
        ] as const,
    ),
  ),
  ...sampled('card', anyFacts, 160, (run) => (run ? [run.work, workCard(run).map(told)] : 'nothing joins them')),
  ...sampled('order', anyFacts, 120, (run) => (run ? [run.work, order(workCard(run))] : 'nothing joins them')),
  ...sampled('found ends', anyFacts, 40, (run) => (run ? fitOf(run) : 'nothing joins them')),
  ...sampled('spoilt', anySpoilt, 400, ({ run, how, at, by, other }) => {
    if (!run) return 'nothing joins them';
    const card = workCard(run);
    return [how, card[at % card.length]!.id, makeGaps(spoil(card, how, at, by), { ...run, ...other }).map((r) => [r.rule, r.text])];
  }),
  ...sampled('a day', fc.array(anyFacts, { minLength: 1, maxLength: 4 }), 20, (runs) =>
    takeAlong(runs.flatMap((run, i) => (run ? [{ run: `run ${i + 1}`, steps: workCard(run) }] : []))),
  ),
  ...sampled('text', anyFacts, 20, (run) =>
    run
      ? cardMarkdown({ run: 'a | run', work: run.work, premises: '# 1', joints: ['J1'] }, workCard(run), { [workCard(run)[0]!.id]: true })
      : 'nothing joins them',
  ),
  ...Object.entries(FAULTS).map(
    ([name, fault]) =>
      [
        `step data, ${name}`,
        () => {
          checkSteps(
            steps.map((t, i) => (i === 40 ? fault(t) : t)),
            workKinds,
            appliances.map((a) => a.id),
          );
          return 'taken';
        },
      ] as const,
  ),
  ...appliances.map((a) => [`work on ${a.id}`, () => [usualWork(a.id), workFor(a.id).map((k) => k.id), MOVES.length]] as const),
  ...allEndCodes
    .filter((_, i) => i % 9 === 0)
    .map((code, i, all) => [`wrench for ${code}`, () => [flatsFor(parseEnd(code)), wrenchFor(code, all[(i * 7 + 3) % all.length]!)]] as const),
  ['kinds', () => [kindOf('toilet-line'), parts.length > 0]],
]);
