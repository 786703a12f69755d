/** What stands for the {placeholders} in a step's words: the run's own figures. */
import { type EndCode, endLabel, parseEnd, tubeJointOf } from '../ends/index.ts';
import { AGAIN_TURNS, shortName } from '../match/index.ts';
import { threeDigits, turns24, writeFraction, writeTurns } from '../units/index.ts';
import type { Known } from './facts.ts';
import { LEAST_CUPS, lineCups, rinseOf } from './rinse.ts';
import type { RunFacts } from './run-facts.ts';
import { otherWater } from './shutting.ts';
import { solderIn } from './solder.ts';
import type { Subject } from './subject.ts';
import { wrenchFor } from './wrench.ts';

/** Turns past hand-tight to begin with; past where it first resists for a ferrule made before. */
export function turnsOf(subject: Subject): number | null {
  const turns = subject.joint?.joint.mating.turns ?? null;
  return turns === null ? null : subject.joint?.isReused ? AGAIN_TURNS : turns.default;
}

const written = (turns: number | null | undefined): string => (turns == null ? '' : writeTurns(turns24(turns)));
const sixteenths = (inches: number): string => writeFraction(Math.ceil(inches * 16 - 1e-6) / 16, 16);

/** Words of the run: the same for all its steps. */
export function runWords(run: RunFacts, known: Known): Record<string, string> {
  const has = (fact: Parameters<Known['facts']['has']>[0]) => known.facts.has(fact);
  const held = known.joints.filter((j) => j.isHeld && !j.isRejoined).map((j) => `J${j.joint.n}`);
  const solder = known.joints.filter((j) => j.seal === 'solder');
  return {
    appliance: run.appliance.name.replace(/ \(.*/, ''),
    water: run.water,
    from: endLabel(run.from),
    fromPlace: placeOf(run.from),
    to: endLabel(run.to),
    stop: run.stop ? `${run.stop.kind} stop` : 'valve',
    itsStop: `${has('both-waters') ? `${run.water} ` : ''}${run.stop ? `${run.stop.kind} stop` : 'stop'}`,
    other: otherWater(run.water),
    sides: has('both-waters') ? ', hot and cold' : '',
    backOff: run.stop?.kind === 'quarter-turn' ? '' : ' A multi-turn stop goes back half a turn.',
    ifRuns: `It runs: shut it at once${has('powered') ? '; then the power at the breaker, never by reaching for a plug in water' : ', then look why'}.`,
    outlet: !has('solenoid') || has('rejoins') ? 'the outlet' : has('old-line') ? 'the open nut' : 'the open end',
    stopfound: run.stop?.condition.replace('-', ' ') ?? '',
    volume: String(run.appliance.typicalVolumeGal),
    protection: run.appliance.protection,
    target: String(run.rules.targetMlPerDay),
    hours: String(run.rules.recheckHours),
    held: held.join(' and '),
    joints: String(known.joints.length),
    ...rinseWords(run, known),
    soldered: solder.map((j) => `J${j.joint.n}`).join(', '),
  };
}

/** Where an old line's nut sits on the water side, in a plumber's words. */
function placeOf(from: EndCode): string {
  const { family } = parseEnd(from);
  if (family === 'bc') return 'the fill valve';
  return family === 'comp' || family === 'ght' ? 'the stop' : endLabel(from);
}

/** A braided or plain line whose bore nobody said. Typical. */
const USUAL_BORE_IN = 0.25;

const cupsWords = (cups: number): string => (cups <= 1 ? `${writeFraction(cups, 2)} cup` : `${writeFraction(cups, 2)} cups`);

function rinseWords(run: RunFacts, known: Known): Record<string, string> {
  const pieces = (run.chain?.path ?? []).map((step) => {
    const part = known.parts.find((p) => p.id === step.part);
    return { boreIn: part?.boreIn ?? USUAL_BORE_IN, lengthIn: step.cutLengthIn ?? part?.lengthIn ?? 0 };
  });
  const gpm = run.gpm ?? (run.appliance.designGpm > 0 ? run.appliance.designGpm : 0.5);
  const { cups, seconds } = rinseOf(pieces, LEAST_CUPS, gpm);
  return {
    rinse: `${writeFraction(cups, 2)} cups`,
    rinseSeconds: `${seconds} s at ${threeDigits(gpm)} gpm`,
    runOut: `${cupsWords(Math.max(0.5, Math.ceil(lineCups(pieces) * 2 - 1e-9) / 2))} of the line, and the branch's`,
    flushOut: `${cupsWords(cups)} and more`,
  };
}

/** Words of the joint, part or end that a step is for. */
export function subjectWords(subject: Subject): Record<string, string> {
  const { joint: at, part, cutLengthIn, cap } = subject;
  const words: Record<string, string> = {};
  if (part) words.part = shortName(part.name);
  // Rounded up: a line that is a little long goes in, one that is short does not.
  if (cutLengthIn !== undefined) words.cut = sixteenths(cutLengthIn);
  if (cap) words.cap = endLabel(cap);
  if (!at) return words;
  const { joint, sides } = at;
  const { turns, sealant } = joint.mating;
  const size = at.tube?.size ?? '';
  const hold = tubeJointOf(size);
  return {
    ...words,
    joint: `J${joint.n}`,
    a: sides.a,
    b: sides.b,
    endA: endLabel(joint.a),
    endB: endLabel(joint.b),
    turns: written(turnsOf(subject)),
    range: turns ? `${written(turns.from)} to ${written(turns.to)}` : '',
    most: written(turns?.most),
    sealant: sealant === 'none' ? 'nothing' : (sealant ?? ''),
    tube: size === '' ? '' : `${size} in OD`,
    depth: hold?.pushIn ? `${writeFraction(hold.pushIn)} in` : 'its mark',
    ferruleFree: hold?.ferruleIn ? `${writeFraction(hold.ferruleIn)} in` : '1 in',
    wrench: wrenchFor(joint.a, joint.b),
    solderLength: size === '' ? '' : `${writeFraction(solderIn(parseEnd(at.tube!.code)), 16)} in`,
  };
}
