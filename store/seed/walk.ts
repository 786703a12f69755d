/** Walks a demo run through its stages and writes what a plumber would have entered. */
import { applianceById, catalogue } from '../../catalog/index.ts';
import {
  askedNeeds,
  type Chain,
  cardVersionOf,
  defaultRules,
  doorMlPerDay,
  FIRST_DROP_DELAY_MIN,
  knownNeed,
  METHODS,
  matchChains,
  type Need,
  needOfAll,
  type SealId,
  sealById,
  usualWork,
  type WorkStep,
  waitFor,
  workCard,
} from '../../core/index.ts';
import type { AcceptedChain, Bodies, Entry, EntryKind } from '../../record/index.ts';
import { besideLooks, drainPointsOf, itemsOf, roundsOf } from '../../record/index.ts';
import type { DemoAppliance, DemoRun, Progress } from './observatory.ts';
import { type Chance, uuidAt } from './random.ts';

const ORDER: Progress[] = ['new', 'looked', 'matched', 'shut', 'half made', 'damp', 'proving', 'proven', 'signed off'];
const reaches = (progress: Progress, step: Progress) => ORDER.indexOf(progress) >= ORDER.indexOf(step);

const chains = new Map<string, Chain>();

/** What is asked of a run's chain, as its screens know it. */
export function needOf(run: DemoRun, kind: string): Need {
  const facts = {
    from: run.from,
    to: run.to,
    distanceIn: run.inches,
    hasNoStop: run.stop.kind === 'none',
    place: placeOf(run),
    stubs: {},
    rules: defaultRules,
  };
  const { need } = needOfAll(run.water, askedNeeds(knownNeed({ ...facts, appliance: applianceById(kind) }), []));
  return run.rejoin ? { ...need, rejoinFirst: true } : need;
}

const placeOf = (run: DemoRun) => ({ hidden: false, ownStop: run.ownStop ?? false, arrestor: run.arrestor ?? false });

function chainOf(run: DemoRun, kind: string): Chain {
  const need = needOf(run, kind);
  const key = JSON.stringify([run.from, run.to, run.rejoin, need]);
  let chain = chains.get(key);
  if (!chain) {
    const { parts, loose } = catalogue();
    chain = matchChains({ from: run.from, to: run.to, rejoin: run.rejoin, parts, loose, need, k: 1 }).chains[0];
    if (!chain) throw new Error(`The demo's run ${run.key} has no chain: mend the catalogue or the run.`);
    chains.set(key, chain);
  }
  return chain;
}

export interface Walk {
  visitId: string;
  runId: string;
  stemId: string;
  deviceId: string;
  appliance: DemoAppliance;
  run: DemoRun;
  progress: Progress;
  startMs: number;
  next: Chance;
  /** A leak that showed afterwards, on this joint (from 0). */
  callback?: number;
  /** Looked at again the next day. */
  recheck?: boolean;
}

