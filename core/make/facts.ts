/** What is so of a run and of each of its joints, by name. */
import { parseEnd } from '../ends/index.ts';
import type { Fact } from './fact-names.ts';
import { fitOf, isMetal } from './found-ends.ts';
import type { CardPart, RunFacts } from './run-facts.ts';
import { otherShutsAt, shutsAt, watersOf } from './shutting.ts';
import { type CardJoint, jointsInOrder, partsOf } from './subjects.ts';
import { workFor, workKind } from './work-kinds.ts';

/** A stop that was found in one of these conditions, or a saddle, does not hold the water. */
const BAD_STOP: readonly string[] = ['passes', 'seized-open', 'seized-shut', 'broken'];

const holds = (stop: RunFacts['stop']): boolean =>
  stop !== null && stop.kind !== 'saddle' && stop.kind !== 'none' && !BAD_STOP.includes(stop.condition);

/** Whether other work on it draws it out: a built-in is reached where it stands. */
const isDrawnOut = (appliance: string): boolean => workFor(appliance).some((k) => k.moves === 'out and back');

/** What is known of a run by name, and its joints in the order they are made. */
export interface Known {
  facts: ReadonlySet<Fact>;
  joints: CardJoint[];
  parts: CardPart[];
}

/** All that is so of a run. */
export function knownOf(run: RunFacts): Known {
  const kind = workKind(run.work);
  const parts = partsOf(run);
  const tags = new Set(parts.flatMap((p) => p.tags));
  const chain = run.chain;
  const seals = new Set(chain?.joints.map((j) => j.mating.seal as string));
  const tubes = new Set(chain?.joints.flatMap((j) => [j.a, j.b]).map(materialOf));
  const found = fitOf(run);
  const newStop = tags.has('stop');
  const cutLine = chain?.path.some((s) => s.cutLengthIn !== undefined) ?? false;
  const isNow = (run.cardVersion ?? 3) >= 3;
  const asked = isNow && (kind.mustActs.includes('flush-line') || found.cuts);
  const flushes = chain !== null && (asked || newStop || cutLine || seals.has('solder'));
  const { joints, flushesAtSource } = jointsInOrder(run, flushes);
  const moves = kind.moves === 'as it moves' ? (isDrawnOut(run.appliance.id) ? 'out and back' : 'stays') : kind.moves;
  const oldLine = run.oldLine === undefined || run.oldLine === 'not judged' ? kind.oldLine : run.oldLine !== 'none';
  const branches = chain?.branches ?? [];
  const shut = shutsAt(run);
  const isPair = watersOf(run).length > 1;
  const rejoins = branches.some((b) => b.use === 'rejoin');
  // A stop that itself comes off is shut or clogged as like as not: behind it everything reads dead.
  const stopComesOff = shut === 'branch' && run.stop !== null && run.stop.kind !== 'none';
  const atBranch = shut === 'saddle' || found.cuts || stopComesOff || kind.renewsStop;
  const isNut = oldLine || rejoins;
  const againAtNew = newStop && !flushesAtSource;
  const isSo: Partial<Record<Fact, boolean>> = {
    joins: chain !== null,
    looks: chain !== null || kind.mustActs.includes('look') || kind.mustActs.includes('cap'),
    hot: run.water === 'hot',
    mixes: run.appliance.mixes,
    stop: run.stop !== null && run.stop.kind !== 'none',
    'stop-holds': holds(run.stop),
    saddle: run.stop?.kind === 'saddle',
    'new-stop': newStop,
    solenoid: run.appliance.fastClosing === 'yes',
    powered: run.appliance.powered,
    'moved-out': moves === 'out and back' || moves === 'changed',
    'pushed-home': moves === 'out and back' || moves === 'changed' || moves === 'new in',
    'old-line': oldLine && !rejoins,
    rejoins,
    hidden: run.hidden,
    flushes,
    'flushes-at-source': flushesAtSource,
    'last-soldered': joints.some((j) => j.isLast && j.seal === 'solder'),
    soldered: seals.has('solder'),
    braid: [...tags].some((t) => t === 'line:braided' || t === 'line:flexible'),
    'cuts-found': found.cuts,
    bonds: found.isMetal && found.cuts,
    'bond-stays': branches.some((b) => b.use === 'rejoin' && parts.find((p) => p.id === b.part)?.tags.includes('plastic')),
    'after-osmosis': run.afterOsmosis ?? (run.work === 'refrigerator-ro' || run.appliance.avoid.includes('copper')),
    riser: tags.has('line:riser'),
    check: tags.has('check'),
    'stop-leak': tags.has('stop-leak'),
    'plastic-line': tubes.has('pe') || tubes.has('pex') || tags.has('line:pe') || tags.has('line:pex'),
    'pex-line': tubes.has('pex') || tags.has('line:pex'),
    arrestor: tags.has('arrestor'),
    polybutylene: tubes.has('polybutylene'),
    galvanized: tubes.has('steel'),
    elbow: tags.has('elbow'),
    'both-waters': isPair,
    'shuts-at-stop': shut === 'stop',
    'shuts-bad-stop': shut === 'bad stop',
    'shuts-at-branch': shut === 'branch',
    'stop-untried': shut === 'stop' && run.stop?.condition === 'unknown',
    'other-at-branch': isPair && otherShutsAt(run) === 'branch',
    // What is shut before the stop of the hot side may be the heater's own feed.
    'heater-idle': run.water === 'hot' ? shut !== 'stop' : isPair && otherShutsAt(run) === 'branch',
    'dead-at-branch': atBranch,
    'dead-at-nut': !atBranch && isNut,
    'dead-at-end': !atBranch && !isNut,
    'again-at-new': againAtNew,
    'again-at-stop': !againAtNew && shut === 'stop',
    'again-at-branch': !againAtNew && shut !== 'stop',
    'makes-ice': run.appliance.makesIce,
  };
  return { facts: setOf(isSo), joints, parts };
}

