/** Shapes that many kinds share: ids, texts, numbers and instants, each within bounds that every table and file can hold. */
import * as z from 'zod/mini';
import { isEndCode } from '../core/index.ts';
import { isZone } from './zones.ts';

/** Largest whole number a column of counts holds. */
export const INT4_MAX = 2_147_483_647;

/** Any version; in lower case, as the database gives it back. */
export const uuid = z.uuid('is not a UUID').check(z.toLowerCase());

export const name = z.string('wants a name').check(z.trim(), z.minLength(1, 'wants a name'), z.maxLength(200, 'is longer than 200 characters'));
export const text = z.string('wants a text').check(z.maxLength(2000, 'is longer than 2000 characters'));
export const shortText = z.string('wants a text').check(z.maxLength(200, 'is longer than 200 characters'));
/** Id of a part, a step, a rule: a word of the catalogue. */
export const id = z.string('wants an id').check(z.minLength(1, 'wants an id'), z.maxLength(120, 'is longer than 120 characters'));
/** Why something was done: said, not left blank. */
export const givenReason = z
  .string('wants a reason')
  .check(z.trim(), z.minLength(1, 'wants a reason'), z.maxLength(2000, 'is longer than 2000 characters'));

export const end = z
  .string('wants an end code')
  .check(z.maxLength(80, 'is no end code'), z.refine(isEndCode, { error: (issue) => `"${String(issue.input).slice(0, 60)}" is not an end code` }));

/** A figure of the trade: finite, and far within what a double holds exactly. */
export const amount = z.number('wants a number').check(z.gte(-1e9, 'is too small'), z.lte(1e9, 'is too large'));
export const positive = z.number('wants a number').check(z.gt(0, 'must be more than 0'), z.lte(1e9, 'is too large'));
export const notNegative = z.number('wants a number').check(z.gte(0, 'must not be less than 0'), z.lte(1e9, 'is too large'));
export const lengthIn = z.number('wants a number').check(z.gt(0, 'must be more than 0'), z.lte(12_000, 'is longer than 12,000 in'));
export const count = z.int('wants a whole number').check(z.gte(0, 'must not be less than 0'), z.lte(INT4_MAX, 'is too large'));
export const cents = count;
/** Turns past hand-tight, in turns. */
export const turnsShape = z.number('wants a number').check(z.gte(0, 'must not be less than 0'), z.lte(20, 'is more than 20 turns'));
/** Turns past hand-tight in whole 24ths. */
export const turns24 = z.int('wants whole 24ths of a turn').check(z.gte(0, 'must not be less than 0'), z.lte(240, 'is more than 10 turns'));
export const currency = z.string('wants a currency').check(z.regex(/^[A-Z]{3}$/, 'is not a currency code'));
export const recheckHoursShape = z.number('wants a number').check(z.gt(0, 'must be more than 0'), z.lte(24 * 60, 'is more than 60 days'));

const YEARS = /^(?:19[789]\d|20\d\d|21\d\d)-/;

/** A moment by any clock, however wrong: ISO 8601 with its offset, 1970 to 2199; kept in UTC. */
export const instant = z.pipe(
  z.iso.datetime({ offset: true, error: 'is not a moment in ISO 8601 with its offset' }).check(z.maxLength(40)),
  z.pipe(
    z.transform((t: string) => new Date(t).toISOString()),
    z.string().check(z.regex(YEARS, 'lies outside the years 1970 to 2199')),
  ),
);

/** A local day, 'YYYY-MM-DD', 1970 to 2199. */
export const localDay = z.iso.date('is not a day as YYYY-MM-DD').check(z.regex(YEARS, 'lies outside the years 1970 to 2199'));

/** A local time of day, 'HH:MM'. */
export const localTime = z.string('wants HH:MM').check(z.regex(/^(?:[01]\d|2[0-3]):[0-5]\d$/, 'wants HH:MM, 00:00 to 23:59'));

/** An IANA time zone, by a name that every engine knows. */
export const timeZone = z
  .string('wants a time zone')
  .check(z.maxLength(60, 'is not a time zone'), z.refine(isZone, 'is no time zone that every clock knows: say it as Area/Place, like Europe/Vienna'));
