/** A small run for tests: a toilet, two hoses that fit it, a card of five steps. */
import { defaultRules } from '../../core/house/rules.ts';
import type { Appliance } from '../../core/index.ts';
import type { StepTemplate } from '../../core/make/step-data.ts';
import { matchChains } from '../../core/match/chains.ts';
import type { Part } from '../../core/match/part.ts';
import { type AcceptedChain, itemsOf } from './kinds/chain-accepted.ts';
import { NO_LOOK } from './seen/survey.ts';
import type { RunContext } from './state.ts';

const hose = (id: string, lengthIn: number): Part => ({
  id,
  name: `braided connector, ${lengthIn} in`,
  kind: 'connector',
  ends: [
    { id: 'a', code: 'comp-3/8-f', port: 'either' },
    { id: 'b', code: 'bc-7/8-f', port: 'either' },
  ],
  flexible: true,
  cutToLength: false,
  lengthIn,
  waters: ['cold'],
  maxPsi: 125,
  maxF: 140,
  potable: true,
  priceCents: 700,
  minutes: 4,
  tags: ['line:flexible'],
});

/** The first is the usual one. */
export const HOSES: readonly Part[] = [hose('hose', 16), hose('long hose', 20)];

const step = (id: string, stage: StepTemplate['stage'], order: number, more: Partial<StepTemplate> = {}): StepTemplate => ({
  id,
  stage,
  order,
  each: 'run',
  when: {},
  title: id,
  detail: id,
  cautions: [],
  because: id,
  source: 'test',
  ...more,
});

const toilet = {
  id: 'toilet',
  name: 'toilet (tank)',
  water: ['cold'],
  usualInletEnds: ['bc-7/8-m'],
  moves: false,
  powered: false,
  avoid: [],
  usualNeeds: [],
  minBoreIn: 0.15,
} as unknown as Appliance;

export const CONTEXT: RunContext = {
  runId: 'run',
  water: 'cold',
  work: 'toilet-line',
  appliance: toilet,
  checkPoints: [{ id: 'stem', kind: 'stem', name: 'Stop stem' }],
  stepData: [
    step('shut-stop', 'shut', 10),
    step('shut-dead', 'shut', 20, { gate: 'Is it dead?' }),
    step('old-off', 'make', 5, { opens: true }),
    step('joint-screw', 'make', 10, { each: 'joint', title: '{joint}' }),
    step('only-flexible', 'make', 20, { when: { partTag: ['line:flexible'] } }),
  ],
  parts: [...HOSES],
  look: NO_LOOK,
};

/** A chain by one of the hoses, accepted; its joints are `j1` and `j2`. */
export function acceptedOf(part: Part, replacesId: string | null): AcceptedChain {
  const [chain] = matchChains({ from: 'comp-3/8-m', to: 'bc-7/8-m', parts: [part], need: { water: 'cold' } }).chains;
  return {
    from: 'comp-3/8-m',
    to: 'bc-7/8-m',
    rejoin: null,
    need: { water: 'cold' },
    chain: chain!,
    jointIds: ['j1', 'j2'],
    rules: defaultRules,
    catalogueVersion: 'v',
    items: itemsOf([part.id], { parts: [part], loose: [] }),
    currency: 'USD',
    replacesId,
  };
}
