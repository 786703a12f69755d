import * as z from 'zod/mini';
import { change, itsFields, type Subject } from '../book/subject.ts';
import { reasonWords } from '../reasons.ts';
import { count, givenReason, INT4_MAX, name, uuid } from '../shapes.ts';
import type { StockPlace } from './state.ts';

/** A part by its id, or a loose piece by its code. */
const item = z.string('wants an item').check(z.trim(), z.minLength(1, 'wants an item'), z.maxLength(80, 'is longer than 80 characters'));
/** Pieces; of what is cut from a coil whole inches. */
const some = z.int('wants a whole number').check(z.gte(1, 'must be 1 or more'), z.lte(INT4_MAX, 'is too large'));

const placeMade = z.strictObject({ name, kind: z.enum(['shelf', 'van'], 'is neither shelf nor van') });
const cameOrWent = z.strictObject({ item, quantity: some, reason: givenReason });
const moved = z.strictObject({ item, quantity: some, toId: uuid });
const amountOf = z.strictObject({ item, quantity: count });
/** What lay there by the record is kept beside what was counted, and why the two differ. */
const counted = z.strictObject({ item, quantity: count, expected: z.optional(z.int('wants a whole number')), reason: z.optional(givenReason) });

export type CameOrWent = z.output<typeof cameOrWent>;
export type Moved = z.output<typeof moved>;
export type AmountOf = z.output<typeof amountOf>;

const stockChange = change<StockPlace>();

export const stockPlace: Subject<'stock', StockPlace> = {
  name: 'stock',
  called: 'stock place',
  making: 'place-made',
  nameOf: (p) => p.name,
  begins: (id, body: z.output<typeof placeMade>) => ({ ...body, id }),
  changes: {
    'place-made': stockChange({ shape: placeMade, sets: itsFields, says: (b) => `${b.kind} "${b.name}" written down` }),
    received: stockChange({ shape: cameOrWent, says: (b, w) => `received ${w.amount(b.item, b.quantity)}: ${reasonWords(b.reason)}` }),
    used: stockChange({ shape: cameOrWent, says: (b, w) => `used ${w.amount(b.item, b.quantity)}: ${reasonWords(b.reason)}` }),
    thrown: stockChange({ shape: cameOrWent, says: (b, w) => `thrown away ${w.amount(b.item, b.quantity)}: ${reasonWords(b.reason)}` }),
    moved: stockChange({
      shape: moved,
      names: (b) => [{ kind: 'stock', id: b.toId, at: 'toId' }],
      holds: ({ body, subject }) =>
        body.toId === subject.id ? { rule: 'same-place', why: 'It is moved to where it is: name another shelf or van.' } : null,
      says: (b, w) => `${w.amount(b.item, b.quantity)} moved to ${w.subject({ kind: 'stock', id: b.toId })}`,
    }),
    counted: stockChange({
      shape: counted,
      says: (b, w) => {
        const differs = b.expected === undefined || b.expected === b.quantity ? '' : `, where ${w.amount(b.item, b.expected, true)} was expected`;
        return `counted ${w.amount(b.item, b.quantity)}${differs}${b.reason ? `: ${reasonWords(b.reason)}` : ''}`;
      },
    }),
    'minimum-set': stockChange({ shape: amountOf, says: (b, w) => `at least ${w.amount(b.item, b.quantity)} to be kept` }),
  },
};
