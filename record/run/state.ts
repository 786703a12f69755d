/** A run as what was recorded leaves it: its work, its stages, whether it is signed off, what is not settled. */
import type { Finding, Round, WorkStep } from '../../core/index.ts';
import { happenedAt, targetOf } from '../entry.ts';
import type { Told } from '../kind.ts';
import type { Bodies, Entry, EntryOf } from '../kinds.ts';
import { reasonWords } from '../reasons.ts';
import { cardWords } from './card-words.ts';
import { type Conflict, conflictsOf } from './conflicts.ts';
import { acceptances, eachOf, type History, historyOf, lastOf } from './history.ts';
import type { Trouble } from './joints/joint-life.ts';
import type { ProofAsked } from './joints/proof.ts';
import { callbackReported } from './kinds/callback-reported.ts';
import { type NamedChain, namedChain } from './kinds/chain-accepted.ts';
import { dutySeen } from './kinds/duty-seen.ts';
import { listed } from './kinds/listed.ts';
import { lookEnded } from './kinds/look-ended.ts';
import { meterRead } from './kinds/meter-read.ts';
import { noiseHeard } from './kinds/noise-heard.ts';
import { noted, noteWords } from './kinds/noted.ts';
import { pressureLogged } from './kinds/pressure-logged.ts';
import { safetyTried } from './kinds/safety-tried.ts';
import { stageSkipped } from './kinds/stage-skipped.ts';
import { needFactsOf } from './needs/need-facts.ts';
import { type Use, usesOf } from './needs/uses.ts';
import type { OpenItem } from './now.ts';
import type { Place } from './seen/place.ts';
import { type SurveyFacts, surveyFactsOf } from './seen/survey.ts';
import { type SignOff, type SignOffs, signOffsOf } from './sign-off.ts';
import { besideLooks, isStageDone, STAGE_NAMES, STAGES, type Stage, type StageFacts, type StageState } from './stages.ts';
import { type Cards, type CheckPointState, type JointState, type RunContext, type Work, workOf } from './work.ts';

export { type CheckPointState, type JointState, type RunContext, roundsOf } from './work.ts';

/** A leak that showed after the run was signed off. */
export interface Callback {
  entryId: string;
  targetId: string | null;
  finding: Trouble;
  text: string;
  atMs: number;
}

