import type { SealId } from '../../core/ends/seals.ts';
import { defaultRules } from '../../core/house/rules.ts';
import type { Appliance, StepTemplate } from '../../core/make/step-data.ts';
import { type CardPart, type WorkStep, workCard } from '../../core/make/work-card.ts';
import type { Part } from '../../core/match/part.ts';
import { jointSides } from '../../core/match/sides.ts';
import type { Finding, Round } from '../../core/prove/method.ts';
import { happenedAt, targetOf } from '../entry.ts';
import type { Bodies, Entry, EntryOf } from '../kinds.ts';
import { type Conflict, conflictsOf } from './conflicts.ts';
import { acceptances, eachOf, type History, historyOf, lastOf } from './history.ts';
import { type Life, livesOf } from './joint-life.ts';
import { type JointPlace, placesOf } from './joint-place.ts';
import { callbackReported } from './kinds/callback-reported.ts';
import { type AcceptedChain, chainAccepted } from './kinds/chain-accepted.ts';
import { distanceMeasured } from './kinds/distance-measured.ts';
import { endSeen } from './kinds/end-seen.ts';
import { listed } from './kinds/listed.ts';
import { noted } from './kinds/noted.ts';
import { oldLineJudged } from './kinds/old-line-judged.ts';
import { placeSeen } from './kinds/place-seen.ts';
import { stageSkipped } from './kinds/stage-skipped.ts';
import { stopTried } from './kinds/stop-tried.ts';
import type { OpenItem } from './now.ts';
import { type Proof, proofOf } from './proof.ts';
import { type SignOff, type SignOffs, signOffsOf } from './sign-off.ts';
import { isStageDone, STAGE_NAMES, STAGES, type Stage, type StageFacts, type StageState } from './stages.ts';
import { stepsDone, ticksOf } from './steps.ts';

/** What does not change while a run is worked on. */
export interface RunContext {
  runId: string;
  water: 'cold' | 'hot';
  appliance: Appliance;
  checkPoints: { id: string; kind: 'stem' | 'drain'; name: string }[];
  stepData: StepTemplate[];
  parts: Part[];
}

export interface JointState extends Proof {
  id: string;
  n: number;
  /** 'J2' */
  label: string;
  a: string;
  b: string;
  seal: SealId;
  made: boolean;
  turns24: number;
  nudges: number;
  /** Turns it began with and may have at most, in 24ths; null where nothing is screwed. */
  budget: { default24: number; most24: number; nudge24: number } | null;
}

export interface CheckPointState extends Proof {
  id: string;
  label: string;
}

/** A leak that showed after the run was signed off. */
export interface Callback {
  entryId: string;
  targetId: string | null;
  finding: Exclude<Finding, 'dry' | 'normal'>;
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
  oldLine: Bodies['old-line-judged'] | null;
  distance: Bodies['distance-measured'] | null;
  place: Bodies['place-seen'];
  accepted: (AcceptedChain & { entryId: string }) | null;
  card: WorkStep[];
  /** Steps done or gates passed, by id. */
  done: Record<string, boolean>;
  gates: Record<string, Bodies['gate-answered']>;
  joints: JointState[];
  checkPoints: CheckPointState[];
  /** Looks begun and not ended, at what is there to be looked at. */
  openLooks: EntryOf<'look-begun'>[];
  /** Rounds this run has to go through before sign-off. */
  rounds: Round[];
  targetMlPerDay: number;
  /** What a sign-off has to name. */
  open: OpenItem[];
  signedOff: SignOff | null;
  /** The last sign-off, where it is in force no more, and why. */
  signOffUndone: SignOffs['undone'];
  /** The look again: none wanted, due, every joint dry with a bound, not dry, or closed with a reason. */
  recheck: 'none' | 'due' | 'dry' | 'not dry' | 'closed';
  callbacks: Callback[];
  conflicts: Conflict[];
  notes: string[];
  /** Taken off its visit's list, and why; null while it stands there. */
  offList: string | null;
  /** Entries that stand, corrections counted in place of what they correct. */
  entryCount: number;
}

