/** The work card of a run: which steps, in what order, in whose words. */
import type { Round } from '../prove/index.ts';
import { type Reason, reason } from '../reason.ts';
import { type Act, isNewCut } from './acts.ts';
import { appliesTo, appliesToRun, isSo } from './conditions.ts';
import { type Known, knownOf } from './facts.ts';
import { type KnownFigures, knownFigures } from './figures/known-figures.ts';
import { type Reckoned, reckon } from './figures/reckon.ts';
import type { StepMeasure } from './figures/rows.ts';
import { type Edge, inOrder, type Ordered, StepIndex } from './order.ts';
import { recoveriesAt } from './recoveries.ts';
import type { RunFacts } from './run-facts.ts';
import { otherWater } from './shutting.ts';
import type { ActTemplate, DrainJoint, StepStage, StepTemplate } from './step-data.ts';
import { type Subject, subjectsOf } from './subject.ts';
import { runWords, subjectWords, turnsOf } from './words.ts';
import { workKind } from './work-kinds.ts';

export type { CardPart, RunFacts } from './run-facts.ts';

/** One line of the work card, its figures filled in. */
export interface WorkStep {
  id: string;
  stage: StepStage;
  title: string;
  detail: string;
  /** What it does, for the machine. */
  acts: Act[];
  /** Number of the joint this step makes. */
  joint?: number;
  /** Number of the joint it is about. */
  atJoint?: number;
  /** All its tools in one line. */
  tool?: string;
  tools?: { tool: string; size?: string; for: string }[];
  materials?: { what: string; amount?: string; for: string }[];
  /** Pairs of hands, where one is not enough. */
  people?: number;
  /** Typical minutes for one who knows the work. */
  minutes?: number;
  /** Turns past hand-tight to begin with. */
  turns?: number;
  timerS?: number;
  /** Drain joints it makes, or looks at while it works. */
  drains?: DrainJoint[];
  /** What the appliance's own sheet says, to be held against what is there; text '' where it was not read. */
  figures?: { id: string; name: string; text: string }[];
  /** Lengths that are measured at it: as typed, '' where none was yet; what is usual where there is such a thing, in. */
  measures?: { id: string; name: string; text: string; usualIn?: number }[];
  /** What it works out. */
  reckoned?: Reckoned[];
  /** A question to be answered yes before the work goes on. */
  gate?: string;
  /** It opens the line: the water is proved dead before it. */
  opens?: boolean;
  /** What it says of a round of looks; it is not ticked by itself. */
  round?: Round;
  cautions: string[];
  /** What is done when it goes wrong. */
  recoveries?: { id: string; title: string; steps: string[]; source: string }[];
  because: Reason[];
}

/** The card with which each drain joint came to be looked at by itself: the steps stayed as they were. */
export const DRAINS_APART = 4;
/** The card that says of which side the water goes off. */
export const SIDES_SAID = 5;

/** The version of the card that these steps make: what is accepted with it keeps it. */
export const cardVersionOf = (stepData: readonly StepTemplate[]): number =>
  Math.max(1, ...stepData.map((t) => (t.drains ? DRAINS_APART : (t.since ?? 1))));

const STAGES: StepStage[] = ['shut', 'make', 'prove', 'log'];
const MAKES: ReadonlySet<string> = new Set(['tighten', 'push', 'ring', 'solder']);
const OPENS: ReadonlySet<string> = new Set([...MAKES, 'detach', 'cut', 'cap']);

interface Node extends Ordered {
  template: StepTemplate;
  subject: Subject;
  acts: Act[];
}

/**
 * The steps of a run in the order they are done, composed from the kind of work, the chain, the appliance, the stop and the house rules.
 *
 * @throws StepOrderError when the steps wait for each other
 */
export function workCard(run: RunFacts): WorkStep[] {
  // Steps of an older catalogue make the card they know.
  const newest = cardVersionOf(run.stepData);
  const version = Math.min(run.cardVersion ?? newest, newest);
  const asked = { ...run, cardVersion: version };
  const known = knownOf(asked);
  const nodes = nodesOf(asked, known, version);
  const words = runWords(asked, known);
  const figures = knownFigures(
    asked,
    nodes.flatMap((n) => n.template.measures ?? []),
  );
  return withDrains(inOrder(nodes, edgesAmong(nodes, run, version)).map((i) => fill(nodes[i]!, { words, figures }, asked, known)));
}

