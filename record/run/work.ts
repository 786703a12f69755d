/** The work on a run as its history leaves it, whatever was signed: what is known of the place, the card, the joints. */

import {
  type Appliance,
  type CardPart,
  cardVersionOf,
  type DrainJoint,
  defaultRules,
  doorMlPerDay,
  type HouseRules,
  isPlastic,
  jointSides,
  type LookData,
  type Part,
  type PathStep,
  type PressuresRead,
  type Round,
  type RunFacts,
  type SealId,
  type StepTemplate,
  sealById,
  sideWords,
  type WorkKindId,
  type WorkStep,
  workCard,
  workKind,
} from '../../core/index.ts';
import { happenedAt } from '../entry.ts';
import type { Bodies } from '../kinds.ts';
import { acceptances, eachOf, type History, lastOf } from './history.ts';
import { type DrainPoint, drainOfId, drainPointsOf } from './joints/drain-points.ts';
import { type Life, livesOf } from './joints/joint-life.ts';
import { type JointPlace, placesOf } from './joints/joint-place.ts';
import { type Proof, type ProofAsked, proofOf } from './joints/proof.ts';
import { cardBegun } from './kinds/card-begun.ts';
import { chainAccepted, type NamedChain, type Names, namedChain } from './kinds/chain-accepted.ts';
import { distanceMeasured } from './kinds/distance-measured.ts';
import { endSeen } from './kinds/end-seen.ts';
import { figureMeasured } from './kinds/figure-measured.ts';
import { oldLineJudged } from './kinds/old-line-judged.ts';
import { sheetRead } from './kinds/sheet-read.ts';
import { stageSkipped } from './kinds/stage-skipped.ts';
import { stopTried } from './kinds/stop-tried.ts';
import { type Place, placeOf } from './seen/place.ts';
import { STAGES } from './stages.ts';
import { stepsDone, ticksOf } from './steps.ts';

/** What does not change while a run is worked on. */
export interface RunContext {
  runId: string;
  water: 'cold' | 'hot';
  /** What is done to it. */
  work: WorkKindId;
  appliance: Appliance;
  checkPoints: { id: string; kind: 'stem' | 'drain'; name: string }[];
  stepData: StepTemplate[];
  parts: Part[];
  /** What loose pieces are called. */
  loose?: Names['loose'];
  /** The house's of now, for a card that is not begun and has no chain that keeps them; the usual unless given. */
  rules?: HouseRules;
  /** What is judged on sight. */
  look: LookData;
  /** What a chain gives the appliance at the pressures read, gpm; a screen that tells of the flow brings it. */
  gpmOf?: (path: readonly PathStep[], read: PressuresRead) => number | undefined;
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
  /** When it was made last; null while it is not. */
  madeMs: number | null;
  turns24: number;
  nudges: number;
  /** Made before, and joined again. */
  isOld: boolean;
  /** Plastic or old: not turned under pressure. */
  relieveFirst: boolean;
  /** Turns it began with and may have at most, in 24ths; null where nothing is screwed. */
  budget: { default24: number; most24: number; nudge24: number } | null;
}

export interface CheckPointState extends Proof {
  id: string;
  /** 'Stop stem', 'D2' */
  label: string;
  /** Of a joint of the drain: what it is, whether its step is done, how many remedies were tried. */
  drain?: DrainJoint & { isMade: boolean; tried: number };
}

/** Cards by what they are composed from. */
export type Cards = Map<string, WorkStep[]>;

