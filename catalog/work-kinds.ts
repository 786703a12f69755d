/** Kinds of work and what their cards must contain, checked on reading. */
import { z } from 'zod';
import type { WorkKindId, WorkKindRow } from '../core/make/work-kinds.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const words = z.string().transform((t) => t.split(' ').filter(Boolean));

export const workKindRow = z
  .object({
    id: z.string().regex(/^[a-z-]+$/, 'is no id'),
    name: z.string().min(1),
    appliances: words.refine((w) => w.length > 0, 'names no appliance'),
    joins: z.enum(['yes', 'no']).transform((t) => t === 'yes'),
    must_acts: words,
    orders: words.refine((all) => all.every((o) => /^[a-z-]+<[a-z-]+$/.test(o)), 'wants before<after'),
  })
  .transform(
    (r): WorkKindRow => ({
      id: r.id as WorkKindId,
      name: r.name,
      appliances: r.appliances[0] === '*' ? '*' : r.appliances,
      joins: r.joins,
      mustActs: r.must_acts,
      orders: r.orders.map((o) => {
        const [before, after] = o.split('<') as [string, string];
        return { before, after };
      }),
    }),
  );

export const readWorkKinds = (): WorkKindRow[] => readCsv('work-kinds.csv', dataFile('work-kinds.csv'), workKindRow);

/** What the core holds of them: what a screen and the record ask. */
export const workKindsOfCore = (): object[] => readWorkKinds().map(({ id, name, appliances, joins }) => ({ id, name, appliances, joins }));
