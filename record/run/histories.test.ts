/** Random histories of two devices: whatever they do, in whatever order it arrives, no state says what the rules forbid. HISTORIES=2000 for the long run. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import fc from 'fast-check';
import { effective, resolved } from '../effective.ts';
import { happenedAt, targetOf } from '../entry.ts';
import type { Bodies, Entry, EntryKind } from '../kinds.ts';
import { validate } from '../validate.ts';
import { acceptances, historyOf } from './history.ts';
import { jointIdsFor, placesOf, sharesEnd, sharesPart } from './joints/joint-place.ts';
import { runNow } from './run-now.ts';
import { type RunState, runState } from './state.ts';
import { acceptedOf, CONTEXT, HOSES } from './testing.ts';

const MANY = Number(process.env.HISTORIES ?? 200);
const T0 = Date.UTC(2026, 2, 10, 9);

/** Two devices, one with its clock an hour fast, that draw what they do from a list of numbers. */
class Shop {
  readonly entries: Entry[] = [];
  private readonly seqs = new Map<string, number>();
  private minute = 0;
  private readonly draws: number[];
  constructor(draws: number[]) {
    this.draws = [...draws].reverse();
  }

  get isOver(): boolean {
    return this.draws.length === 0;
  }

  draw(below: number): number {
    return (this.draws.pop() ?? 0) % below;
  }

  /** As the server does: refused where a rule says so, else kept. */
  write<K extends EntryKind>(
    device: string,
    kind: K,
    body: Bodies[K],
    more: { jointId?: string; checkPointId?: string; correctsId?: string } = {},
  ): unknown {
    this.minute += this.draw(7);
    const trueMs = T0 + this.minute * 60_000;
    const at = (ms: number) => new Date(ms).toISOString();
    const seen = at(trueMs + (device === 'tablet' ? 3_600_000 : 0));
    const seq = (this.seqs.get(device) ?? 0) + 1;
    const ids = { jointId: more.jointId ?? null, checkPointId: more.checkPointId ?? null, correctsId: more.correctsId ?? null };
    const id = `${device}-${String(seq).padStart(3, '0')}`;
    const entry = {
      id,
      visitId: 'visit',
      runId: 'run',
      ...ids,
      deviceId: device,
      seq,
      seenAt: seen,
      sentAt: seen,
      recordedAt: at(trueMs),
      kind,
      body,
    } as Entry;
    const now = runNow({ id: 'run', work: 'toilet-line', checkPoints: CONTEXT.checkPoints }, this.entries, () => CONTEXT);
    if (validate(entry, now, this.entries)) return null;
    this.seqs.set(device, seq);
    return this.entries.push(entry);
  }

  state = (): RunState => runState(CONTEXT, this.entries);
}