/** The work on a run, whatever was signed. */
export function workOf(context: RunContext, history: History, cards: Cards) {
  const side = (name: string) => {
    const body = lastOf(history, endSeen, name)?.body;
    return body?.end ? body : null;
  };
  const tried = lastOf(history, stopTried);
  const stop = tried?.body ?? null;
  const place = placeOf(history);
  const acceptance = lastOf(history, chainAccepted);
  const accepted = acceptance && { ...namedChain(acceptance.body, context), entryId: acceptance.id };
  const begun = lastOf(history, cardBegun);
  const rules = accepted?.rules ?? begun?.body.rules ?? context.rules ?? defaultRules;
  const cardVersion = accepted ? (accepted.cardVersion ?? 1) : (begun?.body.cardVersion ?? cardVersionOf(context.stepData));
  const oldLine = lastOf(history, oldLineJudged)?.body ?? null;
  const sheet = sheetOf(context, history);
  const measured = measuredOf(history);
  const gpm = accepted && place.pressurePsi !== undefined ? context.gpmOf?.(accepted.chain.path, { staticPsi: place.pressurePsi }) : undefined;
  const figures = [...Object.values(sheet), ...Object.values(measured)].map((f) => f.text);
  const key = `${accepted?.entryId} ${begun?.id} ${figures} ${stop?.kind} ${stop?.condition} ${place.hidden} ${place.afterOsmosis} ${oldLine?.verdict} ${gpm}`;
  const hasCard = accepted !== null || !workKind(context.work).joins;
  const card =
    cards.get(key) ??
    (hasCard
      ? cardOf(context, accepted, { stop, place, oldLine, from: side('from')?.end, to: side('to')?.end, sheet, measured, rules, cardVersion, gpm })
      : []);
  cards.set(key, card);
  const rounds = roundsOf(card);
  const asked: ProofAsked = { rule: rules.proof, doorMlPerDay: doorMlPerDay(rules) };
  const drains = drainPointsOf(context, card, cardVersion);
  // What was kept of the drain by its id alone is the card's, where it has it.
  const stems = context.checkPoints.filter((p) => drainOfId(context.runId, p.id) === null);
  const lives = livesIn(history, [...stems, ...drains]);
  const joints = accepted ? jointStates(context, accepted, lives, rounds, { asked, hasStop: stop !== null && stop.kind !== 'none' }) : [];
  const ticks = ticksOf(
    history,
    card,
    joints.every((j) => j.made),
  );
  const done = stepsDone(
    card,
    ticks,
    (n) => joints.find((j) => j.n === n)?.made ?? false,
    (stage) => lastOf(history, stageSkipped, stage) !== null,
  );
  const stemStates = hasCard ? stems.map((p) => ({ id: p.id, label: p.name, ...proofOf(lives.get(p.id)!, checkRounds(rounds), asked, 0) })) : [];
  const checkPoints: CheckPointState[] = [...stemStates, ...drains.map((d) => drainState(d, lives.get(d.id)!, done[d.madeBy] ?? false))];
  const [from, to] = [side('from'), side('to')];
  const skipped = Object.fromEntries(STAGES.map((s) => [s, lastOf(history, stageSkipped, s)]));
  return {
    looked: Boolean(stop && ((from && to) || !workKind(context.work).joins)),
    skipped,
    from,
    to,
    rejoin: side('rejoin'),
    stop,
    stopTriedMs: tried && happenedAt(tried),
    oldLine,
    distance: lastOf(history, distanceMeasured)?.body ?? null,
    place,
    accepted,
    hasCard,
    begun: begun !== null,
    card,
    done,
    gates: ticks.gates,
    joints,
    checkPoints,
    targets: [...joints, ...checkPoints],
    lives,
    rounds,
    proof: { ...asked, againMlPerDay: rules.targetMlPerDay },
    targetMlPerDay: asked.doorMlPerDay ?? rules.targetMlPerDay,
  };
}

export type Work = ReturnType<typeof workOf>;

/** Every joint that any chain of the run brought, and its check points. */
function livesIn(history: History, points: readonly { id: string }[]): Map<string, Life> {
  const places = new Map<string, JointPlace>();
  for (const { body } of acceptances(history)) {
    for (const [i, place] of placesOf(body).entries()) places.set(body.jointIds[i] as string, place);
  }
  return livesOf(
    history.all,
    places,
    points.map((p) => p.id),
    history.all.findLastIndex(({ stands }) => stands?.kind === 'chain-accepted'),
  );
}

/** The rounds of a card in their order: what is pushed home is looked at then too, before or after it works. */
export function roundsOf(card: readonly WorkStep[]): Round[] {
  const usual: Round[] = ['before', 'crack', 'standing', 'working'];
  const told = card.flatMap((step) => (step.round ? [step.round] : []));
  return told.length === 0 ? usual : [...new Set([...usual.filter((r) => !told.includes(r)), ...told])];
}

/** A joint of the drain is dry when it stayed dry while it worked: what runs through it stands under no pressure that would bound a leak. */
function drainState({ id, drain }: DrainPoint, life: Life, isMade: boolean): CheckPointState {
  const proof = proofOf(life, ['working'], { rule: 'strict', doorMlPerDay: null }, 0);
  const isDry = isMade && proof.byRound.working?.state === 'dry' && proof.finding === null;
  return { id, label: drain.on, drain: { ...drain, isMade, tried: life.remedies }, ...proof, mlPerDay: null, proven: isDry };
}

/** A stem is not moved when the appliance is pushed home. */
function checkRounds(rounds: Round[]): Round[] {
  return rounds.filter((r) => r !== 'put-back');
}

