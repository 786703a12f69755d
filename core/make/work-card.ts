import { parseEnd } from '../ends/code.ts';
import { endLabel } from '../ends/label.ts';
import type { HouseRules } from '../house/rules.ts';
import type { Part } from '../match/part.ts';
import type { Chain, ChainJoint } from '../match/query.ts';
import { type JointSides, jointSides, shortName } from '../match/sides.ts';
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
}

const STAGES: StepStage[] = ['shut', 'make', 'prove', 'log'];

/**
 * The steps of a run in the order they are done, composed from the chain, the appliance, the stop and the house rules.
 *
 * Joints are made from the wall end or from the appliance end, as the house rule says; a re-joined old line comes after.
 */
export function workCard(run: RunFacts): WorkStep[] {
  const subjects = subjectsOf(run);
  const steps: { stage: number; order: number; at: number; step: WorkStep }[] = [];
  for (const template of run.stepData) {
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
  const sides = jointSides(chain, names, run.stop ? 'stop outlet' : 'water side', `${run.appliance.name.replace(/ \(.*/, '')} inlet`);
  const joints = chain.joints.map((joint, i) => ({ key: `j${joint.n}`, joint, sides: sides[i] as JointSides }));
  const path = joints.filter((j) => !j.sides.rejoin);
  const rejoined = joints.filter((j) => j.sides.rejoin);
  return {
    run: [{ key: '' }],
    joint: [...(run.rules.firstEnd === 'appliance' ? path.reverse() : path), ...rejoined],
    part: chain.path.flatMap((step) => {
      const part = byId.get(step.part);
      return part ? [{ key: part.id, part, ...(step.cutLengthIn === undefined ? {} : { cutLengthIn: step.cutLengthIn }) }] : [];
    }),
    cap: chain.branches.filter((b) => b.use === 'cap').map((b) => ({ key: `${b.part}-${b.end}`, cap: b.code })),
  };
}

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
    (when.rejoins === undefined || when.rejoins === run.chain.branches.some((b) => b.use === 'rejoin')) &&
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
  const turns = subject.joint?.mating.turns;
  return {
    id: subject.key ? `${t.id}:${subject.key}` : t.id,
    stage: t.stage,
    title: say(t.title),
    detail: say(t.detail),
    ...(subject.joint && t.id.startsWith('joint-') ? { joint: subject.joint.n, ...(turns ? { turns: turns.default } : {}) } : {}),
    ...(t.opens || subject.joint ? { opens: true } : {}),
    ...(t.tool ? { tool: say(t.tool) } : {}),
    ...(t.timerS ? { timerS: t.timerS } : {}),
    ...(t.gate ? { gate: say(t.gate) } : {}),
    cautions: t.cautions.map(say),
    because: [reason(t.id, say(t.because), { source: t.source }), ...(t.id.startsWith('joint-') ? (subject.joint?.mating.because ?? []) : [])],
  };
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
    stopfound: run.stop?.condition.replace('-', ' ') ?? '',
    volume: String(run.appliance.typicalVolumeGal),
    target: String(run.rules.targetMlPerDay),
    hours: String(run.rules.recheckHours),
    joint: subject.joint ? `J${subject.joint.n}` : '',
    a: subject.sides?.a ?? '',
    b: subject.sides?.b ?? '',
    endA: subject.joint ? endLabel(subject.joint.a) : '',
    endB: subject.joint ? endLabel(subject.joint.b) : '',
    turns: turns ? writeTurns(turns24(turns.default)) : '',
    most: turns ? writeTurns(turns24(turns.most)) : '',
    sealant: mating?.sealant === 'none' ? 'nothing' : (mating?.sealant ?? ''),
    tube: tubeSizeOf(subject.joint),
    part: subject.part ? shortName(subject.part.name) : '',
    // Rounded up: a line that is a little long goes in, one that is short does not.
    cut: subject.cutLengthIn === undefined ? '' : writeFraction(Math.ceil(subject.cutLengthIn * 16 - 1e-6) / 16, 16),
    cap: subject.cap ? endLabel(subject.cap) : '',
  };
}

/** Size of the tube in a joint as its code writes it, to name ferrules, depth marks and cutters. */
function tubeSizeOf(joint: ChainJoint | undefined): string {
  if (!joint) return '';
  const tube = [joint.a, joint.b].map(parseEnd).find((e) => e.kind === 'tube');
  return tube ? `${tube.size} in OD` : '';
}
