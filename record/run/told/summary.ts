/** What lists and the ledger show of a run: worked out from its state, on the server once an entry is kept, on a device when it is shown. */

import type { Finding, SealId, StopKind, ValveCondition } from '../../../core/index.ts';
import { offListReason, type ReadRun } from '../../visit/sheet.ts';
import { goodsNeeded, type Needed, neededFor } from '../needs/needed.ts';
import { STAGE_NAMES, STAGES, type Stage } from '../stages.ts';
import type { RunState } from '../state.ts';

export interface RunSummary {
  stage: Stage | null;
  /** A finding that is not dealt with, or null. */
  finding: Exclude<Finding, 'dry' | 'normal'> | null;
  acceptedId: string | null;
  joints: number;
  joined: number;
  seals: SealId[];
  priceCents: number;
  currency: string | null;
  /** Parts and loose pieces that the accepted chain takes and that still lie on the van, or lack there; none once a joint is made. */
  needs: Record<string, Needed>;
  /** Both ends, where they are known and no chain is accepted yet. */
  ends?: { from: string; to: string; rejoin: string | null };
  /** The stop as it was tried last: the water of the premises is planned with it. */
  stop?: { kind: StopKind; condition: ValveCondition; atMs: number };
  /** Each stage: o open, d done, s skipped. */
  stages: string;
  signedOffMs: number | null;
  /** When it was signed last, though that is in force no more. */
  wasSignedMs: number | null;
  exceptions: number;
  conflicts: number;
  recheck: RunState['recheck'];
  recheckDueMs: number | null;
  offList: string | null;
  unreadable: string | null;
}

/** Of a run on which nothing is recorded yet. */
export const UNTOUCHED: RunSummary = {
  stage: 'look',
  finding: null,
  acceptedId: null,
  joints: 0,
  joined: 0,
  seals: [],
  priceCents: 0,
  currency: null,
  needs: {},
  stages: 'oooooo',
  signedOffMs: null,
  wasSignedMs: null,
  exceptions: 0,
  conflicts: 0,
  recheck: 'none',
  recheckDueMs: null,
  offList: null,
  unreadable: null,
};

export function summaryOf(read: ReadRun): RunSummary {
  const { state } = read;
  if (!state) return { ...UNTOUCHED, unreadable: read.unreadable, offList: offListReason(read) };
  const { accepted, signedOff, joints } = state;
  const joined = joints.filter((j) => j.made).length;
  return {
    stage: state.stage,
    finding: [...joints, ...state.checkPoints].find((t) => t.finding !== null)?.finding ?? null,
    acceptedId: accepted?.entryId ?? null,
    joints: joints.length,
    joined,
    seals: [...new Set(joints.map((j) => j.seal))],
    priceCents: accepted?.chain.priceCents ?? 0,
    currency: accepted?.currency ?? null,
    needs: signedOff || joined > 0 ? {} : { ...(accepted ? neededFor(accepted) : {}), ...goodsNeeded(state.card) },
    ...(!accepted && state.from?.end && state.to?.end ? { ends: { from: state.from.end, to: state.to.end, rejoin: state.rejoin?.end ?? null } } : {}),
    ...(state.stop && state.stop.kind !== 'none' && state.stopTriedMs !== null
      ? { stop: { kind: state.stop.kind, condition: state.stop.condition, atMs: state.stopTriedMs } }
      : {}),
    stages: STAGES.map((stage) => state.stages[stage].state[0]).join(''),
    signedOffMs: signedOff?.atMs ?? null,
    wasSignedMs: signedOff?.atMs ?? state.signOffUndone?.atMs ?? null,
    exceptions: signedOff?.exceptions.length ?? 0,
    conflicts: state.conflicts.length,
    recheck: state.recheck,
    recheckDueMs: signedOff?.recheckDueMs ?? null,
    offList: state.offList,
    unreadable: null,
  };
}

/** When a signed-off run is to be looked at again, milliseconds since 1970; null where nobody waits for that. */
export const recheckWaitsMs = ({ recheck, recheckDueMs }: Pick<RunSummary, 'recheck' | 'recheckDueMs'>): number | null =>
  recheck === 'due' || recheck === 'not dry' ? recheckDueMs : null;

/** Where a run stands, as every list says it: 'to shut', 'damp: see to it', 'signed off'. */
export function standWords({ unreadable, conflicts, finding, stage }: Pick<RunSummary, 'unreadable' | 'conflicts' | 'finding' | 'stage'>): string {
  if (unreadable) return 'cannot be read';
  if (conflicts > 0) return 'to be settled';
  if (finding) return `${finding}: see to it`;
  return stage === null ? 'signed off' : `to ${STAGE_NAMES[stage].toLowerCase()}`;
}
