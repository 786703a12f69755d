import type { SealId } from '../../core/ends/seals.ts';
import { defaultRules } from '../../core/house/rules.ts';
import type { Appliance, StepTemplate } from '../../core/make/step-data.ts';
import { type CardPart, type WorkStep, workCard } from '../../core/make/work-card.ts';
import type { Part } from '../../core/match/part.ts';
import { jointSides } from '../../core/match/sides.ts';
import type { Round } from '../../core/prove/method.ts';
import { happenedAt } from '../entry.ts';
import type { Bodies, Entry, EntryOf } from '../kinds.ts';
import { eachOf, type History, historyOf, lastOf, ofKind } from './history.ts';
import { type AcceptedChain, chainAccepted } from './kinds/chain-accepted.ts';
import { distanceMeasured } from './kinds/distance-measured.ts';
import { endSeen } from './kinds/end-seen.ts';
import { gateAnswered } from './kinds/gate-answered.ts';
import { jointMade } from './kinds/joint-made.ts';
import { listed } from './kinds/listed.ts';
import { lookBegun } from './kinds/look-begun.ts';
import { lookEnded } from './kinds/look-ended.ts';
import { noted } from './kinds/noted.ts';
import { oldLineJudged } from './kinds/old-line-judged.ts';
import { placeSeen } from './kinds/place-seen.ts';
import { remedied } from './kinds/remedied.ts';
import { signedOff } from './kinds/signed-off.ts';
import { stepDone } from './kinds/step-done.ts';
import { stopTried } from './kinds/stop-tried.ts';
import type { RunNow } from './now.ts';
import { type Proof, type ProofFacts, proofOf } from './proof.ts';
import { type Stage, stageOf } from './stages.ts';

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

export interface RunState {
  /** The first stage that is not finished; null once signed off. */
  stage: Stage | null;
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
  /** Rounds this run has to go through before sign-off. */
  rounds: Round[];
  targetMlPerDay: number;
  signedOff: (Bodies['signed-off'] & { entryId: string; atMs: number; recheckDueMs: number }) | null;
  /** The day-after look, by target: all dry, not yet, or not dry. */
  recheck: 'none' | 'due' | 'dry' | 'not dry';
  notes: string[];
  /** Taken off its visit's list, and why; null while it stands there. */
  offList: string | null;
  /** Entries that stand, corrections counted in place of what they correct. */
  entryCount: number;
}

const NO_PLACE: Bodies['place-seen'] = { hidden: false, ownStop: false, arrestor: false };
const HOUR_MS = 3_600_000;

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
  const side = (name: string) => {
    const body = lastOf(history, endSeen, name)?.body;
    return body?.end ? body : null;
  };
  const stop = lastOf(history, stopTried)?.body ?? null;
  const place = lastOf(history, placeSeen)?.body ?? NO_PLACE;
  const acceptance = lastOf(history, chainAccepted);
  const accepted = acceptance && { ...acceptance.body, entryId: acceptance.id };
  const card = accepted ? cardOf(context, accepted, stop, place.hidden) : [];
  const rounds = roundsOf(context.appliance);
  const targetMlPerDay = (accepted?.rules ?? defaultRules).targetMlPerDay;
  const facts = { log: history.ofChain, rounds, targetMlPerDay };
  const joints = accepted ? jointStates(context, accepted, facts) : [];
  const checkPoints = accepted ? context.checkPoints.map((p) => ({ id: p.id, label: p.name, ...proofOf(p.id, checkRounds(rounds), facts) })) : [];
  const gates = Object.fromEntries(eachOf(history, gateAnswered).map((e) => [e.body.stepId, e.body]));
  const done = stepsDone(card, history, joints);
  const signed = signedOffState(history);
  const off = lastOf(history, listed)?.body;
  const [from, to] = [side('from'), side('to')];
  return {
    stage: signed ? null : stageOf({ looked: Boolean(from && to && stop), accepted: accepted !== null, card, done, joints, checkPoints }),
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
    gates,
    joints,
    checkPoints,
    rounds,
    targetMlPerDay,
    signedOff: signed,
    recheck: signed ? recheckState([...joints, ...checkPoints]) : 'none',
    notes: eachOf(history, noted).map((e) => e.body.text),
    offList: off && !off.on ? off.reason : null,
    entryCount: history.log.length,
  };
}

