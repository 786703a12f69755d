/** One thing that steps of the card are for. */
import type { Fact } from './fact-names.ts';
import { capFacts, jointFacts, type Known, partFacts } from './facts.ts';
import type { CardPart, RunFacts } from './run-facts.ts';
import type { StepTemplate } from './step-data.ts';
import type { CardJoint } from './subjects.ts';

export interface Subject {
  /** '' of the run itself; else what its steps' ids end in. */
  key: string;
  facts: ReadonlySet<Fact>;
  /** Of its joint in the order of making; -1 of what is done once. */
  rank: number;
  joint?: CardJoint;
  part?: CardPart;
  cutLengthIn?: number;
  /** End code of a spare end. */
  cap?: string;
}

const NONE: ReadonlySet<Fact> = new Set();

/** All that a card's steps may be for, by what their rows say. */
export function subjectsOf(run: RunFacts, known: Known): Record<StepTemplate['each'], Subject[]> {
  const byId = new Map(known.parts.map((p) => [p.id, p]));
  const early = known.joints.filter((j) => !j.isHeld).length;
  return {
    run: [{ key: '', facts: NONE, rank: -1 }],
    joint: known.joints.map((joint, rank) => ({ key: `j${joint.joint.n}`, facts: jointFacts(joint), rank, joint })),
    part: (run.chain?.path ?? []).flatMap((step): Subject[] => {
      const part = byId.get(step.part);
      if (!part) return [];
      const cut = step.cutLengthIn === undefined ? {} : { cutLengthIn: step.cutLengthIn };
      return [{ key: part.id, facts: partFacts(part, step.cutLengthIn !== undefined), rank: -1, part, ...cut }];
    }),
    cap: (run.chain?.branches ?? []).flatMap((b): Subject[] => {
      // Cards of before capped only what has no valve of its own.
      if (b.use === 'rejoin' || (b.use === 'free' && (run.cardVersion ?? 3) < 3)) return [];
      const facts = capFacts(run.takenOutlets?.includes(`${b.part} ${b.end}`) ?? false);
      return [{ key: `${b.part}-${b.end}`, facts, rank: early - 0.5, cap: b.code }];
    }),
  };
}