const NO_PLACE: Bodies['place-seen'] = { hidden: false, ownStop: false, arrestor: false };

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
  const stages = stagesOf(history, work, signedOff);
  const { looked: _l, skipped: _s, targets, lives, ...rest } = work;
  const off = lastOf(history, listed)?.body;
  return {
    ...rest,
    stage: signedOff ? null : (STAGES.find((s) => stages[s].state === 'open') ?? 'log'),
    stages,
    openLooks: targets.flatMap((t) => lives.get(t.id)?.open ?? []),
    open: openOf(work),
    signedOff,
    signOffUndone: undone,
    recheck: signedOff ? recheckOf(signedOff, targets) : 'none',
    callbacks: eachOf(history, callbackReported).map((e) => ({ entryId: e.id, targetId: targetOf(e), ...e.body, atMs: happenedAt(e) })),
    conflicts: conflictsOf(history, lives),
    notes: eachOf(history, noted).map((e) => e.body.text),
    offList: off && !off.on ? off.reason : null,
    entryCount: history.log.length,
  };
}

/** Cards by what they are composed from. */
type Cards = Map<string, WorkStep[]>;

/** The work on a run, whatever was signed. */
function workOf(context: RunContext, history: History, cards: Cards) {
  const side = (name: string) => {
    const body = lastOf(history, endSeen, name)?.body;
    return body?.end ? body : null;
  };
  const stop = lastOf(history, stopTried)?.body ?? null;
  const place = lastOf(history, placeSeen)?.body ?? NO_PLACE;
  const acceptance = lastOf(history, chainAccepted);
  const accepted = acceptance && { ...acceptance.body, entryId: acceptance.id };
  const key = `${accepted?.entryId} ${stop?.kind} ${stop?.condition} ${place.hidden}`;
  const card = cards.get(key) ?? (accepted ? cardOf(context, accepted, stop, place.hidden) : []);
  cards.set(key, card);
  const rounds = roundsOf(context.appliance);
  const targetMlPerDay = (accepted?.rules ?? defaultRules).targetMlPerDay;
  const lives = livesIn(context, history);
  const joints = accepted ? jointStates(context, accepted, lives, rounds, targetMlPerDay) : [];
  const checkPoints = accepted
    ? context.checkPoints.map((p) => ({ id: p.id, label: p.name, ...proofOf(lives.get(p.id)!, checkRounds(rounds), targetMlPerDay) }))
    : [];
  const ticks = ticksOf(history, card);
  const done = stepsDone(
    card,
    ticks,
    (n) => joints.find((j) => j.n === n)?.made ?? false,
    (stage) => lastOf(history, stageSkipped, stage) !== null,
  );
  const [from, to] = [side('from'), side('to')];
  const skipped = Object.fromEntries(STAGES.map((s) => [s, lastOf(history, stageSkipped, s)]));
  return {
    looked: Boolean(from && to && stop),
    skipped,
    from,
    to,
    rejoin: side('rejoin'),
    stop,
    oldLine: lastOf(history, oldLineJudged)?.body ?? null,
    distance: lastOf(history, distanceMeasured)?.body ?? null,
    place,
    accepted,
    card,
    done,
    gates: ticks.gates,
    joints,
    checkPoints,
    targets: [...joints, ...checkPoints],
    lives,
    rounds,
    targetMlPerDay,
  };
}

type Work = ReturnType<typeof workOf>;

function factsOf(work: Work, signedOff: boolean): StageFacts {
  const { looked, accepted, card, done, joints, checkPoints } = work;
  const facts = { looked, accepted: accepted !== null, card, done, joints, checkPoints, signedOff, waterSafe: true };
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
  const stages = (['look', 'shut', 'make'] as const).filter((s) => work.skipped[s] === null && !isStageDone(s, facts));
  const targets = work.skipped.prove === null ? work.targets.filter((t) => !t.proven) : [];
  return [...stages.map((stage) => ({ stage, label: STAGE_NAMES[stage] })), ...targets.map((t) => ({ targetId: t.id, label: t.label }))];
}

