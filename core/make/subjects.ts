/** What steps are for: the run, its joints in the order they are made, its parts, its spare ends. */
import { parseEnd } from '../ends/index.ts';
import { chosen } from '../house/index.ts';
import { type Chain, type ChainJoint, type JointSides, jointSides, type PathStep, sideWords } from '../match/index.ts';
import type { SealId } from '../rows/index.ts';
import type { CardPart, RunFacts } from './run-facts.ts';

/** A joint of the chain with what surrounds it. */
export interface CardJoint {
  joint: ChainJoint;
  sides: JointSides;
  seal: SealId;
  /** Last of the path: to the appliance. */
  isLast: boolean;
  isRejoined: boolean;
  /** The tube in it, if there is one. */
  tube: { code: string; size: string; material: string; isFound: boolean } | null;
  /** Both of its sides are new parts. */
  isBetweenParts: boolean;
  /** Made up away from the place. */
  onBench: boolean;
  /** Made only after what comes before it was flushed through. */
  isHeld: boolean;
  /** On a rigid tube with a nut at each end: both are started before either is tightened. */
  startsApart: boolean;
  /** A ferrule goes on again in its old place. */
  isReused: boolean;
}

const SWIVEL: readonly string[] = ['washer', 'washer-plastic', 'washer-hose', 'washer-on-taper', 'o-ring', 'cone'];
const isTaper = (seal: string) => seal === 'taper' || seal === 'taper-plastic';
const isScrewed = (joint: ChainJoint) => joint.mating.turns !== null;

/** The parts of the chain, in its order, whatever else was passed. */
export function partsOf(run: Pick<RunFacts, 'chain' | 'parts'>): CardPart[] {
  return (run.chain?.parts ?? []).flatMap((id) => run.parts.find((p) => p.id === id) ?? []);
}

/**
 * Joints in the order they are made, and whether what is flushed runs out of the water side itself.
 *
 * Solder first and cold before anything else; then what is made up on the bench; threads that turn a whole piece while that piece is still free; then the rest
 * from the end the house begins at. What is flushed through goes on from the wall, and its last joint waits for the flush.
 */
export function jointsInOrder(run: RunFacts, flushes: boolean): { joints: CardJoint[]; flushesAtSource: boolean } {
  if (!run.chain) return { joints: [], flushesAtSource: false };
  const all = withSurroundings(run, run.chain);
  if ((run.cardVersion ?? 3) < 3) return { joints: asOnFirstCards(all, run.rules.firstEnd === 'appliance' && !flushes), flushesAtSource: false };
  const path = all.filter((j) => !j.isRejoined);
  const flushesAtSource = flushes && hold(path);
  const fromAppliance = run.rules.firstEnd === 'appliance' && !flushes;
  const order: CardJoint[] = [];
  const take = (list: CardJoint[]) => order.push(...list.filter((j) => !order.includes(j)));
  const along = (list: CardJoint[]) => (fromAppliance ? [...list].reverse() : list);
  const rejoined = all.filter((j) => j.isRejoined);
  take(all.filter((j) => j.seal === 'solder' && j.onBench));
  take(all.filter((j) => j.seal === 'solder'));
  // A tee on a fixed shank is hung on it before anything hangs on the tee.
  if (run.rejoin && isFixedMale(run.rejoin)) take(rejoined);
  take(path.filter((j) => j.onBench));
  take(path.filter((j) => isTaper(j.seal) && !j.isHeld));
  for (const j of along(path.filter((p) => !p.isHeld && !order.includes(p)))) {
    take([j]);
    if (rejoinsAt(run.chain) === j.joint.n - 1) take(rejoined);
  }
  take(rejoined);
  take(path.filter((j) => isTaper(j.seal)));
  // The lower nut of a riser is tightened before the upper, whichever end the house begins at.
  take(path.some((j) => j.startsApart && j.isHeld) ? path : along(path));
  return { joints: order, flushesAtSource };
}

/** Along the path from one of its ends, then what is joined again. */
function asOnFirstCards(all: CardJoint[], fromAppliance: boolean): CardJoint[] {
  const path = all.filter((j) => !j.isRejoined);
  return [...(fromAppliance ? path.reverse() : path), ...all.filter((j) => j.isRejoined)];
}

