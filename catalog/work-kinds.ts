/** Kinds of work and what their cards must contain, checked on reading. */
import { z } from 'zod';
import { ACT_VERBS, isEndCode, MOVES, type WorkKind, type WorkKindId } from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const verb = z.enum(ACT_VERBS);
const yes = z.enum(['yes', 'no']).transform((t) => t === 'yes');
const words = z.string().transform((t) => t.split(' ').filter(Boolean));

export const workKindRow = z
  .object({
    id: z.string().regex(/^[a-z-]+$/, 'is no id'),
    name: z.string().min(1),
    appliances: words.refine((w) => w.length > 0, 'names no appliance'),
    joins: yes,
    must_acts: words.pipe(z.array(verb)),
    orders: words.refine((all) => all.every((o) => /^[a-z-]+<[a-z-]+$/.test(o)), 'wants before<after'),
    moves: z.enum(MOVES),
    old_line: z.enum(['there', 'none']).transform((t) => t === 'there'),
    renews_stop: yes,
    sets_first: yes,
    stubs: words.pipe(z.array(z.string().refine(isEndCode, 'is no end'))),
  })
  .transform(
    (r): WorkKind => ({
      id: r.id as WorkKindId,
      name: r.name,
      appliances: r.appliances[0] === '*' ? '*' : r.appliances,
      joins: r.joins,
      mustActs: r.must_acts,
      orders: r.orders.map((o) => {
        const [before, after] = o.split('<') as [string, string];
        return { before: verb.parse(before), after: verb.parse(after) };
      }),
      moves: r.moves,
      oldLine: r.old_line,
      renewsStop: r.renews_stop,
      setsFirst: r.sets_first,
      stubs: r.stubs,
    }),
  );

/** Appliances that kinds of work name and the catalogue has not, each with its kind. */
export const unknownAppliances = (kinds: readonly WorkKind[], appliances: readonly { id: string }[]): string[] => {
  const known = new Set(appliances.map((a) => a.id));
  return kinds.flatMap((k) => (k.appliances === '*' ? [] : k.appliances.flatMap((id) => (known.has(id) ? [] : [`${k.id}: ${id}`]))));
};

export const readWorkKinds = (): WorkKind[] => readCsv('work-kinds.csv', dataFile('work-kinds.csv'), workKindRow);
