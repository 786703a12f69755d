/** Whether a step belongs on a card. */

import { chosen, type HouseChoices, type HouseRules } from '../house/index.ts';
import type { Fact } from './fact-names.ts';
import type { Known } from './facts.ts';
import type { RunFacts } from './run-facts.ts';
import type { StepWhen } from './step-data.ts';
import type { Subject } from './subject.ts';

const one = <T>(list: readonly T[] | undefined, value: T | null | undefined) => list === undefined || (value != null && list.includes(value));

/** What is so of a run and of the joint, part or end that a step is for. */
export const isSo = (known: Known, subject: Subject, fact: Fact): boolean => known.facts.has(fact) || subject.facts.has(fact);

/** Whether a step with these conditions may belong on the card of a run, whatever of it the step is for. */
export function appliesToRun(when: StepWhen, run: RunFacts): boolean {
  return (
    one(when.work, run.work) &&
    (when.notWork === undefined || !when.notWork.includes(run.work)) &&
    one(when.appliance, run.appliance.id) &&
    one(when.water, run.water) &&
    one(when.stopKind, run.stop?.kind ?? 'none') &&
    one(when.stopCondition, run.stop?.condition ?? 'none') &&
    one(when.oldLine, run.oldLine ?? 'not judged') &&
    (when.rule === undefined || Object.entries(when.rule).every(([key, value]) => ruleSays(run.rules, key) === value))
  );
}

/** Whether it belongs on it for one of its joints, parts or ends, or for the run itself. */
export function appliesTo(when: StepWhen, run: RunFacts, known: Known, subject: Subject): boolean {
  if (when.is) for (const fact of when.is) if (!isSo(known, subject, fact)) return false;
  if (when.not) for (const fact of when.not) if (isSo(known, subject, fact)) return false;
  return (
    (when.seal === undefined || (subject.joint ? when.seal.includes(subject.joint.seal) : known.joints.some((j) => when.seal?.includes(j.seal)))) &&
    (when.partTag === undefined || (subject.part ? [subject.part] : known.parts).some((p) => p.tags.some((tag) => when.partTag?.includes(tag)))) &&
    (when.partKind === undefined || (subject.part ? [subject.part] : known.parts).some((p) => when.partKind?.includes(p.kind))) &&
    ((run.cardVersion ?? 3) >= 3 || asBefore(when, run, known, subject))
  );
}

/** Both. */
export const applies = (when: StepWhen, run: RunFacts, known: Known, subject: Subject): boolean =>
  appliesToRun(when, run) && appliesTo(when, run, known, subject);

const ruleSays = (rules: HouseRules, key: string): string => String(chosen(rules, key as keyof HouseChoices));

/** What the first two versions of the cards asked. */
const OF_BEFORE: [key: keyof StepWhen, fact: Fact][] = [
  ['hidden', 'hidden'],
  ['powered', 'powered'],
  ['solenoid', 'solenoid'],
  ['rejoins', 'rejoins'],
  ['reused', 'reused'],
  ['last', 'last'],
  ['newStop', 'new-stop'],
  ['flushes', 'flushes'],
  ['afterOsmosis', 'after-osmosis'],
  ['stopHolds', 'stop-holds'],
];

function asBefore(when: StepWhen, run: RunFacts, known: Known, subject: Subject): boolean {
  return (
    OF_BEFORE.every(([key, fact]) => when[key] === undefined || when[key] === isSo(known, subject, fact)) &&
    (when.applianceMoves === undefined || when.applianceMoves === run.appliance.moves) &&
    (when.loose === undefined || (subject.joint?.joint.mating.loose ?? []).some((code) => when.loose?.some((kind) => code.startsWith(`${kind}-`))))
  );
}
