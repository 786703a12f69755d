/** The public face of the core: what pages, workers, the server and the benchmarks may import. */
export { AVOIDABLE, withMillimetres } from './ask/demands.ts';
export { type QuestionRead, readQuestion } from './ask/question.ts';
export * from './ends/code.ts';
export type { Piece, Point, SectionMaterial } from './ends/drawn/piece.ts';
export { silhouette } from './ends/drawn/silhouette.ts';
export { isHoseNut, isOpenPipe } from './ends/hose-or-pipe.ts';
export { type Candidate, type Identification, identifyThread } from './ends/identify/identify.ts';
export type { Measure } from './ends/identify/next-measure.ts';
export type { Seat, ThreadReading } from './ends/identify/reading.ts';
export { endLabel, endName, threadSpec } from './ends/label.ts';
export type { LooseCode, Verdict } from './ends/mate/joint.ts';
export { type Mating, mate } from './ends/mate/mate.ts';
export { endSeat } from './ends/mate/seat.ts';
export { writeBinding } from './ends/mate/thread-joint.ts';
export { type Reading, readEnd, readEndNotes } from './ends/read/read.ts';
export { knownAppliances, usualInlets } from './ends/tables/inlets.ts';
export { type Seal, type SealId, type SealTurns, sealById, seals } from './ends/tables/seals.ts';
export { type Thread, threadById, threads } from './ends/tables/threads.ts';
export { type Tube, tubeById, tubes } from './ends/tables/tubes.ts';
export { EndCodeError, InputError } from './errors.ts';
export { branchFlow, type Drawn, type Stretch } from './flow/branch.ts';
export * from './flow/held-water.ts';
export { type LineAnswer, lineAnswer, type Told } from './flow/line-answer.ts';
export {
  hosePieces,
  type LinePiece,
  type LossRow,
  linePieces,
  type PathStep,
  tubeName,
  tubePiece,
  usualPiece,
  withSteps,
} from './flow/line-pieces.ts';
export { type ApplianceCurve, type FlowLine, type FlowVerdict, type OperatingPoint, operatingPoint } from './flow/operating-point.ts';
export { type Fading, fading, type OsmosisTank } from './flow/osmosis.ts';
export type { Piece as FlowPiece } from './flow/piece.ts';
export { type PressuresRead, type RunFlow, runFlow, USUAL_F, USUAL_PSI } from './flow/run-flow.ts';
export { fitSupply, type Supply, type SupplyFit } from './flow/supply.ts';
export { type Help, whatHelps } from './flow/what-helps.ts';
export { CARD_SHEET, gaugeCard, type Mark } from './gauge/card.ts';
export { airChamber, CHAMBER_STATES, type ChamberState } from './hammer/air-chamber.ts';
export { ARRESTOR_SIZES, type ArrestorChoice, type ArrestorSize, arrestorSize } from './hammer/arrestor.ts';
export { type Effect, surgeEffects } from './hammer/effects.ts';
export { CLOSING_LAWS, type ClosingLaw, type Cushion, type SideLine, type Surge, type SurgePipe, type SurgeQuestion } from './hammer/shape.ts';
export { michaudPsi, SURGE_LIMIT_PSI, surge } from './hammer/surge.ts';
export { type Band, bandOf, PLASTIC_TIMES, type Range, type Spread, type SweptRun, sweptQuestion, sweptRun } from './hammer/sweep.ts';
export { HOUSE_CHOICES, type HouseChoices } from './house/choices.table.ts';
export { defaultRules, type HouseRules } from './house/rules.ts';
export type { BranchEnd, LineBranch } from './line/branch.ts';
export { openSection } from './line/open.ts';
export { type LinePart, type LineSection, lineSection } from './line/section.ts';
export * from './log/callback-analysis.ts';
export { callbackRate } from './log/callback-rate.ts';
export { lastBegun, monthsAfter } from './log/due-day.ts';
export * from './log/duties.ts';
export { type AtAge, callbacksOverTime } from './log/over-time.ts';
export { ratesOf, type SealCount, weighedSeal } from './log/shop-rates.ts';
export { GUESS_JOINTS, type WeighedRate, weighedRate } from './log/weighed-rate.ts';
export { type Cause, causesOf } from './look/causes.ts';
export { type Judgements, judgeSurvey } from './look/judge.ts';
export { mayReuse } from './look/reuse.ts';
export * from './look/rows.ts';
export { compareSources, type SourceCandidate, type SourceOption, type SourceQuestion, type SourcesCompared } from './look/sources.ts';
export type { Stop, Survey } from './look/survey.ts';
export type { Judged, Judgement, LookVerdict } from './look/verdict.ts';
export { bucketGpm } from './look/water.ts';
export { ACT_VERBS, type Act, type ActVerb } from './make/acts.ts';
export { type CardHead, cardMarkdown } from './make/card-text.ts';
export { figureLines } from './make/figures/figure-lines.ts';
export type { Reckoned } from './make/figures/reckon.ts';
export { makeGaps } from './make/gaps/index.ts';
export { LEAST_CUPS } from './make/rinse.ts';
export type { Appliance, DrainJoint, StepStage, StepTemplate, StepWhen } from './make/step-data.ts';
export { type Along, type TakeAlong, takeAlong } from './make/take-along.ts';
export { cardVersionOf, type RunFacts, type WorkStep, workCard } from './make/work-card.ts';
export * from './make/work-kinds.ts';
export { matchChains } from './match/chains.ts';
export { stockForCut } from './match/cut-stock.ts';
export { against, hangsOn, type OpenFact } from './match/need/hangs-on.ts';
export * from './match/need/known-need.ts';
export { usualBoreIn } from './match/need/usual-bore.ts';
export type { Loose, Part, PartEnd, Port } from './match/part.ts';
export { matchPreferring } from './match/preferring.ts';
export type * from './match/query.ts';
export type { RatesGiven } from './match/seal-rates.ts';
export { indexParts, type PartIndex } from './match/search/catalogue-index.ts';
export { type ListLine, shoppingList } from './match/shopping.ts';
export { type JointSides, jointSides, shortName, throughEnds } from './match/told/sides.ts';
export { type Apart, tellApart } from './match/told/tell-apart.ts';
export { whyNot } from './match/told/why-not.ts';
export { dripRate, dropsAnHour, dryBound, pooledBound, waitFor } from './prove/bounds.ts';
export type { LetOut } from './prove/decay/give.ts';
export { type Decay, type DecayQuestion, pressureDecay } from './prove/decay/pressure-decay.ts';
export type { PressureReading } from './prove/decay/slope.ts';
export { Thinned } from './prove/decay/thin.ts';
export { type DrainRemedy, drainRemedy } from './prove/drain-remedy.ts';
export { dropWords } from './prove/drop-words.ts';
export { METER_UNITS, type MeterCheck, type MeterUnit, meterCheck } from './prove/meter.ts';
export * from './prove/method.ts';
export { type Remedy, remedy } from './prove/remedy.ts';
export { afterProbe, type Hole, type HolePlace, type HoleSize, holeFor, type Passes, type Through } from './reach/holes.ts';
export { type HoseQuestion, type HoseShape, type HoseVerdict, hoseShape, type LineEnd } from './reach/hose-shape.ts';
export { type LengthPick, type LengthQuestion, pickLength, type Room, type Side } from './reach/pick-length.ts';
export { type RiserMarks, type RiserQuestion, riserMarks } from './reach/riser.ts';
export { type LineKind, lengthQuestion, type MeasuredEnd, type Setting, WAYS, type Way } from './reach/setting.ts';
export { type CoilSpace, clearanceBehind, type SlackCoil, slackCoil } from './reach/slack-coil.ts';
export { type CoilCuts, cutList, type RouteCut, type TubeRoute, tubeRoute } from './reach/tube-route.ts';
export { type Reason, reason } from './reason.ts';
export { type Branches, branchesOf, folded } from './shut/branches.ts';
export { inletOf, type KnownRun, knownNetwork, stopOf } from './shut/known.ts';
export {
  brokenLinks,
  missing as missingInNetwork,
  type NetFault,
  type NetPipe,
  type NetPlace,
  type NetValve,
  PLACE_KINDS,
  STANDING,
  VALVE_CONDITIONS,
  VALVE_KINDS,
  type WaterNetwork,
} from './shut/network.ts';
export { type IsolationJob, type IsolationPlan, type PossiblePlan, planIsolation } from './shut/plan-isolation.ts';
export { type Schematic, schematicOf } from './shut/schematic.ts';
export { backSteps, type ShutDo, type ShutStep, shutSteps } from './shut/steps.ts';
export { losing, wetPlaces } from './shut/wet.ts';
export { joinWindows, type Span, type WaterOff, type WindowJob, type WindowsAnswer } from './shut/windows.ts';
export { boundDigits, threeDigits } from './units/digits.ts';
export { readFraction, turns24, writeFraction, writeTurns } from './units/fraction.ts';
export { hasUnit, isMetric, readLengthIn, readThreadsPerIn } from './units/length.ts';
export * from './units/quantity.ts';
export { remember } from './units/remember.ts';
export { readTyped, type Typed, typedIn, typedUnit } from './units/typed.ts';
