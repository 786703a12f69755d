/** The steps that work cards are composed from, checked on reading. */
import { z } from 'zod';
import {
  ACT_VERBS,
  CHAIN_FIGURES,
  checkSteps,
  type DrainJoint,
  FACTS,
  figuresOf,
  type Reckoning,
  type Recovery,
  ROUNDS,
  type Round,
  StepDataError,
  type StepMeasure,
  type StepTemplate,
  type WorkKind,
  type WorkKindId,
  withRecoveries,
  workKinds,
} from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';
import { readHoleSizes } from './reach.ts';
import dishwasher from './steps/dishwasher.json' with { type: 'json' };
import faucet from './steps/faucet.json' with { type: 'json' };
import firstCards from './steps/first-cards.json' with { type: 'json' };
import hydrant from './steps/hydrant.json' with { type: 'json' };
import joints from './steps/joints.json' with { type: 'json' };
import leak from './steps/leak.json' with { type: 'json' };
import line from './steps/line.json' with { type: 'json' };
import machines from './steps/machines.json' with { type: 'json' };
import measureRows from './steps/measures.json' with { type: 'json' };
import moving from './steps/moving.json' with { type: 'json' };
import power from './steps/power.json' with { type: 'json' };
import reckoningRows from './steps/reckonings.json' with { type: 'json' };
import recoveryRows from './steps/recoveries.json' with { type: 'json' };
import refrigerator from './steps/refrigerator.json' with { type: 'json' };
import rounds from './steps/rounds.json' with { type: 'json' };
import solder from './steps/solder.json' with { type: 'json' };
import stops from './steps/stops.json' with { type: 'json' };
import toilet from './steps/toilet.json' with { type: 'json' };
import tub from './steps/tub.json' with { type: 'json' };
import water from './steps/water.json' with { type: 'json' };

/** Steps by what they are about; those of the first cards stand by themselves. */
const THEMES = [power, water, moving, line, solder, joints, rounds, toilet, faucet, dishwasher, refrigerator, machines, hydrant, tub, stops, leak];
/** The card that the themes came with; cards before it keep theirs. */
const SINCE = 3;

const texts = z.array(z.string()).optional();
const yesNo = z.boolean().optional();
const verb = z.enum(ACT_VERBS);
const fact = z.enum(FACTS);
const work = z.array(z.enum(workKinds.map((k) => k.id) as [WorkKindId, ...WorkKindId[]])).optional();
const wanted = z.array(z.strictObject({ what: z.string().min(1), size: z.string().optional(), for: z.string().min(1) })).optional();

const drainSeal = z
  .object({ id: z.string(), name: z.string().min(1), looked_at: z.string().min(1), remedy: z.string().min(1) })
  .transform((r) => ({ id: r.id, name: r.name, lookedAt: r.looked_at, remedies: r.remedy.split('; ') }));

/** How the joints of drains seal, by their ids. */
let drainSeals: Map<string, z.output<typeof drainSeal>> | null = null;

/** @throws StepDataError for a seal that is none */
function drainJoint({ on, what, seal }: { on: string; what: string; seal: string }): DrainJoint {
  drainSeals ??= new Map(readCsv('drain-seals.csv', dataFile('drain-seals.csv'), drainSeal).map((s) => [s.id, s]));
  const found = drainSeals.get(seal);
  if (!found) throw new StepDataError(`drain joint ${on}`, seal, 'There is no such seal in drain-seals.csv.');
  const { name, lookedAt, remedies } = found;
  return { on, what, seal, name, lookedAt, remedies };
}

const measure: z.ZodType<StepMeasure> = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  name: z.string().min(1),
  usualIn: z.number().nonnegative().optional(),
  source: z.string().min(1),
});
const named = { id: z.string().regex(/^[a-z0-9-]+$/), title: z.string().min(1), source: z.string().min(1) };
const sum = { of: z.array(z.strictObject({ figure: z.string(), times: z.number().optional() })), plus: z.number().optional() };
const said = z.string().min(1).optional();
const bound = z.strictObject(sum).optional();
const inches = z.number().nonnegative();
const reckoning = z.discriminatedUnion('how', [
  z.strictObject({
    ...named,
    how: z.literal('sum'),
    ...sum,
    atLeast: bound,
    atMost: bound,
    advises: yesNo,
    within: said,
    low: said,
    high: said,
    right: said,
  }),
  z
    .strictObject({ ...named, how: z.literal('hole'), passes: z.array(z.string()).min(1) })
    .transform((r) => ({ ...r, sizes: readHoleSizes().map(({ diameterIn, tool }) => ({ diameterIn, tool })) })),
  z.strictObject({
    ...named,
    how: z.literal('riser'),
    rise: z.string(),
    offset: z.string(),
    insertBelowIn: inches,
    insertAboveIn: inches,
    straightBelowIn: inches,
    straightAboveIn: inches,
    bendRadiusIn: z.number().positive(),
  }),
]);

