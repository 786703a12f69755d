import * as z from 'zod/mini';
import { kind, type Refusal } from '../../kind.ts';
import { givenReason, positive, recheckHoursShape, uuid } from '../../shapes.ts';
import type { RunNow } from '../now.ts';
import { wantsChain } from '../rules.ts';

/** The work on a run is done; what is not proven is named, each with a reason. */
export const signedOff = kind({
  name: 'signed-off',
  shape: z.strictObject({
    targetMlPerDay: positive,
    recheckHours: recheckHoursShape,
    exceptions: z.array(z.strictObject({ targetId: uuid, reason: givenReason })).check(z.maxLength(40)),
  }),
  counts: 'last',
  ofChain: false,
  about: 'run',
  holds: (entry, run) => {
    if (run.signedOff && entry.correctsId === null) {
      return {
        rule: 'already-signed-off',
        why: 'This run was signed off already, in another window or on another device. What is on record stands.',
      };
    }
    return wantsChain(entry, run) ?? openOf(run, new Set(entry.body.exceptions.map((e) => e.targetId)));
  },
  says: (b, w) =>
    `signed off${b.exceptions.length > 0 ? `; not proven: ${b.exceptions.map((e) => `${w.target(e.targetId)} (${e.reason})`).join(', ')}` : ''}`,
});

/** What stands in the way of a sign-off. */
function openOf(run: RunNow, excepted: ReadonlySet<string>): Refusal | null {
  const targets = run.targets();
  const labels = (list: typeof targets) => list.map((t) => t.label).join(', ');
  const running = targets.filter((t) => t.finding === 'running');
  if (running.length > 0) return { rule: 'still-running', why: `${labels(running)} is running: shut the water and put it right first.` };
  const unmade = targets.filter((t) => !t.made);
  if (unmade.length > 0) return { rule: 'not-made', why: `${labels(unmade)} is not made: finish the work card first.` };
  const open = targets.filter((t) => !t.proven && !excepted.has(t.id));
  if (open.length > 0) return { rule: 'still-open', why: `${labels(open)} is not proven, and no reason is given for it.` };
  return null;
}