/** Figures that the appliance's own sheet may bring, with what was read of them. */
function sheetOf({ look, appliance }: RunContext, history: History): Record<string, { name: string; text: string }> {
  const own = look.sheets.filter((s) => s.appliances === '*' || s.appliances.includes(appliance.id));
  return Object.fromEntries(own.map(({ id, name }) => [id, { name, text: lastOf(history, sheetRead, id)?.body.text ?? '' }]));
}

/** What was measured at the steps of a card: of each figure the last. */
const measuredOf = (history: History): NonNullable<RunFacts['measured']> =>
  Object.fromEntries(eachOf(history, figureMeasured).map(({ body }) => [body.figure, { text: body.text, inches: body.inches ?? null }]));

/** What most stops give water by. */
const USUAL_OUTLET = 'comp-3/8-m';

function cardOf(
  context: RunContext,
  accepted: NamedChain | null,
  found: {
    stop: Bodies['stop-tried'] | null;
    place: Place;
    oldLine: Bodies['old-line-judged'] | null;
    from: string | null | undefined;
    to: string | null | undefined;
    sheet: Record<string, { name: string; text: string }>;
    measured: NonNullable<RunFacts['measured']>;
    gpm: number | undefined;
    rules: HouseRules;
    cardVersion: number;
  },
): WorkStep[] {
  const { stop, place, oldLine } = found;
  return workCard({
    work: context.work,
    appliance: context.appliance,
    water: context.water,
    chain: accepted?.chain ?? null,
    // Where nothing is joined the ends are named as far as they were seen, and as usual else.
    from: accepted?.from ?? found.from ?? USUAL_OUTLET,
    to: accepted?.to ?? found.to ?? context.appliance.usualInletEnds[0] ?? USUAL_OUTLET,
    stop: stop && stop.kind !== 'none' ? stop : null,
    hidden: place.hidden,
    rejoin: accepted?.rejoin ?? null,
    ...(place.afterOsmosis === null || place.afterOsmosis === undefined ? {} : { afterOsmosis: place.afterOsmosis }),
    cardVersion: found.cardVersion,
    oldLine: oldLine?.verdict ?? 'not judged',
    takenOutlets: accepted?.need.leaveOutlet ? accepted.chain.branches.flatMap((b) => (b.use === 'free' ? [`${b.part} ${b.end}`] : [])) : [],
    sheet: found.sheet,
    measured: found.measured,
    ...(found.gpm === undefined ? {} : { gpm: found.gpm }),
    rules: found.rules,
    stepData: context.stepData,
    parts: accepted?.chain.parts.flatMap((id) => partAsAccepted(context, accepted, id)) ?? [],
  });
}

/** A part as it was when the chain was accepted; the catalogue's where the acceptance says only its name. */
function partAsAccepted(context: RunContext, accepted: NamedChain, id: string): CardPart[] {
  const item = accepted.items[id];
  if (item?.kind !== undefined && item.tags) {
    const { name, kind, tags, flexible, cutToLength, lengthIn } = item;
    // Older acceptances did not keep its bore, which changes nothing but a figure.
    const boreIn = item.boreIn === undefined ? context.parts.find((p) => p.id === id)?.boreIn : (item.boreIn ?? undefined);
    const more = Object.entries({ flexible, cutToLength, lengthIn, boreIn }).filter(([, value]) => value !== undefined);
    return [{ id, name, kind, tags, ...Object.fromEntries(more) }];
  }
  return context.parts.filter((p) => p.id === id);
}

function jointStates(
  context: RunContext,
  accepted: NamedChain,
  lives: ReadonlyMap<string, Life>,
  rounds: Round[],
  { asked, hasStop }: { asked: ProofAsked; hasStop: boolean },
): JointState[] {
  const names = Object.fromEntries(Object.entries(accepted.items).map(([id, item]) => [id, item.name]));
  const sides = jointSides(accepted.chain, names, sideWords(accepted, hasStop, context.appliance.name));
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
      madeMs: life.made ? life.madeMs : null,
      turns24: life.made ? life.turns24 : 0,
      nudges: life.nudges,
      isOld: sides[i]!.rejoin,
      relieveFirst: sides[i]!.rejoin || isPlastic(joint.a) || isPlastic(joint.b),
      budget: turns && { default24: Math.round(turns.default * 24), most24: Math.round(turns.most * 24), nudge24: Math.round(turns.nudge * 24) },
      ...proofOf(life, rounds, asked, sealById(seal as SealId).hiddenMl),
    };
  });
}
