/** Runs as they might go: worked through mostly in order, by two devices, with what is said wrongly, taken back and refused. */
import { catalogue } from '../../catalog/index.ts';
import { defaultRules, type HouseRules } from '../../core/house/rules.ts';
import { matchChains } from '../../core/match/chains.ts';
import { indexParts } from '../../core/match/search/catalogue-index.ts';
import { BODIES } from '../bodies.testing.ts';
import { type Entry, type EntryKind, kinds } from '../kinds.ts';
import { validate } from '../validate.ts';
import { jointIdsFor } from './joints/joint-place.ts';
import { type AcceptedChain, itemsOf } from './kinds/chain-accepted.ts';
import { runNow } from './run-now.ts';
import { type RunContext, type RunState, runState } from './state.ts';

const shipped = catalogue();
const index = indexParts(shipped.parts);

export const T0 = Date.UTC(2026, 3, 14, 8);

/** What is done, to what, from what. */
const WORKS: { work: RunContext['work']; appliance: string; from: string; to: string; rejoin?: string; water?: 'hot'; need?: object }[] = [
  { work: 'toilet-line', appliance: 'toilet', from: 'comp-3/8-m', to: 'bc-7/8-m' },
  { work: 'stop-replace', appliance: 'toilet', from: 'npt-1/2-m', to: 'bc-7/8-m', need: { stop: true } },
  { work: 'kitchen-faucet', appliance: 'kitchen-faucet', from: 'comp-3/8-m', to: 'comp-3/8-f', water: 'hot' },
  { work: 'bidet-seat', appliance: 'bidet-seat', from: 'bc-7/8-f', to: 'comp-3/8-m', rejoin: 'bc-7/8-m' },
  { work: 'dishwasher-swap', appliance: 'dishwasher', from: 'comp-3/8-m', to: 'ght-3/4-m' },
  { work: 'refrigerator', appliance: 'refrigerator', from: 'comp-3/8-m', to: 'comp-1/4-m', rejoin: 'comp-3/8-f' },
  { work: 'toilet-remove', appliance: 'toilet', from: 'comp-3/8-m', to: 'bc-7/8-m' },
].flatMap((w) => (shipped.workKinds.some((k) => k.id === w.work) ? [w as never] : []));

export interface Walked {
  context: RunContext;
  entries: Entry[];
  /** What was not taken, and by which rule. */
  refused: string[];
}

