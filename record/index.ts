/** The public face of the record: what pages, the server, the browser's own store and other programs may import. */

export { bookRefusal } from './book/check.ts';
export { type BookEntry, isBookEntry, isOfShop, SUBJECTS, type SubjectKind, type SubjectRef } from './book/entry.ts';
export { type FieldConflict, type Standing, standingOf, stateOf } from './book/fold.ts';
export type { BookNow } from './book/now.ts';
export { type FiledBookEntry, filedBookEntry, readFiledBook, readSentBook, type SentBookEntry, sentBookEntry } from './book/shape.ts';
export type { States } from './book/states.ts';
export type { BookWords } from './book/subject.ts';
export { subjectOf } from './book/subjects.ts';
export { bookHappenings, NO_WORDS, tellBook } from './book/words.ts';
export { effective, ordered, type Resolved, resolved, WITHDRAWN } from './effective.ts';
export { clockOffMs, type EntryBase, happenedAt, isSeenTooLate, type Stamped, targetOf } from './entry.ts';
export { few } from './few.ts';
export { type Happening, type Telling, wholeOf } from './happening.ts';
export { issueOf } from './issue.ts';
export type { Refusal } from './kind.ts';
export { type Bodies, type Entry, type EntryKind, type EntryOf, followsId, jointsBrought, keptForm, kindOf, kinds, upcast } from './kinds.ts';
export { type Minutes, recordOfMinutes } from './minutes.ts';
export { need } from './parts/chain.ts';
export { placesFor } from './parts/places.ts';
export { PictureError, type PictureType, stripped } from './picture/strip.ts';
export { headOf, otherSides, type PremisesBook, premisesBook, runRowsOf, sheetFrom } from './premises/book.ts';
export { saysContact } from './premises/premises.ts';
export type { Appliance, Contact, Place, Premises, WaterThing } from './premises/states.ts';
export { asDrawn, knownThings, MOST_AT_ONCE, networkOf, type TriedStop, triedIn, waterThing } from './premises/water.ts';
export { isOfPress, pressReason, reasonWords } from './reasons.ts';
export { houseRules, upcastRules } from './rules/house-rules.ts';
export { type RulesChange, rulesAfter, rulesChanged, ruleWords } from './rules/rules.ts';
export { acceptancesOf, historyOf, lastOf } from './run/history.ts';
export { changedEnds, untouchedJoints } from './run/joints/changed-ends.ts';
export { drainIdOf, drainOfId, drainPointsOf } from './run/joints/drain-points.ts';
export { jointIdsFor, placesOf } from './run/joints/joint-place.ts';
export type { Proof } from './run/joints/proof.ts';
export { minutesWatched, watchedWords } from './run/joints/watched.ts';
export { type AcceptedChain, type DrawnPart, itemsOf, type NamedChain, namedChain, partNames, partsAsAccepted } from './run/kinds/chain-accepted.ts';
export type { OutletRef } from './run/kinds/end-seen.ts';
export { SAFETY_DEVICES, type SafetyDevice } from './run/kinds/safety-tried.ts';
export { STOP_CONDITIONS } from './run/kinds/stop-tried.ts';
export { alongCard } from './run/needs/along.ts';
export { needOfRun, type RunNeed } from './run/needs/need.ts';
export { type Needed, neededFor } from './run/needs/needed.ts';
export type { OpenItem, Words } from './run/now.ts';
export { isRealReason } from './run/rules.ts';
export { runNow } from './run/run-now.ts';
export { type FreeOutlet, outletsFor, sameOutlet } from './run/seen/free-outlets.ts';
export { type Laid, laidShape, questionOf } from './run/seen/laid.ts';
export { judgeRun, NO_LOOK, type SurveyFacts, surveyOf } from './run/seen/survey.ts';
export { besideLooks, STAGE_NAMES, STAGES, type Stage, type StageState } from './run/stages.ts';
export * from './run/state.ts';
export { minutesLeft, minutesOfStep, type OwnStepMinutes, rowOfStep } from './run/step-minutes.ts';
export { isProof } from './run/steps.ts';
export { taskFactsOf } from './run/task-facts.ts';
export { storiesOf } from './run/told/joint-story.ts';
export { NOISES, type Noise, noiseCompared } from './run/told/noises.ts';
export { type Sentence, sentenceOf } from './run/told/sentence.ts';
export { type SignedJoint, signSheetOf, type TaskRules } from './run/told/sign-sheet.ts';
export { type RunSummary, recheckWaitsMs, standWords, summaryOf } from './run/told/summary.ts';
export { type Tag, tagsOf } from './run/told/tags.ts';
export { type FiledEntry, filedEntry, type Read, raised, readSent, type SentEntry, sentEntry } from './shape.ts';
export { instant, lengthIn, localDay, localTime, name, shortText, timeZone, uuid } from './shapes.ts';
export { FIRST_SHOP } from './shop/first.ts';
export type { Shop } from './shop/state.ts';
export { elsewhereOf, type Level, reorderOf, type StockedPlace, stockOf, type ToldAmount, toldOf, vanOf, withWaiting } from './stock/levels.ts';
export { type LoadRow, loadOf, type Move, movesFor } from './stock/load.ts';
export { REORDER_COLUMNS, reorderRows } from './stock/reorder-rows.ts';
export { isStorable, pathText, unstorable } from './storable.ts';
export { validate } from './validate.ts';
export { type Certificate, certificateOf, howSeen } from './visit/certificate.ts';
export { type Chainless, runsWithoutChain } from './visit/chainless.ts';
export { addDays, type DaySheet, daySheetOf, localDayOf, type PlannedVisit, type Recheck } from './visit/day.ts';
export { type DayRun, type DayVisit, dayRunOf } from './visit/day-run.ts';
export { dayVisitOf } from './visit/day-visit.ts';
export { type Cost, cameTo, estimateOf } from './visit/estimate.ts';
export { MOST_BYTES, NOTHING_GATHERED, pictureId, SHOWN, type Shown } from './visit/gathered.ts';
export { type OpenRun, openRunsOf } from './visit/open-runs.ts';
export { packDay, packWeek, unpackDay, unpackWeek } from './visit/packed.ts';
export { minuteOf, spanOf, statusOf, type VisitSpan } from './visit/plan.ts';
export { deviceNames, type RecordRow, recordRows, runHappenings } from './visit/record-rows.ts';
export {
  contextOf,
  type FlowOf,
  offListReason,
  type ReadRun,
  type RunCatalogue,
  type RunRow,
  readRun,
  readRuns,
  type VisitHead,
  type VisitSheet,
} from './visit/sheet.ts';
export type { Gathered, Told, Visit } from './visit/states.ts';
export { type Waiting, waitingOf } from './visit/waiting.ts';
export { mondayOf, movedBy, type WeekSheet, type WeekVisit, weekSheetOf, weekVisitsOf } from './visit/week.ts';
export { readWhen } from './visit/when.ts';
export { minutesOfOne, type OwnMinutes, type OwnRecord, ownVisits, workMinutes } from './visit/work-minutes.ts';
export { instantOf } from './visit/zone.ts';
export { carriedBy, describeEntry, describer, happenings } from './words.ts';
export { isZone, zoneForAll } from './zones.ts';