/** What is so of one joint. */
export function jointFacts(j: CardJoint): ReadonlySet<Fact> {
  return setOf({
    last: j.isLast,
    first: j.joint.n === 1,
    reused: j.isReused,
    bench: j.onBench,
    'starts-apart': j.startsApart,
    'found-tube': j.tube?.isFound === true && !j.isReused,
    'part-tube': j.tube?.isFound === false,
    'metal-tube': j.tube !== null && isMetal(j.tube.material),
    'plastic-tube': j.tube !== null && !isMetal(j.tube.material),
    insert: j.joint.mating.loose.some((code) => code.startsWith('insert-')),
    sealed: j.joint.mating.sealant !== null && j.joint.mating.sealant !== 'none',
    'on-plastic': [j.joint.a, j.joint.b].some(isPlastic),
  });
}

/** What is so of a part that is cut to length. */
export const partFacts = (part: CardPart, isCut: boolean): ReadonlySet<Fact> =>
  setOf({ 'rigid-cut': isCut && part.tags.includes('line:riser'), 'coil-cut': isCut && !part.tags.includes('line:riser') });

/** What is so of a spare end. */
export const capFacts = (isTaken: boolean): ReadonlySet<Fact> => setOf({ taken: isTaken });

const setOf = (isSo: Partial<Record<Fact, boolean>>): ReadonlySet<Fact> =>
  new Set(Object.entries(isSo).flatMap(([name, holdsTrue]) => (holdsTrue ? [name as Fact] : [])));

function materialOf(code: string): string {
  const end = parseEnd(code);
  return end.kind === 'tube' ? end.tube.material : '';
}

/** An end of plastic: its body, or the tube. */
export function isPlastic(code: string): boolean {
  const end = parseEnd(code);
  return end.kind === 'tube' ? !isMetal(end.tube.material) : end.material === 'plastic';
}
