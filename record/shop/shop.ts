import * as z from 'zod/mini';
import { MOST_OWN_LETTERS, notOurs } from '../../core/index.ts';
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

const wordTold = z.strictObject({
  word: z.string('wants a text').check(
    z.trim(),
    z.toLowerCase(),
    z.minLength(2, 'is no word'),
    z.maxLength(MOST_OWN_LETTERS.word, `is longer than ${MOST_OWN_LETTERS.word} characters`),
    z.refine((word) => /\p{L}/u.test(word), 'is no word: a size stays what it is'),
    z.refine((word) => notOurs(word) === null, 'names what is not ours: that word stays what it is'),
  ),
  /** What it is in words that are read; null takes it away again. */
  means: z.nullable(
    z
      .string('wants a text')
      .check(z.trim(), z.minLength(1, 'is empty'), z.maxLength(MOST_OWN_LETTERS.means, `is longer than ${MOST_OWN_LETTERS.means} characters`)),
  ),
});

/** A shop has no more words of its own than this. */
const MOST_WORDS = 300;

const without = (words: Shop['words'], word: string): Shop['words'] => Object.fromEntries(Object.entries(words).filter(([own]) => own !== word));

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
    words: {},
  }),
  changes: {
    changed: change<Shop>()({
      shape: changed,
      sets: itsFields,
      says: (b) =>
        `changed: ${fieldsInWords(b, { timeZone: 'time zone', minuteCents: 'price of a minute, cents', calloutCents: 'price of coming, cents', taxPercent: 'tax, percent', tagAddress: 'address on tags' })}`,
    }),
    'word-told': change<Shop>()({
      shape: wordTold,
      holds: ({ body }, now) =>
        body.means !== null && Object.keys(now?.words ?? {}).length >= MOST_WORDS
          ? { rule: 'too-many-words', why: `body.word: the shop has ${MOST_WORDS} words of its own already; take one away first.` }
          : null,
      apply: (now, { word, means }) => ({ ...now, words: { ...without(now.words, word), ...(means === null ? {} : { [word]: means }) } }),
      says: ({ word, means }) => (means === null ? `"${word}" is no word of the shop any more` : `"${word}" means ${means}`),
    }),
  },
};
