import { parseEnd } from '../ends/code.ts';
import { endLabel } from '../ends/label.ts';
import type { HouseRules } from '../house/rules.ts';
import type { Part } from '../match/part.ts';
import type { Chain, ChainJoint } from '../match/query.ts';
import { type JointSides, jointSides, shortName, sideWords } from '../match/sides.ts';
import type { Round } from '../prove/method.ts';
import { type Reason, reason } from '../reason.ts';
import { turns24, writeFraction, writeTurns } from '../units/fraction.ts';
import type { Appliance, OldLine, StepStage, StepTemplate, StepWhen } from './step-data.ts';

/** One line of the work card, its figures filled in. */
export interface WorkStep {
  id: string;
  stage: StepStage;
  title: string;
  detail: string;
  /** Number of the joint this step makes. */
  joint?: number;
  tool?: string;
  /** Turns past hand-tight to begin with. */
  turns?: number;
  timerS?: number;
  /** A question to be answered yes before the work goes on. */
  gate?: string;
  /** It opens the line: the water is proved dead before it. */
  opens?: boolean;
  /** What it says of a round of looks; it is not ticked by itself. */
  round?: Round;
  cautions: string[];
  because: Reason[];
}

/** What a card needs to know of a part. */
export type CardPart = Pick<Part, 'id' | 'name' | 'kind' | 'tags'>;

export interface RunFacts {
  appliance: Appliance;
  water: 'cold' | 'hot';
  chain: Chain;
  from: string;
  to: string;
  stop: { kind: string; condition: string } | null;
  hidden: boolean;
  /** 'not judged' unless given. */
  oldLine?: OldLine;
  /** What was parted from the water side and is joined again. */
  rejoin?: string | null;
  /** Behind a reverse-osmosis unit; false unless given. */
  afterOsmosis?: boolean;
  /** The card as it was then; the latest unless given. */
  cardVersion?: number;
  rules: HouseRules;
  stepData: StepTemplate[];
  /** The parts of the chain, for their names, kinds and tags. */
  parts: CardPart[];
}

interface Subject {
  key: string;
  joint?: ChainJoint;
  sides?: JointSides;
  part?: CardPart;
  cutLengthIn?: number;
  cap?: string;
  /** The joint to the appliance. */
  last?: boolean;
}

/** The version of the card that these steps make: what is accepted with it keeps it. */
export const cardVersionOf = (stepData: readonly StepTemplate[]): number => Math.max(1, ...stepData.map((t) => t.since ?? 1));

/** A stop that was found in one of these conditions, or a saddle, does not hold the water. */
const BAD_STOP: readonly string[] = ['passes', 'seized-open', 'seized-shut', 'broken'];

const holds = (stop: RunFacts['stop']): boolean => stop !== null && stop.kind !== 'saddle' && !BAD_STOP.includes(stop.condition);

/** A ferrule that was made before goes this far past where it first resists. */
const REUSED_FERRULE_TURNS = 0.25;

const isReusedFerrule = ({ joint, sides }: Subject): boolean => sides?.rejoin === true && (joint?.mating.seal?.startsWith('ferrule') ?? false);

const STAGES: StepStage[] = ['shut', 'make', 'prove', 'log'];

/**
 * The steps of a run in the order they are done, composed from the chain, the appliance, the stop and the house rules.
 *
 * Joints are made from the wall end or from the appliance end, as the house rule says; a re-joined old line comes after.
 */
export function workCard(run: RunFacts): WorkStep[] {
  const subjects = subjectsOf(run);
  const steps: { stage: number; order: number; at: number; step: WorkStep }[] = [];
  const version = run.cardVersion ?? cardVersionOf(run.stepData);
  for (const template of run.stepData) {
    if ((template.since ?? 1) > version || (template.until ?? version) < version) continue;
    subjects[template.each].forEach((subject, at) => {
      if (applies(template.when, run, subject)) {
        steps.push({ stage: STAGES.indexOf(template.stage), order: template.order, at, step: fill(template, run, subject) });
      }
    });
  }
  return steps.sort((a, b) => a.stage - b.stage || a.order - b.order || a.at - b.at).map((s) => s.step);
}

