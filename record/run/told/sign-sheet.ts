/** What a run is signed off with: joints and turns, evidence, what was used again, what departs from the usual, what is hidden, rinsed, due next. */

import { type Method, monthsAfter, ROUNDS, type Round, sealById, type TaskId, type TaskRow, tasksOf, writeTurns } from '../../../core/index.ts';
import { localDayOf } from '../../visit/day.ts';
import { SAFETY_DEVICES } from '../kinds/safety-tried.ts';
import { STAGE_NAMES, STAGES } from '../stages.ts';
import type { RunState } from '../state.ts';
import { taskFactsOf } from '../task-facts.ts';
import { noiseCompared } from './noises.ts';
import { recheckWaitsMs } from './summary.ts';

/** A round in which a joint was watched. */
export interface Evidence {
  round: Round;
  name: string;
  state: 'dry' | 'damp' | 'drip' | 'running';
  /** How it was looked at. */
  methods: Method[];
  minutes: number;
  /** Largest leak that is still possible at 95 %, mL a day; null where the round bounds none. */
  mlPerDay: number | null;
}

export interface SignedJoint {
  id: string;
  label: string;
  /** 'stop · braided connector' */
  between: string;
  /** '' for a check point. */
  seal: string;
  /** '3/4 turn', 'not screwed', 'not made'; '' for a check point. */
  turns: string;
  evidence: Evidence[];
  finding: string | null;
  proven: boolean;
  /** Smallest bound over its rounds, mL a day. */
  mlPerDay: number | null;
  /** A joint of the drain stands under no pressure: it stays dry while it works, or it does not. */
  isDrain: boolean;
}

export interface SignSheet {
  joints: SignedJoint[];
  /** Parts found in place that go on. */
  reused: string[];
  /** What departs from the usual, each with its reason. */
  departures: { what: string; reason: string }[];
  /** Joints that a wall or floor will hide. */
  hidden: string[];
  /** Whether the line was rinsed; null where the work asks for no rinse. */
  rinsed: boolean | null;
  /** Safety devices as they were tried, and the noise before and after. */
  tried: string[];
  /** What comes due, soonest first: local days at the premises. */
  next: { on: string; what: string; duty: TaskId | 'recheck' }[];
}

export interface TaskRules {
  rows: TaskRow[];
  /** Months between two, by what a duty goes by. */
  months: Record<string, number>;
}

export function signSheetOf(state: RunState, appliance: string, duties: TaskRules, timeZone: string): SignSheet {
  return {
    joints: [...state.joints.map(jointOf), ...state.checkPoints.map(checkPointOf)],
    reused: reusedOf(state),
    departures: departuresOf(state),
    hidden: state.place.hidden ? state.joints.map((j) => j.label) : [],
    rinsed: rinsedOf(state),
    tried: triedOf(state),
    next: nextOf(state, appliance, duties, timeZone),
  };
}

function jointOf(j: RunState['joints'][number]): SignedJoint {
  return {
    id: j.id,
    label: j.label,
    between: `${j.a} · ${j.b}`,
    seal: sealById(j.seal).shortName,
    turns: !j.made ? 'not made' : j.budget ? writeTurns(j.turns24) : 'not screwed',
    ...proofPart(j),
    isDrain: false,
  };
}

const checkPointOf = (c: RunState['checkPoints'][number]): SignedJoint => ({
  id: c.id,
  label: c.label,
  between: c.drain?.what ?? '',
  seal: '',
  turns: '',
  ...proofPart(c),
  isDrain: c.drain !== undefined,
});

const proofPart = ({ byRound, finding, proven, mlPerDay }: RunState['joints'][number] | RunState['checkPoints'][number]) => ({
  evidence: ROUNDS.flatMap(({ id, name }): Evidence[] => {
    const mark = byRound[id];
    return mark ? [{ round: id, name, state: mark.state, methods: mark.methods, minutes: mark.minutes, mlPerDay: mark.mlPerDay }] : [];
  }),
  finding,
  proven,
  mlPerDay,
});

function reusedOf({ survey, oldLine }: RunState): string[] {
  const seen = Object.values(survey.reuse).map((r) => {
    const told = [...r.holds, ...r.fails.map((f) => `not: ${f}`)];
    return `${r.what.replaceAll('-', ' ')}${told.length > 0 ? ` (${told.join(', ')})` : ''}`;
  });
  return oldLine?.verdict === 'keep' ? [...seen, 'the line that was there'] : seen;
}

function departuresOf(state: RunState): SignSheet['departures'] {
  const labels = new Map([...state.joints, ...state.checkPoints].map((t) => [t.id, t.label]));
  const changed = state.needChanges.map((c) => ({
    what: `Asked of this run: ${c.id.replaceAll('-', ' ')}${c.to === null ? ' left out' : ` ${c.to}`}`,
    reason: c.because,
  }));
  const skipped = STAGES.flatMap((s) => {
    const stage = state.stages[s];
    return stage.state === 'skipped' && !state.signedOff?.exceptions.some((e) => 'stage' in e && e.stage === s)
      ? [{ what: `${STAGE_NAMES[s]} skipped`, reason: stage.reason ?? '' }]
      : [];
  });
  const open = (state.signedOff?.exceptions ?? []).map((e) => ({
    what: 'stage' in e ? `${STAGE_NAMES[e.stage]} open at the sign-off` : `${labels.get(e.targetId) ?? 'A joint'} not proven at the sign-off`,
    reason: e.reason,
  }));
  return [...changed, ...skipped, ...open];
}

function rinsedOf({ card, done }: RunState): boolean | null {
  const steps = card.filter((s) => s.acts.some((a) => a.do === 'rinse'));
  return steps.length === 0 ? null : steps.every((s) => done[s.id]);
}

function triedOf({ safety, survey, noiseAfter }: RunState): string[] {
  const devices = safety.map(
    ({ body: b }) =>
      `${SAFETY_DEVICES[b.device]}: ${b.held ? 'it stopped the water' : 'it did not stop the water'}${b.seconds === null ? '' : ` after ${Math.round(b.seconds)} s`}${typeof b.spares === 'number' ? `, ${b.spares} spare insert${b.spares === 1 ? '' : 's'} by it` : ''}.`,
  );
  const noise = noiseCompared(survey.baseline?.noise, noiseAfter);
  return noise ? [...devices, noise.words] : devices;
}

function nextOf(state: RunState, appliance: string, { rows, months }: TaskRules, timeZone: string): SignSheet['next'] {
  const againMs = recheckWaitsMs({ recheck: state.recheck, recheckDueMs: state.signedOff?.recheckDueMs ?? null });
  const facts = taskFactsOf(state, appliance);
  const own = (facts ? tasksOf(facts, rows) : []).flatMap((duty): SignSheet['next'] => {
    const every = months[duty.goesBy];
    const todo = rows.find((r) => r.id === duty.id)!.todo;
    return every === undefined ? [] : [{ on: monthsAfter(localDayOf(duty.sinceMs, timeZone), every), what: `${todo}: ${duty.what}`, duty: duty.id }];
  });
  const again: SignSheet['next'] = againMs === null ? [] : [{ on: localDayOf(againMs, timeZone), what: 'Look at the joints again', duty: 'recheck' }];
  return [...again, ...own].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}
