/** What is told of runs that were worked on by chance, whole and on their way. */
import { catalogue } from '../../catalog/index.ts';
import { taskMonths } from '../../core/log/tasks.ts';
import { chanceOf } from '../../core/shut/testing.ts';
import { held } from '../../core/testing.ts';
import { carriedBy, describer, happenings } from '../words.ts';
import { historyOf } from './history.ts';
import { changedEnds, untouchedJoints } from './joints/changed-ends.ts';
import { placesOf } from './joints/joint-place.ts';
import { watchedWords } from './joints/watched.ts';
import { alongCard } from './needs/along.ts';
import { needOfRun } from './needs/need.ts';
import { neededFor } from './needs/needed.ts';
import { outletsFor } from './seen/free-outlets.ts';
import { judgeRun, surveyOf } from './seen/survey.ts';
import { runState } from './state.ts';
import { minutesLeft } from './step-minutes.ts';
import { taskFactsOf } from './task-facts.ts';
import { storiesOf } from './told/joint-story.ts';
import { NOISES, type Noise, noiseCompared } from './told/noises.ts';
import { sentenceOf } from './told/sentence.ts';
import { signSheetOf } from './told/sign-sheet.ts';
import { tagsOf } from './told/tags.ts';
import { type Walked, walked } from './walk.testing.ts';

const { duties, look } = catalogue();
const DUTIES = { rows: duties, months: taskMonths(duties, look.ages, {}) };
const seeds = Array.from({ length: 26 }, (_, i) => i + 1);
const known = new Map<number, Walked>();
const walkOf = (seed: number) => {
  const walk = known.get(seed) ?? walked(chanceOf(seed), 70);
  known.set(seed, walk);
  return walk;
};

/** Everything that is told of a run, a case each, so that what changes is named. */
function* toldOf(seed: number, part: number): Generator<[string, () => unknown]> {
  const run = () => {
    const { context, entries } = walkOf(seed);
    const some = entries.slice(0, Math.ceil(entries.length * part));
    return { context, entries: some, state: runState(context, some) };
  };
  const named = (what: string) => `run ${seed}, ${part * 100} %: ${what}`;
  yield [
    named('state'),
    () => {
      const { card, joints, checkPoints, ...rest } = run().state;
      return rest;
    },
  ];
  yield [named('joints'), () => [run().state.joints, run().state.checkPoints]];
  yield [named('card'), () => run().state.card];
  yield [named('sentence'), () => sentenceOf(run().state)];
  yield [
    named('sheet'),
    () => {
      const { state, context } = run();
      const sheet = signSheetOf(state, context.appliance.id, DUTIES, 'UTC');
      return [sheet, tagsOf(state, sheet)];
    },
  ];
  yield [named('stories'), () => [...storiesOf(run().entries, run().context.runId)]];
  yield [
    named('need'),
    () => {
      const { state, context } = run();
      return [needOfRun(context, state, context.rules!), state.accepted && neededFor(state.accepted), minutesLeft(state.card, state.done)];
    },
  ];
  yield [
    named('judged'),
    () => {
      const { state, context } = run();
      return [judgeRun(context, state, context.rules!), surveyOf(context, state, 'the hot line')];
    },
  ];
  yield [
    named('things'),
    () => {
      const { state, context } = run();
      const changed = changedEnds(state);
      const outlets = outletsFor({ id: 'other', water: 'cold', place: 'bath', state } as never, [
        { id: context.runId, water: context.water, place: 'bath', state } as never,
      ]);
      return [
        taskFactsOf(state, context.appliance.id),
        changed,
        untouchedJoints(state, changed),
        state.accepted && placesOf(state.accepted),
        outlets,
        alongCard(context, state).length,
      ];
    },
  ];
  yield [
    named('words'),
    () => {
      const { state, entries, context } = run();
      const history = historyOf(entries, context.runId);
      return [
        happenings(history, describer(state, history, seed % 2 ? 'inch' : 'metric')),
        happenings(history, describer(null, history)).length,
        carriedBy(history, entries.at(-1)!.id),
      ];
    },
  ];
}

held(import.meta.url, [
  ...seeds.map((seed) => [`refused ${seed}`, () => walkOf(seed).refused] as const),
  ...seeds.flatMap((seed) => (seed % 3 === 0 ? [0.4, 1] : [1]).flatMap((part) => [...toldOf(seed, part)])),
  ...(Object.keys(NOISES) as Noise[]).flatMap((before) =>
    (Object.keys(NOISES) as Noise[]).map((after) => [`${before} before, ${after} after`, () => noiseCompared(before, after)] as const),
  ),
  ['nobody listened', () => [noiseCompared(undefined, null), noiseCompared(undefined, 'quiet'), noiseCompared(undefined, 'hum')]],
  ...[0, 0.5, 0.99, 1, 1.01, 59.99, 60].map((minutes) => [`watched ${minutes}`, () => watchedWords(minutes)] as const),
]);