/** Index of the part that the old line is joined to again. */
function rejoinsAt(chain: Chain): number {
  const branch = chain.branches.find((b) => b.use === 'rejoin');
  return branch ? chain.parts.indexOf(branch.part) : -1;
}

function isFixedMale(code: string): boolean {
  const end = parseEnd(code);
  return end.kind === 'thread' && end.gender === 'm';
}

function withSurroundings(run: RunFacts, chain: Chain): CardJoint[] {
  const parts = partsOf(run);
  const byId = new Map(parts.map((p) => [p.id, p]));
  const names = Object.fromEntries(parts.map((p) => [p.id, p.name]));
  const sides = jointSides(chain, names, sideWords(run, run.stop !== null, run.appliance.name));
  const lengths = chain.path.length + 1;
  const rejoinPart = rejoinsAt(chain);
  const partAt = (i: number) => byId.get(chain.path[i]?.part ?? '');
  return chain.joints.map((joint, i): CardJoint => {
    const isRejoined = i >= lengths;
    const [before, after] = isRejoined ? [partAt(rejoinPart), undefined] : [partAt(i - 1), partAt(i)];
    const seal = joint.mating.seal as SealId;
    const isOld = joint.mating.because.some((r) => r.rule.startsWith('old-ferrule'));
    const isReused =
      isOld || (isRejoined && seal.startsWith('ferrule') && ((run.cardVersion ?? 3) < 3 || chosen(run.rules, 'reuse') === 'when sound'));
    return {
      joint,
      sides: sides[i] as JointSides,
      seal,
      isLast: i === lengths - 1,
      isRejoined,
      tube: tubeIn(joint, { aIsFound: i === 0, bIsFound: isRejoined || i === lengths - 1 }),
      isBetweenParts: before !== undefined && after !== undefined,
      onBench: before !== undefined && after !== undefined && onBench(seal, before, after, chain, i),
      isHeld: false,
      startsApart: !isRejoined && isScrewed(joint) && [i - 1, i].some((p) => isTwoNutRigid(chain, p, partAt(p))),
      isReused,
    };
  });
}

/** Solder between two new parts; a hose on an elbow whose other side is a nut that turns by itself. */
function onBench(seal: SealId, before: CardPart, after: CardPart, chain: Chain, i: number): boolean {
  if (seal === 'solder') return true;
  if (!before.tags.includes('elbow') && !after.tags.includes('elbow')) return false;
  const other = chain.joints[before.tags.includes('elbow') ? i - 1 : i + 1];
  return other !== undefined && SWIVEL.includes(other.mating.seal as string);
}

/** A piece of tube cut to length that does not bend, screwed at both ends. */
function isTwoNutRigid(chain: Chain, at: number, part: CardPart | undefined): boolean {
  const step: PathStep | undefined = chain.path[at];
  if (!step || !part) return false;
  const isRigid = part.tags.includes('line:riser') || (part.flexible === false && (part.cutToLength === true || step.cutLengthIn !== undefined));
  const ends = [chain.joints[at], chain.joints[at + 1]];
  return isRigid && ends.every((j) => j !== undefined && isScrewed(j) && !isTaper(j.mating.seal as string));
}

function tubeIn(joint: ChainJoint, { aIsFound, bIsFound }: { aIsFound: boolean; bIsFound: boolean }): CardJoint['tube'] {
  for (const [code, isFound] of [
    [joint.a, aIsFound],
    [joint.b, bIsFound],
  ] as const) {
    const end = parseEnd(code);
    if (end.kind === 'tube') return { code, size: end.size, material: end.tube.material, isFound };
  }
  return null;
}

/** Marks the joints that wait for the flush; whether nothing is left to flush through, so that the water side itself is flushed. */
function hold(path: CardJoint[]): boolean {
  const last = path.at(-1);
  if (!last) return false;
  const before = path.at(-2);
  last.isHeld = true;
  if (before && last.startsApart) before.isHeld = true;
  if (before && isTaper(last.seal) && isScrewed(before.joint) && !isTaper(before.seal) && !before.onBench) before.isHeld = true;
  if (last.seal !== 'solder' && path.some((j) => !j.isHeld && !j.onBench)) return false;
  for (const j of path) j.isHeld = true;
  return true;
}
