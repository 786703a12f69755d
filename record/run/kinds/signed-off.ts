import * as z from 'zod/mini';
import { kind, type Refusal } from '../../kind.ts';
import { givenReason, positive, recheckHoursShape, uuid } from '../../shapes.ts';
import type { OpenItem, RunNow } from '../now.ts';
import { realReason, wantsChain } from '../rules.ts';
import { STAGE_NAMES, STAGES, type Stage } from '../stages.ts';

const stage = z.enum(STAGES as [Stage, ...Stage[]]);
const exception = z.union([z.strictObject({ targetId: uuid, reason: givenReason }), z.strictObject({ stage, reason: givenReason })]);
export type Exception = z.infer<typeof exception>;

/** The work on a run is done; what is open is named, each with a reason. */
export const signedOff = kind({
  name: 'signed-off',
  shape: z.strictObject({
    targetMlPerDay: positive,
    recheckHours: recheckHoursShape,
    exceptions: z.array(exception).check(z.maxLength(40)),
  }),
  counts: 'all',
  about: 'run',
  onSigned: () => true,
  holds: (entry, run) => {
    // Another device that did not know of it yet decided the same: both stand, and one is asked for.
    if (run.signedOff?.deviceId === entry.deviceId && entry.correctsId === null) {
      return { rule: 'already-signed-off', why: 'This run was signed off already. What is on record stands; to change something, reopen it.' };
    }
    return wantsChain(entry, run) ?? inTheWay(run, entry.body.exceptions);
  },
  describe: (b, w) => {
    const named = b.exceptions.map((e) => `${'stage' in e ? STAGE_NAMES[e.stage] : w.target(e.targetId)} (${e.reason})`);
    return `Signed off${named.length > 0 ? `; open, with a reason: ${named.join(', ')}` : ''}`;
  },
});

/** What stands in the way of a sign-off. */
function inTheWay(run: RunNow, exceptions: Exception[]): Refusal | null {
  if (run.unsettled()) return { rule: 'unsettled', why: 'Two devices decided the same thing: say first which of the two stands.' };
  const running = run.running();
  if (running.length > 0) return { rule: 'still-running', why: `${running.join(', ')} is running: shut the water and put it right first.` };
  const open = unnamed(run.open(), exceptions);
  if (open.length > 0) {
    const made = open.some((item) => 'stage' in item && item.stage === 'make');
    return { rule: made ? 'not-made' : 'still-open', why: `${open.map((o) => o.label).join(', ')}: open, and no reason is given for it.` };
  }
  for (const { reason } of exceptions) {
    const lacks = realReason(reason);
    if (lacks) return lacks;
  }
  return null;
}

/** What of the open is not named among the exceptions; the stage Prove named stands for all that is not proven. */
export function unnamed(open: OpenItem[], exceptions: Exception[]): OpenItem[] {
  const names = new Set(exceptions.map((e) => ('stage' in e ? e.stage : e.targetId)));
  return open.filter((item) => ('stage' in item ? !names.has(item.stage) : !names.has(item.targetId) && !names.has('prove')));
}
