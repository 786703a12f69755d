/** What Look found at a run, as the core judges it. */

import type { Appliance } from '../../../core/index.ts';
import { type Cause, causesOf, type HouseRules, type Judgements, judgeSurvey, type LookData, type Survey } from '../../../core/index.ts';
import type { Bodies } from '../../kinds.ts';
import { eachOf, type History, lastOf, togetherOf } from '../history.ts';
import { baselineTaken } from '../kinds/baseline-taken.ts';
import { hammerHeard } from '../kinds/hammer-heard.ts';
import { lineSeen } from '../kinds/line-seen.ts';
import { reuseSeen } from '../kinds/reuse-seen.ts';
import { sheetRead } from '../kinds/sheet-read.ts';
import { sourceFound } from '../kinds/source-found.ts';
import { surroundingsSeen } from '../kinds/surroundings-seen.ts';
import { symptomTold } from '../kinds/symptom-told.ts';
import { thingSeen } from '../kinds/thing-seen.ts';
import { waterMeasured } from '../kinds/water-measured.ts';
import type { RunContext } from '../work.ts';
import type { Place } from './place.ts';

const bodyOf = <B>(entry: { body: B } | null): B | null => entry?.body ?? null;

/** Facts of the survey as they stand; what was never said is null. */
export function surveyFactsOf(history: History, symptoms: readonly string[]) {
  const water = (of: string) => bodyOf(lastOf(history, waterMeasured, of));
  const [running, bucket, hot] = [water('running'), water('bucket'), water('hot')];
  return {
    line: togetherOf(history, lineSeen),
    seen: {
      stop: bodyOf(lastOf(history, thingSeen, 'stop'))?.seen ?? null,
      screen: bodyOf(lastOf(history, thingSeen, 'screen'))?.seen ?? null,
      washer: bodyOf(lastOf(history, thingSeen, 'washer'))?.seen ?? null,
      place: bodyOf(lastOf(history, thingSeen, 'place'))?.seen ?? null,
    },
    hammer: togetherOf(history, hammerHeard),
    running: running?.of === 'running' ? running : null,
    bucket: bucket?.of === 'bucket' ? bucket : null,
    hot: hot?.of === 'hot' ? hot : null,
    surroundings: togetherOf(history, surroundingsSeen),
    symptoms: symptoms.filter((s) => bodyOf(lastOf(history, symptomTold, s))?.is),
    baseline: togetherOf(history, baselineTaken),
    sources: sourcesOf(history),
    sheet: sheetOf(history),
    reuse: Object.fromEntries([...new Map(eachOf(history, reuseSeen).map((e) => [e.body.what, e.body]))].filter(([, b]) => b.is)) as Record<
      string,
      Bodies['reuse-seen']
    >,
  };
}

/** Places that water may be taken from, each as it was last said, in the order in which they were found. */
function sourcesOf(history: History): Bodies['source-found'][] {
  const byId = new Map(eachOf(history, sourceFound).map((e) => [e.body.id, e.body]));
  return [...byId.values()].filter((b) => !b.gone);
}

/** Figures of the appliance's own sheet, by their ids; what was emptied is not there. */
function sheetOf(history: History): Record<string, Bodies['sheet-read']> {
  const all = new Map(eachOf(history, sheetRead).map((e) => [e.body.figure, e.body]));
  return Object.fromEntries([...all].filter(([, b]) => b.text !== ''));
}

/** The appliance as its own sheet has it: its figures stand in place of the catalogue's. */
export function applianceBySheet<A extends Pick<Appliance, 'minFlowPsi' | 'maxStaticPsi'>>(
  appliance: A,
  look: LookData,
  sheet: SurveyFacts['sheet'],
): A {
  const own = look.sheets.flatMap(({ id, overrides }) => {
    const value = sheet[id]?.value;
    return overrides && value !== undefined ? [[overrides, value] as const] : [];
  });
  return own.length === 0 ? appliance : { ...appliance, ...Object.fromEntries(own) };
}

export type SurveyFacts = ReturnType<typeof surveyFactsOf>;

/** What of a run's state is judged. */
export interface Found {
  survey: SurveyFacts;
  stop: Bodies['stop-tried'] | null;
  place: Place;
  from: Bodies['end-seen'] | null;
  to: Bodies['end-seen'] | null;
}

/** What is known of the run, in the words of the core; findings that the catalogue has no more are left out. */
export function surveyOf({ appliance, water, look }: Pick<RunContext, 'appliance' | 'water' | 'look'>, state: Found, pairReplaced?: string): Survey {
  const { line, seen, hammer, running, bucket, hot, surroundings, symptoms } = state.survey;
  const known = (ids: readonly string[]) => ids.filter((id) => look.findings.some((f) => f.id === id));
  const things = [seen.screen, seen.washer, seen.place].flatMap((ids) => known(ids ?? []));
  return {
    appliance: applianceBySheet(appliance, look, state.survey.sheet),
    water,
    ...(line
      ? {
          line: {
            ...(line.line === undefined ? {} : { kind: line.line }),
            ...(line.ageYears === undefined ? {} : { ageYears: line.ageYears }),
            ...(line.seen ? { seen: known(line.seen) } : {}),
          },
        }
      : {}),
    ...(state.stop ? { stop: { ...state.stop, seen: known(seen.stop ?? []) } } : {}),
    ...(hammer?.there ? { arrestor: { kind: hammer.there, ...(hammer.bangs === undefined ? {} : { bangs: hammer.bangs }) } } : {}),
    seen: things,
    ...(state.place.pressurePsi === undefined ? {} : { staticPsi: state.place.pressurePsi }),
    ...(running ? { runningPsi: running.psi } : {}),
    ...(bucket ? { bucket: { gallons: bucket.gallons, seconds: bucket.seconds } } : {}),
    ...(hot ? { hotF: hot.degF } : {}),
    ...(state.place.afterOsmosis === undefined ? {} : { afterOsmosis: state.place.afterOsmosis }),
    ...(state.place.hidden || state.place.hiddenKnown ? { hidden: state.place.hidden } : {}),
    ...(surroundings?.power === undefined ? {} : { power: surroundings.power }),
    wayOutKnown: Boolean(surroundings?.wayOut),
    ...(surroundings?.movesWithLine === undefined ? {} : { movesWithLine: surroundings.movesWithLine }),
    endsKnown: Boolean(state.from && state.to),
    endsDoubted: Boolean(state.from?.doubt || state.to?.doubt),
    symptoms,
    ...(pairReplaced === undefined ? {} : { pairReplaced }),
  };
}

/** What Look makes of it: verdicts, what stays open, and what may cause what is complained of. */
export function judgeRun(
  context: Pick<RunContext, 'appliance' | 'water' | 'look'>,
  state: Found,
  rules: HouseRules,
  pairReplaced?: string,
): Judgements & { causes: Cause[] } {
  const survey = surveyOf(context, state, pairReplaced);
  const judged = judgeSurvey(survey, context.look, rules);
  return { ...judged, causes: causesOf(survey, judged, context.look) };
}

export const NO_LOOK: LookData = { findings: [], ages: [], stops: [], symptoms: [], unknowns: [], reuse: [], sourceWork: [], sheets: [] };