/** The working look is the drain joints' own: all of them are named there. */
function withDrains(card: WorkStep[]): WorkStep[] {
  const drains = card.flatMap((s) => s.drains ?? []);
  return drains.length === 0 ? card : card.map((s) => (s.round === 'working' ? { ...s, drains } : s));
}

function nodesOf(run: RunFacts, known: Known, version: number): Node[] {
  const subjects = subjectsOf(run, known);
  const nodes: Node[] = [];
  for (const template of run.stepData) {
    if ((template.since ?? 1) > version || (template.until ?? version) < version || !appliesToRun(template.when, run)) continue;
    for (const subject of subjects[template.each]) {
      if (!appliesTo(template.when, run, known, subject)) continue;
      nodes.push({
        id: subject.key ? `${template.id}:${subject.key}` : template.id,
        row: template.id,
        template,
        subject,
        acts: (template.acts ?? []).flatMap((act) => actsFor(act, subject, known, run)),
        labels: labelsOf(template, subject),
        stage: STAGES.indexOf(template.stage),
        order: template.order,
        rank: subject.rank,
        where: template.where ?? '',
        again: template.again ?? false,
      });
    }
  }
  return nodes;
}

/** What a joint's steps are called by constraints; the cut of what was found belongs to neither. */
function labelsOf(template: StepTemplate, { joint, cap }: Subject): string[] {
  if (cap) return ['@early'];
  if (!joint || template.acts?.some((a) => a.do === 'cut' && a.on !== 'new')) return [];
  return [joint.isHeld ? '@held' : '@early', joint.seal === 'solder' ? '@hot' : '@cold', ...(joint.isLast ? ['@last'] : [])];
}

/** Acts that are done to one side of what is fed hot and cold, and say to which. */
const OF_A_SIDE: ReadonlySet<string> = new Set(['water-off', 'relieve', 'prove-dead']);

function actsFor({ do: verb, on, each, if: only, unless, water: side }: ActTemplate, subject: Subject, known: Known, run: RunFacts): Act[] {
  if (each) {
    const joints = each === 'soldered' ? known.joints.filter((j) => j.seal === 'solder') : [...known.joints].sort((a, b) => a.joint.n - b.joint.n);
    return joints.map((j) => ({ do: verb, joint: j.joint.n, ...(on ? { on } : {}) }));
  }
  if ((only && !isSo(known, subject, only)) || (unless && isSo(known, subject, unless))) return [];
  if (side === 'other' && !known.facts.has('both-waters')) return [];
  const what = on ?? subject.cap;
  const sides = (run.cardVersion ?? SIDES_SAID) >= SIDES_SAID && OF_A_SIDE.has(verb);
  const water = sides ? { water: side === 'other' ? otherWater(run.water) : run.water } : {};
  return [{ do: verb, ...water, ...(subject.joint ? { joint: subject.joint.joint.n } : {}), ...(what ? { on: what } : {}) }];
}

function edgesAmong(nodes: Node[], run: RunFacts, version: number): Edge[] {
  const index = new StepIndex(nodes);
  const edges: Edge[] = [];
  const bundles = new Map<string, number[]>();
  nodes.forEach((node, i) => {
    for (const ref of node.template.after ?? []) for (const a of index.of(ref)) if (a !== i) edges.push([a, i]);
    for (const ref of node.template.before ?? []) for (const b of index.of(ref)) if (b !== i) edges.push([i, b]);
    if (node.subject.joint) bundles.set(node.subject.key, [...(bundles.get(node.subject.key) ?? []), i]);
  });
  if (version < 3) return edges;
  for (const list of bundles.values()) {
    const sorted = [...list].sort((a, b) => nodes[a]!.order - nodes[b]!.order);
    for (let i = 1; i < sorted.length; i++) edges.push([sorted[i - 1]!, sorted[i]!]);
  }
  const apart = nodes.flatMap((n, i) => (n.subject.joint?.startsApart ? [i] : []));
  const does = (i: number, verb: string) => nodes[i]!.acts.some((a) => a.do === verb);
  for (const a of apart.filter((i) => does(i, 'start-thread')))
    for (const b of apart.filter((i) => does(i, 'tighten'))) if (a !== b) edges.push([a, b]);
  // The first of one stands before all of the other: so it stands before the first.
  for (const { before, after } of workKind(run.work).orders) {
    const [first] = [...index.of(before)].sort((a, b) => nodes[a]!.stage - nodes[b]!.stage || nodes[a]!.order - nodes[b]!.order);
    if (first !== undefined) for (const b of index.of(after)) if (b !== first) edges.push([first, b]);
  }
  return edges;
}

