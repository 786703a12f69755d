/** The work card of a run of a visit, as files have it. */
import * as z from 'zod/mini';
import { catalogue } from '../../../catalog/index.ts';
import { type CardHead, type WorkStep, workKind } from '../../../core/index.ts';
import { readRun, uuid } from '../../../record/index.ts';
import { visitSheet } from '../../../store/queries/index.ts';
import { flowOf } from '../../ui/chains/index.ts';
import { visitAsked } from '../asked/index.ts';
import { database } from '../database.ts';
import { type Asked, RefusedError } from '../door/index.ts';

export interface RunCard {
  head: CardHead;
  steps: WorkStep[];
  done: Record<string, boolean>;
}

/** @throws RefusedError where there is no such run in the visit, or no card yet */
export async function runCardAsked({ params, locals }: Asked): Promise<RunCard> {
  const sheet = await visitAsked(params.id, (id) => visitSheet(database(), locals.shop, id));
  const asked = z.safeParse(uuid, params.run);
  const run = asked.success ? sheet.runs.find((r) => r.id === asked.data) : undefined;
  const { losses, parts } = catalogue();
  const state = run && readRun(run, sheet.entries, { ...catalogue(), flowOf: flowOf(losses, parts) }).state;
  if (!run || !state) throw new RefusedError(404, 'no-run', 'No such run', 'The visit has no run of that id.', 'run');
  if (!state.hasCard) throw new RefusedError(404, 'no-card', 'No card yet', 'The card is made from the accepted chain: accept one in Match.', 'run');
  const { visit } = sheet;
  return {
    head: {
      run: `${run.name}, ${run.place}`,
      work: workKind(run.work).name,
      premises: `${visit.premises.name}, ${visit.onDate} ${visit.startsAt}`,
      joints: state.joints.map((j) => `${j.label}: ${j.a}, ${j.b}`),
    },
    steps: state.card,
    done: state.done,
  };
}
