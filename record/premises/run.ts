import * as z from 'zod/mini';
import { fieldsInWords, retiring } from '../book/rules.ts';
import { change, itsFields, type Subject } from '../book/subject.ts';
import { name, uuid } from '../shapes.ts';
import type { Run } from './states.ts';

const checkPoint = z.strictObject({ id: uuid, kind: z.enum(['stem', 'drain'], 'is neither stem nor drain'), name });

const made = z.strictObject({
  applianceId: uuid,
  water: z.enum(['cold', 'hot'], 'is neither cold nor hot'),
  name,
  /** Left out: the stem of its stop. */
  checkPoints: z.optional(z.array(checkPoint).check(z.maxLength(20, 'holds more than 20'))),
});
const runChange = change<Run>();

/** Every device and the server give a run's stem the same id: the run's own, with its last bit turned. */
function stemId(runId: string): string {
  const last = Number.parseInt(runId.slice(-1), 16) ^ 1;
  return runId.slice(0, -1) + last.toString(16);
}

/** One supply path from where water is taken to one inlet of an appliance. */
export const run: Subject<'run', Run> = {
  name: 'run',
  called: 'run',
  making: 'made',
  nameOf: (r) => r.name,
  begins: (id, body: z.output<typeof made>) => ({
    checkPoints: [{ id: stemId(id), kind: 'stem', name: 'Stop stem' }],
    ...body,
    id,
    retired: null,
  }),
  changes: {
    made: runChange({
      shape: made,
      names: (b) => [{ kind: 'appliance', id: b.applianceId, at: 'applianceId' }],
      sets: itsFields,
      says: (b) => `run "${b.name}" written down, ${b.water}`,
    }),
    changed: runChange({ shape: z.strictObject({ name }), sets: itsFields, says: (b) => `changed: ${fieldsInWords(b)}` }),
    ...retiring<Run>(),
  },
};