/** Something that one of the devices does next. */
function act(shop: Shop): unknown {
  const device = ['phone', 'tablet'][shop.draw(2)]!;
  const pick = <T>(list: readonly T[]): T => list[shop.draw(list.length)]!;
  const reason = pick(['pressed at the wrong joint', 'the owner wants it so', 'x']);
  const { entries } = shop;
  const chains = acceptances(historyOf(entries, 'run'));
  const inForce = chains.at(-1);
  const joints = chains.flatMap((c) => c.body.jointIds);
  const target = () => (shop.draw(5) === 0 ? { checkPointId: 'stem' } : { jointId: pick(joints) });
  const begun = () => pick(entries.filter((e) => e.kind === 'look-begun'));
  const what = shop.draw(17);
  if (what === 0) return shop.write(device, 'end-seen', { side: pick(['from', 'to'] as const), end: pick(['comp-3/8-m', 'bc-7/8-m']), how: 'seen' });
  if (what === 1) return shop.write(device, 'stop-tried', { kind: 'quarter-turn', condition: 'works' });
  if (what === 2 || !inForce) {
    const accepted = acceptedOf(pick(HOSES), pick([inForce?.id ?? null, inForce?.id ?? null, null]));
    const bodies = chains.map((c) => c.body);
    return shop.write(device, 'chain-accepted', {
      ...accepted,
      jointIds: jointIdsFor(accepted.chain, bodies, () => `j${entries.length}-${shop.draw(1e9)}`),
    });
  }
  if (what === 3) return shop.write(device, 'gate-answered', { stepId: 'shut-dead', answer: pick(['yes', 'yes', 'no']), note: '' });
  if (what === 4) return shop.write(device, 'step-done', { stepId: pick(['shut-stop', 'old-off', 'only-flexible']), done: shop.draw(4) > 0 });
  if (what === 5 || what === 6) return shop.write(device, 'joint-made', { turns24: shop.draw(24) }, { jointId: pick(inForce.body.jointIds) });
  if (what === 7 || what === 8)
    return shop.write(device, 'look-begun', { round: pick(['before', 'crack', 'standing', 'working', 'next-day']), method: 'tissue' }, target());
  if ((what === 9 || what === 10) && entries.some((e) => e.kind === 'look-begun')) {
    const look = begun();
    const at = look.jointId ? { jointId: look.jointId } : { checkPointId: look.checkPointId! };
    return shop.write(
      device,
      'look-ended',
      { begunId: look.id, finding: pick(['dry', 'dry', 'dry', 'damp', 'normal']), drops: null, elapsedS: 60 * (shop.draw(40) + 1) },
      at,
    );
  }
  if (what === 11)
    return shop.write(device, 'remedied', { action: 'nudge', turns24: 3, movedJointIds: shop.draw(2) ? [pick(joints)] : [] }, target());
  if (what === 12) {
    const open = shop.draw(5) === 0 ? [] : shop.state().open;
    const exceptions = open.map((o) => ('stage' in o ? { stage: o.stage, reason } : { targetId: o.targetId, reason }));
    return shop.write(device, 'signed-off', { targetMlPerDay: 10, recheckHours: 24, exceptions });
  }
  if (what === 13) return shop.write(device, 'reopened', { reason });
  if (what === 14) return shop.write(device, 'stage-skipped', { stage: pick(['look', 'shut', 'make', 'prove'] as const), reason });
  if (what === 15) return shop.write(device, 'withdrawn', { reason }, { correctsId: pick(entries).id });
  const wrong = pick(entries);
  const target2 = wrong.jointId ? { jointId: wrong.jointId } : wrong.checkPointId ? { checkPointId: wrong.checkPointId } : {};
  const body = wrong.kind === 'joint-made' ? { turns24: 5 } : wrong.kind === 'look-ended' ? { ...wrong.body, finding: 'damp' as const } : wrong.body;
  return shop.write(device, wrong.kind, body as never, { ...target2, correctsId: wrong.id });
}

/** Looks that count at a joint, by going through everything that could have touched it: slow, and written apart from the fold. */
function countedByHand(entries: Entry[], jointId: string): Set<string> {
  const log = effective(entries);
  const places = new Map(acceptances(historyOf(entries, 'run')).flatMap((c) => placesOf(c.body).map((p, i) => [c.body.jointIds[i]!, p] as const)));
  const own = places.get(jointId)!;
  const isFirst = (e: Entry) => log.find((o) => o.kind === 'joint-made' && o.jointId === e.jointId)?.id === e.id;
  const touches = (e: Entry): boolean => {
    if (e.kind === 'remedied') return e.jointId === jointId || e.body.movedJointIds.includes(jointId);
    if (e.kind !== 'joint-made') return false;
    if (e.jointId === jointId) return true;
    const place = places.get(e.jointId!);
    return place !== undefined && (sharesEnd(place, own) || (isFirst(e) && sharesPart(place, own)));
  };
  const last = log.findLastIndex(touches);
  return new Set(
    log.flatMap((e, i) => {
      if (e.kind !== 'look-ended' || e.jointId !== jointId) return [];
      const from = log.findIndex((b) => b.id === e.body.begunId);
      return from > last && i > from ? [e.id] : [];
    }),
  );
}

