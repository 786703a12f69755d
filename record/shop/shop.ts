import * as z from 'zod/mini';
import { clearable, fieldsInWords, someOf } from '../book/rules.ts';
import { change, itsFields, type Subject } from '../book/subject.ts';
import { cents, currency, name, timeZone } from '../shapes.ts';
import type { Shop } from './state.ts';

const changed = someOf({
  name,
  address: z.nullable(clearable(400)),
  phone: z.nullable(clearable(60)),
  currency,
  timeZone,
  units: z.enum(['inch', 'metric'], 'is neither inch nor metric'),
  minuteCents: z.nullable(cents),
  calloutCents: z.nullable(cents),
  tagAddress: z.nullable(
    z
      .url({ protocol: /^https?$/, error: 'is no address: say it as https://plumber.example' })
      .check(z.maxLength(60, 'is longer than 60 characters: a code that large does not scan')),
  ),
  taxPercent: z.nullable(z.number('wants a number').check(z.gte(0, 'must not be less than 0'), z.lte(100, 'is more than 100'))),
});

/** The shop itself: what prints, prices and days go by. It is there from the beginning. */
export const shop: Subject<'shop', Shop> = {
  name: 'shop',
  called: 'shop',
  making: null,
  nameOf: (s) => s.name ?? 'this shop',
  begins: (id) => ({
    id,
    name: null,
    address: null,
    phone: null,
    currency: null,
    timeZone: null,
    units: 'inch',
    minuteCents: null,
    calloutCents: null,
    taxPercent: null,
    tagAddress: null,
  }),
  changes: {
    changed: change<Shop>()({
      shape: changed,
      sets: itsFields,
      says: (b) =>
        `changed: ${fieldsInWords(b, { timeZone: 'time zone', minuteCents: 'price of a minute, cents', calloutCents: 'price of coming, cents', taxPercent: 'tax, percent', tagAddress: 'address on tags' })}`,
    }),
  },
};