function subjectsOf(run: RunFacts): Record<StepTemplate['each'], Subject[]> {
  const { chain } = run;
  const byId = new Map(run.parts.map((p) => [p.id, p]));
  const names = Object.fromEntries(run.parts.map((p) => [p.id, p.name]));
  const sides = jointSides(chain, names, sideWords(run, run.stop !== null, run.appliance.name));
  const joints = chain.joints.map((joint, i): Subject & { sides: JointSides } => ({ key: `j${joint.n}`, joint, sides: sides[i] as JointSides }));
  const path = joints.filter((j) => !j.sides.rejoin);
  const rejoined = joints.filter((j) => j.sides.rejoin);
  path.at(-1)!.last = true;
  // What is flushed through goes on from the wall, or there would be nothing to flush.
  const fromAppliance = run.rules.firstEnd === 'appliance' && !flushes(run);
  return {
    run: [{ key: '' }],
    joint: [...(fromAppliance ? path.reverse() : path), ...rejoined],
    part: chain.path.flatMap((step) => {
      const part = byId.get(step.part);
      return part ? [{ key: part.id, part, ...(step.cutLengthIn === undefined ? {} : { cutLengthIn: step.cutLengthIn }) }] : [];
    }),
    cap: chain.branches.filter((b) => b.use === 'cap').map((b) => ({ key: `${b.part}-${b.end}`, cap: b.code })),
  };
}

const isRejoined = (run: RunFacts) => run.chain.branches.some((b) => b.use === 'rejoin');
const hasNewStop = (run: RunFacts) => run.parts.some((p) => p.tags.includes('stop'));
const flushes = (run: RunFacts) =>
  hasNewStop(run) || run.chain.path.some((s) => s.cutLengthIn !== undefined) || run.chain.joints.some((j) => j.mating.seal === 'solder');

function applies(when: StepWhen, run: RunFacts, subject: Subject): boolean {
  const one = <T>(list: T[] | undefined, value: T | null | undefined) => list === undefined || (value != null && list.includes(value));
  const some = <T>(list: T[] | undefined, values: T[]) => list === undefined || values.some((v) => list.includes(v));
  const parts = subject.part ? [subject.part] : run.parts;
  return (
    one(when.appliance, run.appliance.id) &&
    one(when.water, run.water) &&
    one(when.stopKind, run.stop?.kind ?? 'none') &&
    one(when.stopCondition, run.stop?.condition ?? 'none') &&
    (when.hidden === undefined || when.hidden === run.hidden) &&
    (when.applianceMoves === undefined || when.applianceMoves === run.appliance.moves) &&
    (when.powered === undefined || when.powered === run.appliance.powered) &&
    (when.solenoid === undefined || when.solenoid === (run.appliance.fastClosing === 'yes')) &&
    (when.rejoins === undefined || when.rejoins === isRejoined(run)) &&
    (when.reused === undefined || when.reused === isReusedFerrule(subject)) &&
    (when.last === undefined || when.last === (subject.last ?? false)) &&
    (when.newStop === undefined || when.newStop === hasNewStop(run)) &&
    (when.flushes === undefined || when.flushes === flushes(run)) &&
    (when.afterOsmosis === undefined || when.afterOsmosis === (run.afterOsmosis ?? false)) &&
    (when.stopHolds === undefined || when.stopHolds === holds(run.stop)) &&
    (when.loose === undefined || (subject.joint?.mating.loose ?? []).some((code) => when.loose?.some((kind) => code.startsWith(`${kind}-`)))) &&
    one(when.oldLine, run.oldLine ?? 'not judged') &&
    some(when.seal, subject.joint ? [subject.joint.mating.seal as never] : run.chain.joints.map((j) => j.mating.seal as never)) &&
    some(
      when.partTag,
      parts.flatMap((p) => p.tags),
    ) &&
    some(
      when.partKind,
      parts.map((p) => p.kind),
    ) &&
    Object.entries(when.rule ?? {}).every(([key, value]) => String(run.rules[key as keyof HouseRules]) === value)
  );
}