function signedOffState(history: History): RunState['signedOff'] {
  const signed = lastOf(history, signedOff);
  if (!signed) return null;
  const atMs = happenedAt(signed);
  return { ...signed.body, entryId: signed.id, atMs, recheckDueMs: atMs + signed.body.recheckHours * HOUR_MS };
}

/** The run as the rules of its entries ask of it. Each answer is worked out when it is first asked for: most entries ask for little. */
export function runNow(run: Pick<RunContext, 'checkPoints'> & { id: string }, entries: readonly Entry[], context: () => RunContext): RunNow {
  let folded: History | null = null;
  const history = () => {
    folded ??= historyOf(entries, run.id);
    return folded;
  };
  return {
    get acceptedId() {
      return lastOf(history(), chainAccepted)?.id ?? null;
    },
    get jointIds() {
      return new Set(ofKind(entries, chainAccepted).flatMap((e) => (e.runId === run.id ? e.body.jointIds : [])));
    },
    get checkPointIds() {
      return new Set(run.checkPoints.map((p) => p.id));
    },
    get signedOff() {
      return lastOf(history(), signedOff) !== null;
    },
    targets: () => {
      const state = stateFrom(context(), history());
      return [...state.joints, ...state.checkPoints.map((c) => ({ ...c, made: true }))];
    },
    look: (id) => {
      const begun = history().log.find((e) => e.id === id && e.kind === lookBegun.name);
      if (!begun) return null;
      return { targetId: begun.jointId ?? begun.checkPointId, ended: ofKind(history().log, lookEnded).some((e) => e.body.begunId === id) };
    },
  };
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

function jointStates(context: RunContext, accepted: AcceptedChain, facts: ProofFacts): JointState[] {
  const names = Object.fromEntries(Object.entries(accepted.items).map(([id, item]) => [id, item.name]));
  const inlet = `${context.appliance.name.replace(/ \(.*/, '')} inlet`;
  const sides = jointSides(accepted.chain, names, 'stop outlet', inlet);
  return accepted.chain.joints.map((joint, i) => {
    const id = accepted.jointIds[i] as string;
    const own = facts.log.filter((e) => e.jointId === id);
    const made = ofKind(own, jointMade).at(-1);
    const since = made ? own.slice(own.findIndex((e) => e.id === made.id)) : [];
    const nudges = ofKind(since, remedied).filter((e) => e.body.action === 'nudge');
    const { turns, seal } = joint.mating;
    return {
      id,
      n: joint.n,
      label: `J${joint.n}`,
      a: sides[i]!.a,
      b: sides[i]!.b,
      seal: seal as SealId,
      made: made !== undefined,
      turns24: (made?.body.turns24 ?? 0) + nudges.reduce((sum, e) => sum + e.body.turns24, 0),
      nudges: nudges.length,
      budget: turns && { default24: Math.round(turns.default * 24), most24: Math.round(turns.most * 24), nudge24: Math.round(turns.nudge * 24) },
      ...proofOf(id, facts.rounds, facts),
    };
  });
}

function stepsDone(card: WorkStep[], history: History, joints: JointState[]): Record<string, boolean> {
  const isDone = (step: WorkStep): boolean => {
    if (step.joint !== undefined) return joints.find((j) => j.n === step.joint)?.made ?? false;
    if (step.gate) return lastOf(history, gateAnswered, step.id)?.body.answer === 'yes';
    return lastOf(history, stepDone, step.id)?.body.done ?? false;
  };
  return Object.fromEntries(card.map((step) => [step.id, isDone(step)]));
}

function recheckState(targets: Proof[]): RunState['recheck'] {
  const marks = targets.map((t) => t.byRound['next-day']);
  if (targets.some((t) => t.finding !== null)) return 'not dry';
  return marks.every((m) => m?.state === 'dry') ? 'dry' : 'due';
}

/** The entries' looks that a running clock still counts: begun and not ended. */
export function openLooks(entries: readonly Entry[], runId: string): EntryOf<'look-begun'>[] {
  const history = historyOf(entries, runId);
  const ended = new Set(eachOf(history, lookEnded).map((e) => e.body.begunId));
  return (eachOf(history, lookBegun) as EntryOf<'look-begun'>[]).filter((e) => !ended.has(e.id));
}