/** Rows that steps name by their id. */
let figureRows: { measures: Map<string, StepMeasure>; reckonings: Map<string, Reckoning> } | null = null;

function figures() {
  const byId = <T extends { id: string }>(rows: T[]) => new Map(rows.map((r) => [r.id, r]));
  figureRows ??= { measures: byId(z.array(measure).parse(measureRows)), reckonings: byId(z.array(reckoning).parse(reckoningRows)) };
  return figureRows;
}

/** @throws StepDataError for an id that is none */
function rowOf<T>(rows: Map<string, T>, id: string, file: string): T {
  const row = rows.get(id);
  if (row === undefined) throw new StepDataError(`figure ${id}`, id, `There is no such row in ${file}.`);
  return row;
}

const when = z.strictObject({
  work,
  notWork: work,
  is: z.array(fact).optional(),
  not: z.array(fact).optional(),
  appliance: texts,
  water: z.array(z.enum(['cold', 'hot'])).optional(),
  stopKind: texts,
  stopCondition: texts,
  seal: texts as never,
  partTag: texts,
  oldLine: z.array(z.enum(['none', 'keep', 'replace', 'not judged'])).optional(),
  rule: z.record(z.string(), z.string()).optional(),
  hidden: yesNo,
  partKind: texts,
  applianceMoves: yesNo,
  powered: yesNo,
  solenoid: yesNo,
  rejoins: yesNo,
  reused: yesNo,
  loose: texts,
  last: yesNo,
  newStop: yesNo,
  flushes: yesNo,
  afterOsmosis: yesNo,
  stopHolds: yesNo,
});

export const stepTemplate: z.ZodType<StepTemplate> = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  stage: z.enum(['shut', 'make', 'prove', 'log']),
  /** Of the first card that has it: asked of every row, for a card that was accepted before must not change. */
  since: z.number('wants the version of the first card that has it').int().positive(),
  until: z.number().int().positive().optional(),
  round: z.enum(ROUNDS.map((r) => r.id) as [Round, ...Round[]]).optional(),
  order: z.number(),
  each: z.enum(['run', 'joint', 'part', 'cap']),
  when,
  acts: z
    .array(
      z.strictObject({
        do: verb,
        on: z.string().optional(),
        each: z.enum(['joint', 'soldered']).optional(),
        water: z.literal('other').optional(),
        if: fact.optional(),
        unless: fact.optional(),
      }),
    )
    .optional(),
  after: texts,
  before: texts,
  again: yesNo,
  where: z.string().optional(),
  opens: yesNo,
  title: z.string().min(1),
  detail: z.string().min(1),
  tool: z.string().optional(),
  tools: wanted,
  materials: wanted,
  people: z.number().int().min(2).optional(),
  minutes: z.number().positive().optional(),
  timerS: z.number().int().positive().optional(),
  drains: z.array(z.strictObject({ on: z.string().regex(/^D\d$/), what: z.string().min(1), seal: z.string() }).transform(drainJoint)).optional(),
  figures: texts,
  measures: z.array(z.string().transform((id) => rowOf(figures().measures, id, 'measures.json'))).optional(),
  reckons: z.array(z.string().transform((id) => rowOf(figures().reckonings, id, 'reckonings.json'))).optional(),
  gate: z.string().optional(),
  cautions: z.array(z.union([z.string().min(1), z.strictObject({ if: fact, text: z.string().min(1) })])),
  because: z.string().min(1),
  source: z.string().min(1),
});

const recovery: z.ZodType<Recovery> = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  at: z.array(verb).min(1),
  when,
  title: z.string().min(1),
  steps: z.array(z.string().min(1)).min(1),
  source: z.string().min(1),
});

/**
 * All rows, those of the first cards until the themes came.
 *
 * @throws StepDataError naming the steps that cannot work together
 */
export function readSteps(kinds: readonly WorkKind[], appliances: readonly string[]): StepTemplate[] {
  const before = z
    .array(stepTemplate)
    .parse(firstCards)
    .map((t) => ({ ...t, until: t.until ?? SINCE - 1 }));
  const themed = z.array(stepTemplate).parse(THEMES.flat());
  const steps = [...before, ...withRecoveries(themed, z.array(recovery).parse(recoveryRows))];
  checkSteps(steps, kinds, appliances);
  checkFigures();
  return steps;
}

/** Every figure that is reckoned with is measured, read off a sheet, or given by the chain. */
function checkFigures(): void {
  const sheet = readCsv('sheet-figures.csv', dataFile('sheet-figures.csv'), z.object({ id: z.string() })).map((r) => r.id);
  const known = new Set([...figures().measures.keys(), ...sheet, ...CHAIN_FIGURES]);
  for (const row of figures().reckonings.values()) {
    const missing = figuresOf(row).find((id) => !known.has(id));
    if (missing) throw new StepDataError(`reckoning ${row.id}`, missing, 'Nobody measures it, no sheet brings it, no chain gives it.');
  }
}
