import { workKind } from '../../core/index.ts';
import { ordered } from '../effective.ts';
import { targetOf } from '../entry.ts';
import type { Entry } from '../kinds.ts';
import { type History, historyOf, lastOf, ofKind } from './history.ts';
import { drainOfId } from './joints/drain-points.ts';
import { chainAccepted } from './kinds/chain-accepted.ts';
import { lookBegun } from './kinds/look-begun.ts';
import { lookEnded } from './kinds/look-ended.ts';
import { signedOff } from './kinds/signed-off.ts';
import type { RunNow } from './now.ts';
import { type RunContext, type RunState, stateFrom } from './state.ts';
import { isProof } from './steps.ts';

/** The run as the rules of its entries ask of it. Each answer is worked out when it is first asked for: most entries ask for little. */
export function runNow(run: Pick<RunContext, 'checkPoints' | 'work'> & { id: string }, entries: readonly Entry[], context: () => RunContext): RunNow {
  let folded: History | null = null;
  const history = () => {
    folded ??= historyOf(entries, run.id);
    return folded;
  };
  let worked: RunState | null = null;
  const state = () => {
    worked ??= stateFrom(context(), history());
    return worked;
  };
  const ofRun = (name: string) => entries.filter((e) => e.runId === run.id && e.kind === name);
  // Most runs were never signed: they need not be folded, nor worked out, to say so.
  const signed = () => (ofRun(signedOff.name).length === 0 ? null : state().signedOff);
  const brought = ofRun(chainAccepted.name);
  return {
    joins: workKind(run.work).joins,
    get accepted() {
      return lastOf(history(), chainAccepted);
    },
    hasAcceptance: (id) => brought.some((e) => e.id === id),
    get jointIds() {
      return new Set(ofKind(brought, chainAccepted).flatMap((e) => e.body.jointIds));
    },
    hasCheckPoint: (id) => (drainOfId(run.id, id) === null ? run.checkPoints.some((p) => p.id === id) : state().checkPoints.some((p) => p.id === id)),
    get signedOff() {
      const inForce = signed();
      return inForce && { id: inForce.entryId, deviceId: inForce.deviceId };
    },
    isAfterSignOff: (entryId) => {
      const inForce = signed();
      if (!inForce || entryId === null) return false;
      const ids = ordered(entries).map((e) => e.id);
      return ids.indexOf(entryId) >= ids.indexOf(inForce.entryId);
    },
    isProof: (stepId) => state().card.some((step) => step.id === stepId && isProof(step)),
    isOff: (stepId) => {
      const off = state()
        .card.find((step) => step.id === stepId)
        ?.reckoned?.find((r) => r.isOff);
      return off ? `${off.title}: ${off.text}` : null;
    },
    open: () => state().open,
    running: () => [...state().joints, ...state().checkPoints].filter((t) => t.finding === 'running').map((t) => t.label),
    unsettled: () => state().conflicts.length > 0,
    look: (id) => {
      const begun = history().log.find((e) => e.id === id && e.kind === lookBegun.name);
      if (begun?.kind !== lookBegun.name) return null;
      const ended = ofKind(history().log, lookEnded).find((e) => e.body.begunId === id);
      return { targetId: targetOf(begun), round: begun.body.round, endedBy: ended?.deviceId ?? null };
    },
  };
}
