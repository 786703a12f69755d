/** What was proven at a visit, for the one who lives with it: plain words, bounds as they are. */

import { boundDigits, dropWords, METHODS, workKind } from '../../core/index.ts';
import { watchedWords } from '../run/joints/watched.ts';
import { partNames } from '../run/kinds/chain-accepted.ts';
import type { RunState } from '../run/state.ts';
import { type SignedJoint, type SignSheet, signSheetOf, type TaskRules } from '../run/told/sign-sheet.ts';
import type { ReadRun, VisitHead } from './sheet.ts';

export interface CertifiedRun {
  runId: string;
  title: string;
  work: string;
  signedMs: number;
  /** Parts by name, as they were fitted. */
  fitted: string[];
  rows: { joint: string; between: string; how: string; proves: string; isProven: boolean }[];
  sheet: SignSheet;
}

export interface Certificate {
  visitId: string;
  /** A few letters by which it is found again. */
  number: string;
  runs: CertifiedRun[];
  /** Runs of the visit that it says nothing of, and why. */
  without: string[];
  /** What it says and what it does not. */
  bounds: string[];
}

/** Only what was signed off is certified. */
export function certificateOf(visit: VisitHead, reads: readonly ReadRun[], duties: TaskRules): Certificate {
  const listed = reads.filter((r) => r.state === null || r.state.offList === null);
  const runs = listed.flatMap(({ run, state }): CertifiedRun[] => {
    if (!state?.signedOff) return [];
    const sheet = signSheetOf(state, run.applianceKind, duties, visit.premises.timeZone);
    return [
      {
        runId: run.id,
        title: `${run.name}, ${run.place}`,
        work: workKind(run.work).name,
        signedMs: state.signedOff.atMs,
        fitted: fittedOf(state),
        rows: sheet.joints.map((j) => ({
          joint: j.label,
          between: [j.between, j.seal, j.turns].filter(Boolean).join(', '),
          how: howSeen(j),
          proves: whatItProves(j, state.isProvisional),
          isProven: j.proven,
        })),
        sheet,
      },
    ];
  });
  const without = listed.filter((r) => !r.state?.signedOff).map(({ run }) => `${run.name}, ${run.place}: not signed off`);
  return { visitId: visit.id, number: visit.id.replaceAll('-', '').slice(-8).toUpperCase(), runs, without, bounds: BOUNDS };
}

const fittedOf = ({ accepted }: RunState): string[] => (accepted ? partNames(accepted) : []);

const BOUNDS = [
  'A dry look never proves that nothing leaks. It bounds the leak: had a joint leaked more than is said of it, such a look would have shown it at least 95 times in a hundred.',
  'The bound holds for the joint as it was on the day, under the pressure of the day, as long as nobody turns or moves it.',
  'A joint of the drain stands under no pressure: of it is said that it stayed dry while the appliance worked.',
  "Local code and the makers' instructions come first. This paper is no approval by an authority and no guarantee.",
];

/** 'Standing 9 min by dry tissue; working 5 min by eye' */
export function howSeen({ evidence, turns }: SignedJoint): string {
  if (turns === 'not made') return 'not made';
  const rounds = evidence.map(
    (e) =>
      `${e.name.toLowerCase()} ${watchedWords(e.minutes)} ${e.methods.map((m) => METHODS[m].name).join(' and ')}${e.state === 'dry' ? '' : `: ${e.state}`}`,
  );
  return rounds.length === 0 ? 'not watched' : rounds.join('; ');
}

/** What was seen first, then the bound with its confidence: never "dry" alone. */
export function whatItProves(j: SignedJoint, isProvisional = false): string {
  if (j.finding) return `It was ${j.finding}.`;
  if (j.isDrain) return j.proven ? 'Stayed dry while it worked.' : 'Not seen at work.';
  const again = isProvisional ? ' Provisional: it is looked at again.' : '';
  if (j.mlPerDay === null) return j.proven ? `Dry when we left.${again}` : 'Nothing yet.';
  return `${j.proven ? 'Dry when we left' : 'Dry, but not looked at as long as the house asks'}: at 95 % no more than ${boundDigits(j.mlPerDay)} mL a day, ${dropWords(j.mlPerDay)}.${again}`;
}