function forbidden(shop: Shop): string | null {
  const { entries } = shop;
  const state = shop.state();
  const { stages, signedOff, joints, open } = state;
  if (stages.make.state === 'done' && stages.shut.state === 'open') return 'made before the water was dead, and called done';
  for (const step of state.card.filter((s) => s.stage === 'make' && s.opens)) {
    if (state.done[step.id] && stages.shut.state === 'open') return `${step.id} done before its gate`;
  }
  if ((signedOff !== null) !== (stages.log.state === 'done')) return 'Log and the sign-off disagree';
  if (signedOff) {
    const names = new Set(signedOff.exceptions.map((e) => ('stage' in e ? e.stage : e.targetId)));
    const later = new Set(entries.filter((e) => e.kind === 'look-begun' && e.body.round === 'next-day').map(targetOf));
    const silent = open.filter((o) => ('stage' in o ? !names.has(o.stage) : !names.has(o.targetId) && !names.has('prove') && !later.has(o.targetId)));
    if (silent.length > 0) return `signed with ${silent.map((o) => o.label)} open and no reason`;
    if (signedOff.exceptions.some((e) => e.reason === 'x')) return 'a reason that is none';
  }
  if (stages.prove.state === 'done' && joints.some((j) => !j.proven)) return 'proven, with a joint that is not';
  for (const joint of joints) {
    if (joint.proven && !joint.made) return `${joint.label} proven and not made`;
    const counted = countedByHand(entries, joint.id);
    const minutes = Object.values(joint.byRound).reduce((sum, r) => sum + r.minutes, 0);
    if (counted.size === 0 && minutes > 0) return `${joint.label}: a look counted across a move`;
    const most = [...counted].reduce(
      (sum, id) => sum + (entries.find((e) => e.id === id || e.correctsId === id) as { body: { elapsedS: number } }).body.elapsedS / 60,
      0,
    );
    if (minutes > most + 1e-6) return `${joint.label}: ${minutes} min counted of ${most}`;
  }
  return null;
}

describe('random histories', () => {
  it(`${MANY} of them: nothing that the rules forbid, and the same state in whatever order they arrive`, () => {
    const met = new Map<string, number>();
    const draws = fc.array(fc.nat(1e9), { minLength: 150, maxLength: 420, size: 'max' });
    fc.assert(
      fc.property(draws, fc.array(fc.nat(1e9), { minLength: 20, maxLength: 20 }), (list, order) => {
        const shop = new Shop(list);
        while (!shop.isOver) act(shop);
        const wrong = forbidden(shop);
        assert.equal(wrong, null, wrong ?? '');
        const mixed = [...shop.entries].sort(
          (a, b) =>
            ((happenedAt(a) * 7 + order[a.id.length % 20]! * a.id.charCodeAt(a.id.length - 1)) % 1013) -
            ((happenedAt(b) * 7 + order[b.id.length % 20]! * b.id.charCodeAt(b.id.length - 1)) % 1013),
        );
        const state = shop.state();
        assert.deepEqual(runState(CONTEXT, mixed), state);
        for (const s of [
          state.signedOff && 'signed',
          state.signOffUndone && 'undone',
          state.conflicts[0]?.what,
          state.joints.some((j) => j.proven) && 'proven',
          resolved(shop.entries).some((f) => f.withdrawnBy) && 'withdrawn',
          state.stages.shut.state,
        ])
          if (s) met.set(s, (met.get(s) ?? 0) + 1);
      }),
      { numRuns: MANY, seed: 8, includeErrorInReport: true },
    );
    // What is promised of them was put to the test.
    for (const what of ['signed', 'undone', 'chain', 'finding', 'withdrawn', 'done', 'open', 'skipped']) assert.ok((met.get(what) ?? 0) > 0, what);
  });
});