export interface RunState {
  /** The first stage that is neither done nor skipped; null once signed off. */
  stage: Stage | null;
  stages: Record<Stage, StageState>;
  from: Bodies['end-seen'] | null;
  to: Bodies['end-seen'] | null;
  rejoin: Bodies['end-seen'] | null;
  stop: Bodies['stop-tried'] | null;
  /** When it was tried last. */
  stopTriedMs: number | null;
  oldLine: Bodies['old-line-judged'] | null;
  distance: Bodies['distance-measured'] | null;
  place: Place;
  /** Tubes found in place, by their side. */
  stubs: ReturnType<typeof needFactsOf>['stubs'];
  /** How much of them is free, as it was typed. */
  stubTexts: ReturnType<typeof needFactsOf>['stubTexts'];
  /** What was changed of the known needs for this run. */
  needChanges: ReturnType<typeof needFactsOf>['changes'];
  /** What else Look found. */
  survey: SurveyFacts;
  accepted: (NamedChain & { entryId: string }) | null;
  /** What all that was ever accepted here is called, by part id or loose code. */
  itemNames: Record<string, string>;
  /** There is a card: a chain was accepted, or nothing is joined. */
  hasCard: boolean;
  /** Something was pressed on a card that no chain keeps the rules of. */
  begun: boolean;
  card: WorkStep[];
  /** What it took from the van. */
  uses: Use[];
  /** Steps done or gates passed, by id. */
  done: Record<string, boolean>;
  gates: Record<string, Bodies['gate-answered']>;
  /** The shut line by its gauge, in order. */
  pressureLogs: { entryId: string; atMs: number; body: Bodies['pressure-logged'] }[];
  /** The water meter as it was read, in order. */
  meterReads: { entryId: string; atMs: number; body: Bodies['meter-read'] }[];
  /** Safety devices that were tried, as they did the last time. */
  safety: { entryId: string; atMs: number; body: Bodies['safety-tried'] }[];
  /** What was heard once the work was done. */
  noiseAfter: Bodies['noise-heard']['noise'] | null;
  /** What was due again and was seen to, in order. */
  dutiesSeen: { entryId: string; atMs: number; body: Bodies['duty-seen'] }[];
  joints: JointState[];
  checkPoints: CheckPointState[];
  /** Looks begun and not ended, at what is there to be looked at. */
  openLooks: EntryOf<'look-begun'>[];
  /** Rounds this run has to go through before sign-off. */
  rounds: Round[];
  /** By which rule of the house it is proven, and what is asked at the door. */
  proof: ProofAsked & { /** What the look a day later is to come to, mL a day. */ againMlPerDay: number };
  /** What is asked at the door, or of the next look where nothing is, mL a day. */
  targetMlPerDay: number;
  /** What a sign-off has to name. */
  open: OpenItem[];
  signedOff: SignOff | null;
  /** Signed off as seen dry, by a rule that leaves the bound to the look a day later, which nobody has had yet. */
  isProvisional: boolean;
  /** The last sign-off, where it is in force no more, and why. */
  signOffUndone: SignOffs['undone'];
  /** The look again: none wanted, due, every joint dry with a bound, not dry, or closed with a reason. */
  recheck: 'none' | 'due' | 'dry' | 'not dry' | 'closed';
  callbacks: Callback[];
  conflicts: Conflict[];
  /** What was ever found at its joints and check points and not taken back as an error, callbacks among it. */
  found: Trouble[];
  notes: string[];
  /** Taken off its visit's list, and why; null while it stands there. */
  offList: string | null;
  /** Entries that stand, corrections counted in place of what they correct. */
  entryCount: number;
}

/**
 * What is known of a run and where its work stands, derived from what happened in one visit.
 *
 * The one place where a stage, a joint's state or a bound is worked out; the browser and the server both call it.
 */
export function runState(context: RunContext, entries: readonly Entry[]): RunState {
  return stateFrom(context, historyOf(entries, context.runId));
}

/** The same of a history that is folded already. */
export function stateFrom(context: RunContext, history: History): RunState {
  // What was open at the sign-off is asked of the same card, which is the dearest of it all.
  const cards: Cards = new Map();
  const work = workOf(context, history, cards);
  const { inForce: signedOff, undone } = signOffsOf(history, (before) => openOf(workOf(context, before, cards)));
  const recheck = signedOff ? recheckOf(signedOff, work.targets, work.proof) : 'none';
  const stages = stagesOf(history, work, signedOff);
  const { looked: _l, skipped: _s, targets, lives, ...rest } = work;
  const { stubs, stubTexts, changes: needChanges } = needFactsOf(history);
  const off = lastOf(history, listed)?.body;
  return {
    ...rest,
    survey: surveyFactsOf(history, [...new Set(context.look.symptoms.map((s) => s.symptom))]),
    stubs,
    stubTexts,
    needChanges,
    stage: signedOff ? null : (STAGES.find((s) => stages[s].state === 'open') ?? 'log'),
    stages,
    openLooks: targets.flatMap((t) => lives.get(t.id)?.open ?? []),
    open: openOf(work),
    signedOff,
    signOffUndone: undone,
    recheck,
    isProvisional: signedOff !== null && work.proof.rule === 'next day' && recheck !== 'dry',
    callbacks: eachOf(history, callbackReported).map((e) => ({ entryId: e.id, targetId: targetOf(e), ...e.body, atMs: happenedAt(e) })),
    itemNames: Object.assign({}, ...acceptances(history).map(({ body }) => namesIn(namedChain(body, context)))) as Record<string, string>,
    uses: work.accepted ? usesOf(work.accepted, lives) : [],
    conflicts: conflictsOf(history, lives),
    pressureLogs: eachOf(history, pressureLogged).map(dated),
    meterReads: eachOf(history, meterRead).map(dated),
    safety: [...new Map(eachOf(history, safetyTried).map((e) => [e.body.device, dated(e)])).values()],
    noiseAfter: lastOf(history, noiseHeard)?.body.noise ?? null,
    dutiesSeen: eachOf(history, dutySeen).map(dated),
    found: [...new Set([...eachOf(history, lookEnded), ...eachOf(history, callbackReported)].map((e) => e.body.finding))].filter(isTrouble).sort(),
    notes: eachOf(history, noted).map((e) => noteWords(e.body, cardWords(work.card))),
    offList: off && !off.on ? reasonWords(off.reason) : null,
    entryCount: history.log.length,
  };
}