/** @param chance 0 to 1; the same chance makes the same run */
export function walked(chance: () => number, steps: number): Walked {
  const pick = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)] as T;
  const of = pick(WORKS);
  const rules: HouseRules = {
    ...defaultRules,
    threadSealant: pick(['tape', 'paste']),
    reuse: pick(['never', 'when sound']),
    recheckHours: pick([24, 48]),
  };
  const context: RunContext = {
    runId: '0190a000-0000-7000-8000-000000000003',
    water: of.water ?? 'cold',
    work: of.work,
    appliance: shipped.appliances.find((a) => a.id === of.appliance)!,
    checkPoints: [{ id: '0190a000-0000-7000-8000-0000000000c1', kind: 'stem', name: 'Stop stem' }],
    stepData: shipped.steps,
    parts: shipped.parts,
    loose: shipped.loose,
    look: shipped.look,
    rules,
  };
  const entries: Entry[] = [];
  const refused: string[] = [];
  let minute = 0;
  let made = 0;
  let state: RunState = runState(context, entries);
  const id = () => `0190a000-0000-7000-9000-${String(++made).padStart(12, '0')}`;
  const say = (kind: EntryKind, body: unknown, more: Partial<Entry> = {}) => {
    const device = chance() < 0.85 ? 'a' : 'b';
    const seenAt = new Date(T0 + (minute + (device === 'b' ? -3 : 0)) * 60_000).toISOString();
    const sentAt = new Date(T0 + minute * 60_000).toISOString();
    const entry = {
      id: id(),
      visitId: 'visit',
      runId: context.runId,
      jointId: null,
      checkPointId: null,
      correctsId: null,
      deviceId: device,
      personId: null,
      seq: made,
      seenAt,
      sentAt,
      recordedAt: sentAt,
      ...more,
      kind,
      body,
    } as Entry;
    const now = runNow({ id: context.runId, checkPoints: context.checkPoints, work: context.work }, entries, () => context);
    const no = validate(entry, now, entries);
    if (no) refused.push(`${kind} ${no.rule}: ${no.why}`);
    else {
      entries.push(entry);
      state = runState(context, entries);
    }
    return entry;
  };
  const accept = () => {
    const need = { water: context.water, ...of.need, ...(chance() < 0.5 ? { minLengthIn: pick([9, 16]) } : {}) };
    const asked = { from: of.from, to: of.to, ...(of.rejoin ? { rejoin: of.rejoin } : {}), need };
    const chain = pick(matchChains({ ...asked, parts: index, loose: shipped.loose, k: 3, rules }).chains);
    if (!chain) return;
    const before = entries.filter((e) => e.kind === 'chain-accepted');
    const jointIds = jointIdsFor(
      chain,
      before.map((e) => e.body as AcceptedChain),
      id,
    );
    say('chain-accepted', {
      ...asked,
      rejoin: of.rejoin ?? null,
      chain,
      jointIds,
      rules,
      catalogueVersion: shipped.version,
      items: itemsOf([...chain.parts, ...Object.keys(chain.loose)], shipped),
      currency: 'USD',
      replacesId: chance() < 0.9 ? (before.at(-1)?.id ?? null) : null,
    });
  };
  const target = () => {
    const all = [...state.joints.map((j) => ({ jointId: j.id })), ...state.checkPoints.map((c) => ({ checkPointId: c.id }))];
    return all.length > 0 ? pick(all) : {};
  };
  const look = () => {
    const at = target();
    const begun = say(
      'look-begun',
      { round: pick(['before', 'crack', 'standing', 'working', 'put-back', 'next-day'] as const), method: pick(['eye', 'tissue'] as const) },
      at,
    );
    minute += pick([1, 12, 40, 90]);
    const finding = chance() < 0.85 ? 'dry' : pick(['damp', 'drip', 'running', 'normal'] as const);
    say(
      'look-ended',
      { begunId: begun.id, finding, drops: finding === 'drip' ? 3 : null, elapsedS: chance() < 0.3 ? null : pick([60, 700, 2400]) },
      at,
    );
  };
  const onCard = () => {
    const next = state.card.find((s) => !state.done[s.id]);
    if (!next) return look();
    if (next.gate && chance() < 0.9)
      say('gate-answered', {
        stepId: next.id,
        answer: pick(['yes', 'yes', 'yes', 'no', 'other'] as const),
        note: chance() < 0.5 ? 'a neighbour looked too' : '',
      });
    else if (next.joint && state.joints.some((j) => j.n === next.joint && !j.made)) {
      const joint = state.joints.find((j) => j.n === next.joint)!;
      say('joint-made', { turns24: pick([0, 6, 12, 18, 36]) }, { jointId: joint.id });
    } else say('step-done', { stepId: next.id, done: chance() < 0.95 });
    return undefined;
  };
  const signOff = () => {
    const reason = 'nobody was there to look at it';
    const open = state.open.map((o) => ('stage' in o ? { stage: o.stage, reason } : { targetId: o.targetId, reason }));
    say('signed-off', { targetMlPerDay: 10, recheckHours: rules.recheckHours, exceptions: chance() < 0.85 ? open : open.slice(1) });
  };
  const reopen = () =>
    chance() < 0.7
      ? say('reopened', { reason: 'the owner wants another hose' })
      : say('callback-reported', { finding: pick(['damp', 'drip'] as const), text: 'under the sink' }, target());
  const anything = () => {
    const kind = pick(
      kinds.filter(
        (k) =>
          k.name in BODIES &&
          !['look-begun', 'look-ended', 'signed-off', 'withdrawn', 'listed'].includes(k.name) &&
          (k.name !== 'reopened' || chance() < 0.3),
      ),
    );
    const at = kind.about === 'joint' || kind.about === 'joint or check point' || (kind.about === 'anything' && chance() < 0.5) ? target() : {};
    say(kind.name, BODIES[kind.name as keyof typeof BODIES], at);
  };
  const again = () => {
    const wrong = entries.length > 0 ? pick(entries) : null;
    if (!wrong) return;
    if (chance() < 0.6) say('withdrawn', { reason: 'pressed at the wrong joint' }, { correctsId: wrong.id });
    else say(wrong.kind, wrong.body, { jointId: wrong.jointId, checkPointId: wrong.checkPointId, correctsId: wrong.id });
  };
  say('end-seen', { side: 'from', end: of.from, how: pick(['seen', 'told'] as const) });
  say('end-seen', { side: 'to', end: chance() < 0.9 ? of.to : 'comp-1/4-m', how: 'seen' });
  say('stop-tried', {
    kind: pick(['quarter-turn', 'multi-turn', 'gate', 'saddle', 'none'] as const),
    condition: pick(['works', 'passes', 'weeps', 'unknown'] as const),
  });
  if (chance() < 0.6) say('old-line-judged', { verdict: pick(['keep', 'replace'] as const), findings: chance() < 0.5 ? ['kinked'] : [] });
  if (chance() < 0.5)
    say('place-seen', {
      hidden: chance() < 0.3,
      ownStop: chance() < 0.3,
      arrestor: chance() < 0.3,
      ...(chance() < 0.2 ? { afterOsmosis: true } : {}),
    });
  while (made < steps) {
    minute += pick([0, 1, 2, 5]);
    const what = chance();
    if (!state.accepted && what < 0.5) accept();
    else if (state.signedOff && chance() < 0.4) reopen();
    else if (what < 0.5) onCard();
    else if (what < 0.68) look();
    else if (what < 0.76) anything();
    else if (what < 0.82) again();
    else if (what < 0.86 && made > steps / 2) signOff();
    else if (what < 0.88) accept();
    else if (what < 0.9) say('stage-skipped', { stage: pick(['shut', 'make', 'prove'] as const), reason: 'main shut by the house' });
    else {
      const wet = [...state.joints, ...state.checkPoints].find((t) => t.finding !== null);
      const at = wet ? (state.joints.some((j) => j.id === wet.id) ? { jointId: wet.id } : { checkPointId: wet.id }) : target();
      say('remedied', { action: pick(['nudge', 'remake', 'open-and-look'] as const), turns24: pick([0, 3]), movedJointIds: [] }, at);
    }
  }
  return { context, entries, refused };
}
