/** Joints of runs, and what they are like: by that their callbacks are counted. */
import { createHash } from 'node:crypto';
import { HOUSE_CHOICES } from '../../core/index.ts';
import { type JointState, placesOf, type RunState } from '../../record/index.ts';
import type { Tx } from '../database/index.ts';
import type { DerivedRun } from './derived.ts';

/** Writes the joints of runs' chains in force anew. */
export async function keepJoints(tx: Tx, shopId: string, derived: DerivedRun[]): Promise<void> {
  await tx`
    delete from derived_joint j using unnest(${derived.map((d) => d.visitId)}::uuid[], ${derived.map((d) => d.read.run.id)}::uuid[]) as now (visit_id, run_id)
    where j.shop_id = ${shopId} and j.visit_id = now.visit_id and j.run_id = now.run_id`;
  const found = derived.flatMap((d) => jointsOf(shopId, d));
  if (found.length === 0) return;
  const alike = [...new Map(found.map((j) => [j.like.alike, j.like])).values()];
  await tx`insert into joint_alike ${tx(alike.map((l) => ({ ...l, shop_id: shopId, rules: tx.json(l.rules) })) as never)} on conflict (shop_id, alike) do nothing`;
  await tx`insert into derived_joint ${tx(found.map((j) => j.row) as never)}`;
}

function jointsOf(shopId: string, { visitId, read: { run, state }, upTo }: DerivedRun) {
  if (!state?.accepted) return [];
  const { accepted } = state;
  const places = placesOf(accepted);
  const rules = Object.fromEntries(Object.keys(HOUSE_CHOICES).map((key) => [key, accepted.rules[key as keyof typeof HOUSE_CHOICES]]));
  return state.joints.map((j, i) => {
    // 'a part 2': the second of its kind.
    const parts = places[i]!.parts.flatMap((p) => (p === null ? [] : [p.replace(/ \d+$/, '')]));
    const like = likeOf(j, { kind: run.applianceKind, sealant: accepted.chain.joints[i]!.mating.sealant, parts, rules });
    return { like, row: jointRow(j, { shopId, visitId, runId: run.id, upTo, alike: like.alike, calledAt: calledAt(state, j.id) }) };
  });
}

const jointRow = (j: JointState, of: { shopId: string; visitId: string; runId: string; upTo: number; alike: string; calledAt: Date | null }) => ({
  shop_id: of.shopId,
  visit_id: of.visitId,
  run_id: of.runId,
  joint_id: j.id,
  up_to: of.upTo,
  n: j.n,
  seal: j.seal,
  made: j.made,
  turns24: j.turns24,
  finding: j.finding,
  ml_per_day: j.mlPerDay,
  proven: j.proven,
  alike: of.alike,
  made_at: j.madeMs === null ? null : new Date(j.madeMs),
  called_at: of.calledAt,
});

function likeOf({ seal, turns24 }: JointState, more: { kind: string; sealant: string | null; parts: string[]; rules: Record<string, string> }) {
  const like = { ...more, seal, turns24 };
  // The same is the same number everywhere; two of a shop's some thousands agree by chance once in a million million shops.
  const alike = createHash('sha256').update(JSON.stringify(like)).digest().readBigInt64BE(0).toString();
  return { ...like, alike };
}

/** When it first came back; a leak that nobody laid to a joint is not counted at one. */
function calledAt({ callbacks }: RunState, jointId: string): Date | null {
  const own = callbacks.filter((c) => c.targetId === jointId).map((c) => c.atMs);
  return own.length > 0 ? new Date(Math.min(...own)) : null;
}