const isTrouble = (finding: Finding): finding is Trouble => finding !== 'dry' && finding !== 'normal';

const namesIn = ({ items }: NamedChain) => Object.fromEntries(Object.entries(items).map(([id, { name }]) => [id, name]));

/** An entry as a list shows it. */
const dated = <B>(e: Told<B>): { entryId: string; atMs: number; body: B } => ({ entryId: e.id, atMs: happenedAt(e), body: e.body });

function factsOf(work: Work, signedOff: boolean): StageFacts {
  const { looked, accepted, hasCard, card, done, joints, checkPoints } = work;
  const facts = { looked, accepted: accepted !== null, hasCard, card, done, joints, checkPoints, signedOff, waterSafe: true };
  return { ...facts, waterSafe: work.skipped.shut !== null || isStageDone('shut', facts) };
}

/** Done where it was done; else gone past, with the reason given when it was skipped or when the run was signed off; else open. */
function stagesOf(history: History, work: Work, signedOff: SignOff | null): RunState['stages'] {
  const facts = factsOf(work, signedOff !== null);
  const stateOf = (stage: Stage): StageState => {
    if (isStageDone(stage, facts)) return { state: 'done' };
    const skip = lastOf(history, stageSkipped, stage);
    if (skip) return { state: 'skipped', reason: skip.body.reason, deviceId: skip.deviceId, atMs: happenedAt(skip) };
    const named = signedOff?.exceptions.filter((e) => ('stage' in e ? e.stage === stage : stage === 'prove')) ?? [];
    if (!signedOff || named.length === 0) return { state: 'open' };
    const reason = [...new Set(named.map((e) => e.reason))].join('; ');
    return { state: 'skipped', reason, deviceId: signedOff.deviceId, atMs: signedOff.atMs };
  };
  return Object.fromEntries(STAGES.map((s) => [s, stateOf(s)])) as RunState['stages'];
}

/** What a sign-off has to name: stages that are neither done nor skipped, and what is not proven. */
function openOf(work: Work): OpenItem[] {
  const facts = factsOf(work, false);
  const stages: Stage[] = (['look', 'shut', 'make'] as const).filter((s) => work.skipped[s] === null && !isStageDone(s, facts));
  const targets = work.skipped.prove === null ? work.targets.filter((t) => !t.proven) : [];
  if (work.skipped.prove === null && besideLooks(work.card).some((step) => !work.done[step.id])) stages.push('prove');
  return [...stages.map((stage) => ({ stage, label: STAGE_NAMES[stage] })), ...targets.map((t) => ({ targetId: t.id, label: t.label }))];
}

/** Dry only by a real look at each, with its bound: a glance proves nothing, and where the door left some to this look it has to come to the house's figure. */
function recheckOf(signedOff: SignOff, targets: Work['targets'], { rule, againMlPerDay }: Work['proof']): RunState['recheck'] {
  if (targets.some((t) => t.finding !== null)) return 'not dry';
  const isDry = (t: Work['targets'][number]) => {
    const seen = t.byRound['next-day'];
    const most = rule === 'strict' || ('drain' in t && t.drain) ? Number.POSITIVE_INFINITY : againMlPerDay + 1e-9;
    return seen?.state === 'dry' && seen.mlPerDay !== null && (t.againMlPerDay ?? Number.POSITIVE_INFINITY) <= most;
  };
  if (targets.every(isDry)) return 'dry';
  return signedOff.recheckClosed === null ? 'due' : 'closed';
}
