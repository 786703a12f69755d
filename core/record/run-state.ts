import type { SealId } from '../ends/seals.ts';
import { defaultRules } from '../house/rules.ts';
import type { Appliance, StepTemplate } from '../make/step-data.ts';
import { type CardPart, type WorkStep, workCard } from '../make/work-card.ts';
import type { Part } from '../match/part.ts';
import { jointSides } from '../match/sides.ts';
import type { Round } from '../prove/method.ts';
import type { AcceptedChain, Bodies, Entry, EntryOf } from './entry.ts';
import { happenedAt, standing } from './entry.ts';
import { type Proof, type ProofFacts, proofOf } from './proof.ts';

export type Stage = 'look' | 'match' | 'shut' | 'make' | 'prove' | 'log';
export const STAGES: Stage[] = ['look', 'match', 'shut', 'make', 'prove', 'log'];

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
  /** Entries that stand, corrections counted in place of what they correct. */
  entryCount: number;
}

const NO_PLACE: Bodies['place-seen'] = { hidden: false, ownStop: false, arrestor: false };

/**
 * What is known of a run and where its work stands, derived from what happened in one visit.
 *
 * The one place where a stage, a joint's state or a bound is worked out; the browser and the server both call it.
 */
export function runState(context: RunContext, entries: Entry[]): RunState {
  const log = standing(entries.filter((e) => e.runId === context.runId));
  const last = <K extends Entry['kind']>(kind: K, fits: (body: Bodies[K]) => boolean = () => true) =>
    log.findLast((e): e is Entry & EntryOf<K> => e.kind === kind && fits(e.body as Bodies[K])) as EntryOf<K> | undefined;
  const side = (name: string) => {
    const body = last('end-seen', (b) => b.side === name)?.body;
    return body?.end ? body : null;
  };
  const [from, to, rejoin] = [side('from'), side('to'), side('rejoin')];
  const stop = last('stop-tried')?.body ?? null;
  const place = last('place-seen')?.body ?? NO_PLACE;
  const acceptance = last('chain-accepted');
  const accepted = acceptance ? { ...acceptance.body, entryId: acceptance.id } : null;
  const since = acceptance ? log.slice(log.indexOf(acceptance as Entry)) : [];
  const card = accepted ? cardOf(context, accepted, stop, place.hidden) : [];
  const rounds = roundsOf(context.appliance);
  const targetMlPerDay = (accepted?.rules ?? defaultRules).targetMlPerDay;
  const facts = { log: since, rounds, targetMlPerDay };
  const joints = accepted ? jointStates(context, accepted, facts) : [];
  const checkPoints = accepted ? context.checkPoints.map((p) => ({ id: p.id, label: p.name, ...proofOf(p.id, checkRounds(rounds), facts) })) : [];
  const gates: RunState['gates'] = {};
  for (const e of since) if (e.kind === 'gate-answered') gates[e.body.stepId] = e.body;
  const done = stepsDone(card, since, joints, gates);
  const signed = last('signed-off');
  const signedOff = signed
    ? {
        ...signed.body,
        entryId: signed.id,
        atMs: happenedAt(signed),
        recheckDueMs: happenedAt(signed) + signed.body.recheckHours * 3_600_000,
      }
    : null;
  const state = {
    from,
    to,
    rejoin,
    stop,
    oldLine: last('old-line-judged')?.body ?? null,
    distance: last('distance-measured')?.body ?? null,
    place,
    accepted,
    card,
    done,
    gates,
    joints,
    checkPoints,
    rounds,
    targetMlPerDay,
    signedOff,
    recheck: signedOff ? recheckState([...joints, ...checkPoints]) : ('none' as const),
    notes: log.flatMap((e) => (e.kind === 'noted' ? [e.body.text] : [])),
    entryCount: log.length,
  };
  return { ...state, stage: stageOf(state) };
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
    const made = facts.log.findLast((e) => e.kind === 'joint-made' && e.jointId === id);
    const since = made ? facts.log.slice(facts.log.indexOf(made)) : [];
    const nudges = since.filter((e) => e.kind === 'remedied' && e.jointId === id && e.body.action === 'nudge');
    const turns = joint.mating.turns;
    return {
      id,
      n: joint.n,
      label: `J${joint.n}`,
      a: sides[i]!.a,
      b: sides[i]!.b,
      seal: joint.mating.seal as SealId,
      made: made !== undefined,
      turns24: [made, ...nudges].reduce((sum, e) => sum + (e?.kind === 'joint-made' || e?.kind === 'remedied' ? e.body.turns24 : 0), 0),
      nudges: nudges.length,
      budget: turns && { default24: Math.round(turns.default * 24), most24: Math.round(turns.most * 24), nudge24: Math.round(turns.nudge * 24) },
      ...proofOf(id, facts.rounds, facts),
    };
  });
}

function stepsDone(card: WorkStep[], log: Entry[], joints: JointState[], gates: RunState['gates']): Record<string, boolean> {
  const ticked: Record<string, boolean> = {};
  for (const e of log) if (e.kind === 'step-done') ticked[e.body.stepId] = e.body.done;
  return Object.fromEntries(
    card.map((step) => {
      if (step.joint !== undefined) return [step.id, joints.find((j) => j.n === step.joint)?.made ?? false];
      return [step.id, step.gate ? gates[step.id]?.answer === 'yes' : (ticked[step.id] ?? false)];
    }),
  );
}

function recheckState(targets: Proof[]): RunState['recheck'] {
  const marks = targets.map((t) => t.byRound['next-day']);
  if (targets.some((t) => t.finding !== null)) return 'not dry';
  return marks.every((m) => m?.state === 'dry') ? 'dry' : 'due';
}

function stageOf(s: Omit<RunState, 'stage'>): Stage | null {
  if (s.signedOff) return null;
  if (!s.accepted && !(s.from && s.to && s.stop)) return 'look';
  if (!s.accepted) return 'match';
  const open = (stage: WorkStep['stage']) => s.card.some((step) => step.stage === stage && !s.done[step.id]);
  if (open('shut')) return 'shut';
  if (open('make') || s.joints.some((j) => !j.made)) return 'make';
  return [...s.joints, ...s.checkPoints].every((t) => t.proven) ? 'log' : 'prove';
}

/** The entries' looks that a running clock still counts: begun and not ended. */
export function openLooks(entries: Entry[], runId: string): EntryOf<'look-begun'>[] {
  const log = standing(entries.filter((e) => e.runId === runId));
  const ended = new Set(log.flatMap((e) => (e.kind === 'look-ended' ? [e.body.begunId] : [])));
  return log.filter((e): e is EntryOf<'look-begun'> & Entry => e.kind === 'look-begun' && !ended.has(e.id));
}