/** Dry only by a real look at each, with its bound: a glance proves nothing. */
function recheckOf(signedOff: SignOff, targets: Proof[]): RunState['recheck'] {
  if (targets.some((t) => t.finding !== null)) return 'not dry';
  const marks = targets.map((t) => t.byRound['next-day']);
  if (marks.every((m) => m?.state === 'dry' && m.mlPerDay !== null)) return 'dry';
  return signedOff.recheckClosed === null ? 'due' : 'closed';
}

/** Every joint that any chain of the run brought, and its check points. */
function livesIn(context: RunContext, history: History): Map<string, Life> {
  const places = new Map<string, JointPlace>();
  for (const { body } of acceptances(history)) {
    for (const [i, place] of placesOf(body).entries()) places.set(body.jointIds[i] as string, place);
  }
  const points = context.checkPoints.map((p) => p.id);
  return livesOf(
    history.all,
    places,
    points,
    history.all.findLastIndex(({ stands }) => stands?.kind === 'chain-accepted'),
  );
}

/** The fit of a fixed connector is not moved afterwards, so it has no put-back round. */
export function roundsOf(appliance: Appliance): Round[] {
  const rounds: Round[] = ['before', 'crack', 'standing', 'working'];
  return appliance.moves ? [...rounds, 'put-back'] : rounds;
}

/** A stem or drain is not moved when the appliance is pushed home. */
function checkRounds(rounds: Round[]): Round[] {
  return rounds.filter((r) => r !== 'put-back');
}

function cardOf(context: RunContext, accepted: AcceptedChain, stop: RunState['stop'], hidden: boolean): WorkStep[] {
  return workCard({
    appliance: context.appliance,
    water: context.water,
    chain: accepted.chain,
    from: accepted.from,
    to: accepted.to,
    stop: stop && stop.kind !== 'none' ? stop : null,
    hidden,
    rules: accepted.rules,
    stepData: context.stepData,
    parts: accepted.chain.parts.flatMap((id) => partAsAccepted(context, accepted, id)),
  });
}

/** A part as it was when the chain was accepted; the catalogue's where the acceptance says only its name. */
function partAsAccepted(context: RunContext, accepted: AcceptedChain, id: string): CardPart[] {
  const item = accepted.items[id];
  if (item?.kind !== undefined && item.tags) return [{ id, name: item.name, kind: item.kind, tags: item.tags }];
  return context.parts.filter((p) => p.id === id);
}

function jointStates(
  context: RunContext,
  accepted: AcceptedChain,
  lives: ReadonlyMap<string, Life>,
  rounds: Round[],
  targetMlPerDay: number,
): JointState[] {
  const names = Object.fromEntries(Object.entries(accepted.items).map(([id, item]) => [id, item.name]));
  const inlet = `${context.appliance.name.replace(/ \(.*/, '')} inlet`;
  const sides = jointSides(accepted.chain, names, 'stop outlet', inlet);
  return accepted.chain.joints.map((joint, i) => {
    const id = accepted.jointIds[i] as string;
    const life = lives.get(id)!;
    const { turns, seal } = joint.mating;
    return {
      id,
      n: joint.n,
      label: `J${joint.n}`,
      a: sides[i]!.a,
      b: sides[i]!.b,
      seal: seal as SealId,
      made: life.made,
      turns24: life.made ? life.turns24 : 0,
      nudges: life.nudges,
      budget: turns && { default24: Math.round(turns.default * 24), most24: Math.round(turns.most * 24), nudge24: Math.round(turns.nudge * 24) },
      ...proofOf(life, rounds, targetMlPerDay),
    };
  });
}