export function walkEntries(w: Walk): Entry[] {
  const out: Entry[] = [];
  let clock = w.startMs;
  const add = <K extends EntryKind>(kind: K, body: Bodies[K], minutes = 1, target: { jointId?: string; checkPointId?: string } = {}): string => {
    // One after another: no two presses fall on the same moment.
    clock += minutes === 0 ? 1000 : minutes * 60_000;
    const at = new Date(clock).toISOString();
    const id = uuidAt(clock, w.next);
    const base = { id, visitId: w.visitId, runId: w.runId, jointId: target.jointId ?? null, checkPointId: target.checkPointId ?? null };
    out.push({ ...base, correctsId: null, deviceId: w.deviceId, personId: null, seenAt: at, sentAt: at, recordedAt: at, kind, body } as Entry);
    return id;
  };
  const { run } = w;
  if (!reaches(w.progress, 'looked')) return out;
  add('end-seen', { side: 'from', end: run.from, how: 'seen' });
  add('end-seen', { side: 'to', end: run.to, how: w.next() < 0.7 ? 'seen' : 'measured' });
  if (run.rejoin) add('end-seen', { side: 'rejoin', end: run.rejoin, how: 'seen' });
  add('stop-tried', run.stop);
  add('old-line-judged', { verdict: 'replace', findings: [w.next() < 0.5 ? 'over its age' : 'washer hardened'] });
  if (run.inches !== null) add('distance-measured', { text: String(run.inches), inches: run.inches });
  if (run.ownStop || run.arrestor) add('place-seen', placeOf(run));
  if (!reaches(w.progress, 'matched')) return out;
  const accepted = accept(w);
  add('chain-accepted', accepted, 2);
  if (!reaches(w.progress, 'shut')) return out;
  const card = cardOf(w, accepted);
  const doStep = (step: (typeof card)[number]) => {
    if (step.joint !== undefined)
      add('joint-made', { turns24: Math.round((step.turns ?? 0) * 24) }, 3, { jointId: accepted.jointIds[step.joint - 1] });
    if (step.gate) add('gate-answered', { stepId: step.id, answer: 'yes', note: '' }, step.joint === undefined ? 1 : 0);
    else if (step.joint === undefined) add('step-done', { stepId: step.id, done: true });
  };
  for (const step of card.filter((s) => s.stage === 'shut')) doStep(step);
  if (w.progress === 'shut') return out;
  const make = card.filter((s) => s.stage === 'make');
  const half = make.findIndex((s) => s.joint !== undefined) + 1;
  for (const step of w.progress === 'half made' ? make.slice(0, half) : make) doStep(step);
  if (w.progress === 'half made') return out;
  const rounds = roundsOf(card);
  const drains = drainPointsOf({ runId: w.runId, water: run.water, appliance: applianceById(w.appliance.kind) }, card, accepted.cardVersion ?? 1);
  const targets = [...accepted.jointIds.map((jointId) => ({ jointId })), { checkPointId: w.stemId }];
  const look = (round: Bodies['look-begun']['round'], minutes: number, finding: 'dry' | 'damp' = 'dry', only?: number) => {
    const method = round === 'before' || round === 'crack' ? 'eye' : 'tissue';
    const all = round === 'working' || round === 'next-day' ? [...targets, ...drains.map((d) => ({ checkPointId: d.id }))] : targets;
    const seen = all.filter((t, i) => (only === undefined || i === only) && !(round === 'put-back' && 'checkPointId' in t));
    const begun = seen.map((t) => add('look-begun', { round, method }, 0, t));
    clock += minutes * 60_000;
    seen.forEach((t, i) => {
      const damp = finding === 'damp' && i === Math.min(1, accepted.jointIds.length - 1);
      add('look-ended', { begunId: begun[i] as string, finding: damp ? 'damp' : 'dry', drops: null, elapsedS: minutes * 60 }, 0, t);
    });
  };
  look('before', 1);
  look('crack', 2);
  if (w.progress === 'damp') {
    look('standing', 9, 'damp');
    return out;
  }
  if (w.progress === 'proving') {
    look('standing', 9);
    return out;
  }
  const { rules } = accepted;
  const doorTarget = doorMlPerDay(rules) ?? rules.targetMlPerDay;
  const minutesTo = (target: number) => Math.ceil(Math.max(...accepted.chain.joints.map((j) => minutesFor(target, j.mating.seal)))) + 1;
  look('standing', minutesTo(doorTarget));
  for (const round of rounds.slice(3)) look(round, 4 + Math.floor(w.next() * 4));
  for (const step of besideLooks(card)) {
    for (const { on } of step.acts.filter((a) => a.do === 'try-safety')) {
      if (on === 'float') add('safety-tried', { device: 'float', held: true, seconds: 30 + Math.floor(w.next() * 40) });
      else add('safety-tried', { device: 'stop-leak', held: true, seconds: 8, newInsert: true, spares: 1 });
    }
    doStep(step);
  }
  if (w.progress !== 'signed off') return out;
  add('signed-off', { targetMlPerDay: doorTarget, recheckHours: rules.recheckHours, exceptions: [] }, 3);
  if (w.callback !== undefined) {
    clock += (1 + Math.floor(w.next() * 20)) * 86_400_000;
    add('callback-reported', { finding: 'damp', text: 'Found damp by the house staff' }, 0, {
      jointId: accepted.jointIds[w.callback % accepted.jointIds.length],
    });
    add('recheck-closed', { reason: 'The leak was reported before it; put right on a later visit' }, 5);
  } else if (w.recheck) {
    clock += 23 * 3_600_000;
    look('next-day', minutesTo(rules.targetMlPerDay));
  }
  return out;
}

/** The card of what was accepted. */
function cardOf(w: Walk, accepted: AcceptedChain): WorkStep[] {
  const { run } = w;
  const { steps, parts } = catalogue();
  return workCard({
    work: run.work ?? usualWork(w.appliance.kind),
    appliance: applianceById(w.appliance.kind),
    water: run.water,
    chain: accepted.chain,
    from: run.from,
    to: run.to,
    stop: run.stop.kind === 'none' ? null : run.stop,
    hidden: false,
    rejoin: run.rejoin,
    oldLine: 'replace',
    rules: accepted.rules,
    stepData: steps,
    parts: accepted.chain.parts.flatMap((id) => parts.filter((p) => p.id === id)),
  });
}

/** How long a tissue lies under a joint to prove a target. */
function minutesFor(targetMlPerDay: number, seal: Chain['joints'][number]['mating']['seal']): number {
  const { hiddenMl } = sealById(seal as SealId);
  return waitFor({ targetMlPerDay, dropMl: METHODS.tissue.dropMl, hiddenMl, delayMin: FIRST_DROP_DELAY_MIN }).minutes;
}

function accept(w: Walk): AcceptedChain {
  const { parts, loose, version, currency } = catalogue();
  const chain = chainOf(w.run, w.appliance.kind);
  const ids = [...chain.parts, ...Object.keys(chain.loose)];
  return {
    from: w.run.from,
    to: w.run.to,
    rejoin: w.run.rejoin ?? null,
    need: needOf(w.run, w.appliance.kind),
    chain,
    jointIds: chain.joints.map(() => uuidAt(w.startMs, w.next)),
    rules: defaultRules,
    catalogueVersion: version,
    cardVersion: cardVersionOf(catalogue().steps),
    items: itemsOf(ids, { parts, loose, ownIds: [] }),
    currency,
    replacesId: null,
  };
}