const subjectsWords = new WeakMap<Subject, Record<string, string>>();

/** Worked out once for all steps of a joint. */
function wordsOf(subject: Subject): Record<string, string> {
  const known = subjectsWords.get(subject);
  if (known) return known;
  const words = subjectWords(subject);
  subjectsWords.set(subject, words);
  return words;
}

function fill(
  { template: t, subject, acts, id }: Node,
  { words, figures: reckonable }: { words: Record<string, string>; figures: KnownFigures },
  run: RunFacts,
  known: Known,
): WorkStep {
  const own = wordsOf(subject);
  const say = (text: string, named = own) =>
    text.includes('{') ? text.replace(/\{(\w+)\}/g, (_, key: string) => named[key] ?? words[key] ?? '') : text;
  const at = subject.joint?.joint;
  const makes = at !== undefined && (acts.some((a) => MAKES.has(a.do)) || (acts.length === 0 && t.id.startsWith('joint-')));
  const turns = turnsOf(subject);
  const isOpening = acts.length > 0 ? acts.some((a) => OPENS.has(a.do) && !isNewCut(a)) && !acts.some((a) => a.do === 'bench') : t.opens || at;
  const tools = (t.tools ?? []).map(({ what, size, for: why }) => ({ tool: say(what), ...(size ? { size: say(size) } : {}), for: say(why) }));
  const materials = (t.materials ?? []).map(({ what, size, for: why }) => ({
    what: say(what),
    ...(size ? { amount: say(size) } : {}),
    for: say(why),
  }));
  const tool = t.tool ? say(t.tool) : tools.map((w) => (w.size ? `${w.tool} (${w.size})` : w.tool)).join(', ');
  const figures = (t.figures ?? []).flatMap((figure) => (run.sheet?.[figure] ? [{ id: figure, ...run.sheet[figure] }] : []));
  const wrong = recoveriesAt(t, run, known, subject);
  return {
    id,
    stage: t.stage,
    title: (run.cardVersion ?? SIDES_SAID) < SIDES_SAID ? say(t.title) : shortened(say, t.title, own),
    detail: say(t.detail),
    acts,
    ...(makes ? { joint: at.n, ...(turns === null ? {} : { turns }) } : {}),
    ...(at ? { atJoint: at.n } : {}),
    ...(isOpening ? { opens: true } : {}),
    ...(t.round ? { round: t.round } : {}),
    ...(tool ? { tool } : {}),
    ...(tools.length > 0 ? { tools } : {}),
    ...(materials.length > 0 ? { materials } : {}),
    ...(t.people ? { people: t.people } : {}),
    ...(t.minutes ? { minutes: t.minutes } : {}),
    ...(t.timerS ? { timerS: t.timerS } : {}),
    ...(t.drains ? { drains: t.drains } : {}),
    ...(figures.length > 0 ? { figures } : {}),
    ...(t.measures ? { measures: t.measures.map((m) => measured(m, run)) } : {}),
    ...(t.reckons ? { reckoned: t.reckons.map((row) => reckon(row, reckonable)) } : {}),
    ...(t.gate ? { gate: say(t.gate) } : {}),
    cautions: t.cautions.flatMap((c) => (typeof c === 'string' ? [say(c)] : isSo(known, subject, c.if) ? [say(c.text)] : [])),
    ...(wrong.length > 0 ? { recoveries: wrong.map((r) => ({ ...r, steps: r.steps.map((text) => say(text)) })) } : {}),
    because: [reason(t.id, say(t.because), { source: t.source }), ...(makes ? at.mating.because : [])],
  };
}

/** A title that would not be read at arm's length names its two sides without what they are like. */
function shortened(say: (text: string, words?: Record<string, string>) => string, title: string, own: Record<string, string>): string {
  const ways = [(side: string) => side, plain, (side: string) => plain(side).split(' ').at(-1)!];
  const titles = ways.map((way) => say(title, { ...own, a: way(own.a ?? ''), b: way(own.b ?? '') }));
  return titles.find((t) => t.length <= MOST_TITLE) ?? titles.at(-1)!;
}
const plain = (side: string): string => side.replace(/(?: with |,| \().*/, '');
const MOST_TITLE = 60;

const measured = ({ id, name, usualIn }: StepMeasure, run: RunFacts) => ({
  id,
  name,
  text: run.measured?.[id]?.text ?? '',
  ...(usualIn === undefined ? {} : { usualIn }),
});
