/** A part of the shop's own, as a row of its file: set, and removed. */
import * as z from 'zod/mini';
import { change, type Subject } from '../book/subject.ts';
import { id, uuid } from '../shapes.ts';
import type { OwnPart } from './state.ts';

const cell = z.string('wants a text').check(z.maxLength(2000, 'is longer than 2000 characters'));
const row = z.record(z.string().check(z.maxLength(60, 'is no column')), cell).check(
  z.refine((r) => id.safeParse(r.id).success, { path: ['id'], error: 'wants the id of a part' }),
  z.refine((r) => Object.keys(r).length <= 100, 'holds more than 100 cells'),
);

const set = z.strictObject({
  row,
  /** In the order of its file; left out: after all others. */
  place: z.optional(z.number('wants a number').check(z.gte(-1e12, 'is too small'), z.lte(1e12, 'is too large'))),
  /** Of the file that it came with: all of one file share it. */
  importId: z.optional(uuid),
});
const removed = z.strictObject({ importId: z.optional(uuid) });

/** After every part of any file. */
const LAST = 1e12;

export const ownPart: Subject<'part', OwnPart> = {
  name: 'part',
  called: 'part of the shop',
  making: null,
  nameOf: (p) => p.row?.name ?? p.row?.id ?? 'a part',
  begins: (of) => ({ id: of, row: null, place: LAST, removed: false }),
  changes: {
    set: change<OwnPart>()<z.output<typeof set>>({
      shape: set as never,
      sets: (b) => ({ row: b.row }),
      holds: ({ body }, now) =>
        now?.row && now.row.id !== body.row.id ? { rule: 'other-part', why: 'body.row.id: what is set here is another part: its id stays.' } : null,
      apply: (now, b) => ({ ...now, row: b.row, place: b.place ?? now.place, removed: false }),
      says: (b) => `part set: ${b.row.name ?? b.row.id}`,
    }),
    removed: change<OwnPart>()<z.output<typeof removed>>({
      shape: removed as never,
      holds: (_, now) => (now?.row && !now.removed ? null : { rule: 'unknown-part', why: 'There is no such part among the shop’s own.' }),
      apply: (now) => ({ ...now, removed: true }),
      says: () => 'part removed',
    }),
  },
};
