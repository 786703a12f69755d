/** Rules 4 and 5: each joint made once, with what its seal asks, and nothing that burns near a flame. */
import { parseEnd, tubeUnder } from '../../ends/index.ts';
import type { ChainJoint } from '../../match/index.ts';
import type { ActVerb } from '../acts.ts';
import { isHotSeal, sealAsks } from '../seal-asks.ts';
import { type Card, every, first, last, MAKERS, type OrderRule, unless } from './rule.ts';

export const eachMadeOnce: OrderRule = {
  id: 'order-4',
  protects: 'Every joint is made once, started by hand, with what its seal asks.',
  broken: (card) => [...(card.run.chain?.joints ?? []).flatMap((joint) => ofJoint(card, joint)), ...startedApart(card)],
};

function ofJoint(card: Card, joint: ChainJoint): string[] {
  const { n } = joint;
  const own = (verb: ActVerb) => every(card, verb, (a) => a.joint === n);
  const makes = MAKERS.flatMap(own);
  const asks = sealAsks(joint, isKept(card, n));
  const made = makes[0];
  const before = asks.before.filter((verb) => !own(verb).some((a) => made && a.at < made.at));
  const after = asks.after.filter((verb) => !own(verb).some((a) => made && a.at > made.at));
  const unasked = ONLY_IF_ASKED.filter((verb) => own(verb).length > 0 && ![...asks.before, ...asks.after].includes(verb));
  const twice = [...asks.before, ...asks.after].filter((verb) => own(verb).length > 1 && verb !== 'cut' && verb !== 'deburr');
  return [
    ...unless(makes.length === 1, `J${n} is made ${makes.length} times.`),
    ...unless(made === undefined || made.do === asks.make, `J${n} is made by the wrong act.`),
    ...before.map((verb) => `J${n} is made without ${NAMES[verb] ?? verb} before it.`),
    ...after.map((verb) => `J${n} is left without ${NAMES[verb] ?? verb} after it.`),
    ...unasked.map((verb) => `J${n} has no use for ${NAMES[verb] ?? verb}.`),
    ...twice.map((verb) => `J${n} has ${NAMES[verb] ?? verb} twice.`),
    ...unless(own('record').length === 1, `J${n} is not put on record once.`),
    ...unless(inTurn(own('ferrule')[0]?.at, own('insert')[0]?.at), `J${n}: the insert goes in after the ferrule.`),
    ...unless(inTurn(own('cut')[0]?.at, own('deburr')[0]?.at), `J${n} is deburred before it is cut.`),
  ];
}

const inTurn = (a: number | undefined, b: number | undefined) => a === undefined || b === undefined || a < b;

const ONLY_IF_ASKED: ActVerb[] = ['start-thread', 'ferrule', 'insert', 'mark-depth', 'flux', 'cool', 'gauge', 'tug', 'sealant'];

const NAMES: Partial<Record<ActVerb, string>> = {
  'start-thread': 'a start by hand',
  'mark-depth': 'its depth mark',
  ferrule: 'its ferrule',
  insert: 'its insert',
  cut: 'a square cut',
  deburr: 'deburring',
  sealant: 'its sealant',
  gauge: 'the gauge',
  tug: 'a tug',
  flux: 'flux',
  cool: 'cooling',
};

/** A line that was parted keeps its ferrule in its old place: nothing is cut. */
const isKept = (card: Card, n: number): boolean =>
  isFoundNut(card, n) ||
  (n > (card.run.chain?.path.length ?? 0) + 1 && !card.acts.some((a) => a.do === 'cut' && a.joint === n) && card.run.rules.reuse === 'when sound');

/** A tube found with its old nut and ferrule on it: the joint has no bare tube. */
const isFoundNut = (card: Card, n: number): boolean => {
  const joint = card.run.chain?.joints[n - 1];
  return joint !== undefined && [joint.a, joint.b].some((code) => tubeUnder(code) !== null);
};

/** On a rigid tube with a nut at each end both are started before either is tightened. */
function startedApart(card: Card): string[] {
  const { chain, parts } = card.run;
  return (chain?.path ?? []).flatMap((step, i) => {
    const part = parts.find((p) => p.id === step.part);
    const isRigid = part?.tags.includes('line:riser') || (part?.flexible === false && (part.cutToLength === true || step.cutLengthIn !== undefined));
    const ends = [chain!.joints[i]!, chain!.joints[i + 1]!];
    const isNutted = ends.every((j) => j.mating.turns !== null && !j.mating.seal?.startsWith('taper'));
    if (!isRigid || !isNutted) return [];
    const numbers = ends.map((j) => j.n);
    const lastStart = last(card, 'start-thread', (a) => numbers.includes(a.joint ?? 0));
    const firstTight = first(card, 'tighten', (a) => numbers.includes(a.joint ?? 0));
    return unless(
      lastStart !== -1 && lastStart < firstTight,
      `A nut of the rigid piece between J${numbers[0]} and J${numbers[1]} is tightened before both are started.`,
    );
  });
}

export const heatFirst: OrderRule = {
  id: 'order-5',
  protects: 'Heat melts plastic and rubber, and steam in a closed pipe bursts it.',
  broken: (card) => {
    const hot = last(card, ['flux', 'solder', 'cool']);
    const { chain } = card.run;
    if (hot === -1) return [];
    const soft = first(card, ['attach-plastic', 'push', 'ring']);
    const vent = first(card, 'vent');
    const soldered = new Set(chain?.joints.filter((j) => isHotSeal(j.mating.seal)).flatMap((j) => [j.n - 1, j.n + 1]));
    const rubber = first(
      card,
      'tighten',
      (a) => a.joint !== undefined && soldered.has(a.joint) && isRubber(chain!.joints.find((j) => j.n === a.joint)!),
    );
    return [
      ...unless(soft === -1 || hot < soft, 'Something that melts is on the line before the last joint is soldered and cold.'),
      ...unless(rubber === -1 || hot < rubber, 'A washer or ring is on the soldered piece before it is cold.'),
      ...every(card, 'solder').flatMap((a) => unless(vent !== -1 && vent < a.at, `J${a.joint} is soldered with no end left open.`)),
      ...unless(
        !chain?.path.some((_, i) => isHeatedPush(chain.joints, i)),
        'A body with a push socket is never soldered: a stub of tube is, cooled, then pushed.',
      ),
    ];
  },
};

const isRubber = (joint: ChainJoint) => /^(washer|o-ring|cone)/.test(joint.mating.seal ?? '');

/** A part with a cup at one end and a push socket at the other. */
const isHeatedPush = (joints: readonly ChainJoint[], i: number): boolean => {
  const families = [joints[i]!.b, joints[i + 1]!.a].map((code) => parseEnd(code).family);
  return families.includes('cup') && families.includes('ptc');
};