function fill(t: StepTemplate, run: RunFacts, subject: Subject): WorkStep {
  const words = placeholders(run, subject);
  const say = (text: string) => text.replace(/\{(\w+)\}/g, (_, key: string) => words[key] ?? '');
  const turns = turnsOf(subject);
  return {
    id: subject.key ? `${t.id}:${subject.key}` : t.id,
    stage: t.stage,
    title: say(t.title),
    detail: say(t.detail),
    ...(subject.joint && t.id.startsWith('joint-') ? { joint: subject.joint.n, ...(turns === null ? {} : { turns }) } : {}),
    ...(t.opens || subject.joint ? { opens: true } : {}),
    ...(t.round ? { round: t.round } : {}),
    ...(t.tool ? { tool: say(t.tool) } : {}),
    ...(t.timerS ? { timerS: t.timerS } : {}),
    ...(t.gate ? { gate: say(t.gate) } : {}),
    cautions: t.cautions.map(say),
    because: [reason(t.id, say(t.because), { source: t.source }), ...(t.id.startsWith('joint-') ? (subject.joint?.mating.because ?? []) : [])],
  };
}

/** Turns past hand-tight to begin with; past where it first resists for a ferrule made before. */
function turnsOf(subject: Subject): number | null {
  const turns = subject.joint?.mating.turns ?? null;
  return turns === null ? null : isReusedFerrule(subject) ? REUSED_FERRULE_TURNS : turns.default;
}

function placeholders(run: RunFacts, subject: Subject): Record<string, string> {
  const mating = subject.joint?.mating;
  const turns = mating?.turns;
  return {
    appliance: run.appliance.name.replace(/ \(.*/, ''),
    water: run.water,
    from: endLabel(run.from),
    to: endLabel(run.to),
    stop: run.stop ? `${run.stop.kind} stop` : 'valve',
    outlet: run.appliance.fastClosing !== 'yes' || isRejoined(run) ? 'the outlet' : run.oldLine === 'none' ? 'the open end' : 'the open nut',
    stopfound: run.stop?.condition.replace('-', ' ') ?? '',
    volume: String(run.appliance.typicalVolumeGal),
    target: String(run.rules.targetMlPerDay),
    hours: String(run.rules.recheckHours),
    joint: subject.joint ? `J${subject.joint.n}` : '',
    a: subject.sides?.a ?? '',
    b: subject.sides?.b ?? '',
    endA: subject.joint ? endLabel(subject.joint.a) : '',
    endB: subject.joint ? endLabel(subject.joint.b) : '',
    turns: writtenTurns(turnsOf(subject)),
    most: turns ? writeTurns(turns24(turns.most)) : '',
    sealant: mating?.sealant === 'none' ? 'nothing' : (mating?.sealant ?? ''),
    tube: tubeSizeOf(subject.joint),
    part: subject.part ? shortName(subject.part.name) : '',
    // Rounded up: a line that is a little long goes in, one that is short does not.
    cut: subject.cutLengthIn === undefined ? '' : writeFraction(Math.ceil(subject.cutLengthIn * 16 - 1e-6) / 16, 16),
    cap: subject.cap ? endLabel(subject.cap) : '',
  };
}

const writtenTurns = (turns: number | null): string => (turns === null ? '' : writeTurns(turns24(turns)));

/** Size of the tube in a joint as its code writes it, to name ferrules, depth marks and cutters. */
function tubeSizeOf(joint: ChainJoint | undefined): string {
  if (!joint) return '';
  const tube = [joint.a, joint.b].map(parseEnd).find((e) => e.kind === 'tube');
  return tube ? `${tube.size} in OD` : '';
}
