/** The steps that work cards are composed from, checked on reading. */
import { z } from 'zod';
import type { StepTemplate } from '../core/make/step-data.ts';
import { ROUNDS, type Round } from '../core/prove/method.ts';
import steps from './data/steps.json' with { type: 'json' };

const texts = z.array(z.string()).optional();

export const stepTemplate: z.ZodType<StepTemplate> = z.strictObject({
  id: z.string().regex(/^[a-z0-9-]+$/),
  stage: z.enum(['shut', 'make', 'prove', 'log']),
  since: z.number().int().positive().optional(),
  until: z.number().int().positive().optional(),
  round: z.enum(ROUNDS.map((r) => r.id) as [Round, ...Round[]]).optional(),
  order: z.number().int(),
  each: z.enum(['run', 'joint', 'part', 'cap']),
  when: z.strictObject({
    appliance: texts,
    water: z.array(z.enum(['cold', 'hot'])).optional(),
    stopKind: texts,
    stopCondition: texts,
    hidden: z.boolean().optional(),
    seal: texts as never,
    partTag: texts,
    partKind: texts,
    applianceMoves: z.boolean().optional(),
    powered: z.boolean().optional(),
    solenoid: z.boolean().optional(),
    oldLine: z.array(z.enum(['none', 'keep', 'replace', 'not judged'])).optional(),
    rejoins: z.boolean().optional(),
    reused: z.boolean().optional(),
    loose: texts,
    last: z.boolean().optional(),
    newStop: z.boolean().optional(),
    flushes: z.boolean().optional(),
    afterOsmosis: z.boolean().optional(),
    stopHolds: z.boolean().optional(),
    rule: z.record(z.string(), z.string()).optional(),
  }),
  opens: z.boolean().optional(),
  title: z.string().min(1),
  detail: z.string().min(1),
  tool: z.string().optional(),
  timerS: z.number().int().positive().optional(),
  gate: z.string().optional(),
  cautions: z.array(z.string()),
  because: z.string().min(1),
  source: z.string().min(1),
});

export const readSteps = (): StepTemplate[] => z.array(stepTemplate).parse(steps);
