/** The shipped parts and loose pieces, checked on reading. Prices are invented and plausible. */
import { z } from 'zod';
import { type Good, isEndCode, type Kit, type Loose, type Part, type PartEnd, type Port } from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const whole = z.string().regex(/^\d+$/, 'wants a whole number').transform(Number);
const decimal = z
  .string()
  .regex(/^\d+(\.\d+)?$/, 'wants a number')
  .transform(Number);
const optional = z.union(
  [z.literal('').transform(() => undefined), decimal.refine((n) => n <= 1e6, 'is more than 1000000')],
  'wants a number or nothing',
);
const words = z.string().transform((t) => t.split(' ').filter(Boolean));
const waters = words.pipe(z.array(z.enum(['cold', 'hot'], 'is cold, hot or both')).min(1, 'is cold, hot or both'));

/** "in=comp-5/8-m@in out=comp-3/8-m@out": id, end code and port of each end. */
const ends = z
  .string()
  .transform((text, ctx): PartEnd[] =>
    text
      .split(' ')
      .filter(Boolean)
      .flatMap((piece) => {
        const found = /^([a-z0-9]+)=(.+)@(in|out|either|branch)$/.exec(piece);
        if (found && isEndCode(found[2]!)) return [{ id: found[1]!, code: found[2]!, port: found[3] as Port }];
        ctx.addIssue({ code: 'custom', message: `"${piece}" is not <id>=<end code>@<in|out|either|branch>` });
        return [];
      }),
  )
  .refine((list) => list.length >= 2, 'a part has two ends or more')
  .refine((list) => new Set(list.map((e) => e.id)).size === list.length, 'two ends share an id');

const flags = z.enum(['yes', 'no'], 'is yes or no').transform((t) => t === 'yes');
const maybeFlag = z.enum(['yes', 'no', ''], 'is yes, no or nothing').transform((t) => (t === '' ? undefined : t === 'yes'));
const bounded = (shape: z.ZodType<number>, most: number) => shape.refine((n) => n <= most, `is more than ${most}`);

/** Largest whole number that every table of counts holds. */
const INT4_MAX = 2_147_483_647;
const BARRED: ReadonlySet<string> = new Set(['__proto__', 'constructor', 'prototype']);

interface PartColumn {
  name: string;
  /** What it fills in a part; null for the shop's stock, and for wetted materials, which become tags. */
  field: keyof Part | null;
  cell: z.ZodType<unknown>;
  /** What a file from before the column is read as; without it the column must be there. */
  missing?: string;
}

/** Columns of a file of parts, in order: a row each. */
const COLUMNS: readonly PartColumn[] = [
  { name: 'id', field: 'id', cell: z.string().min(1, 'wants an id').max(80).refine((t) => !BARRED.has(t), 'is a name that cannot be used') },
  { name: 'name', field: 'name', cell: z.string().min(1, 'wants a name').max(200) },
  { name: 'kind', field: 'kind', cell: z.string().min(1, 'wants a kind').max(60) },
  { name: 'ends', field: 'ends', cell: ends },
  { name: 'flexible', field: 'flexible', cell: flags },
  { name: 'cut_to_length', field: 'cutToLength', cell: flags },
  { name: 'length_in', field: 'lengthIn', cell: optional },
  { name: 'max_length_in', field: 'maxLengthIn', cell: optional },
  { name: 'waters', field: 'waters', cell: waters },
  { name: 'max_psi', field: 'maxPsi', cell: bounded(whole, 100_000) },
  { name: 'max_f', field: 'maxF', cell: bounded(whole, 10_000) },
  { name: 'potable', field: 'potable', cell: flags },
  { name: 'price_cents', field: 'priceCents', cell: bounded(whole, INT4_MAX) },
  { name: 'cents_per_ft', field: 'centsPerFt', cell: optional },
  { name: 'minutes', field: 'minutes', cell: bounded(decimal, 100_000) },
  { name: 'material', field: 'material', cell: z.string().max(60).transform((t) => t || undefined), missing: '' },
  { name: 'wetted', field: null, cell: words, missing: '' },
  { name: 'bore_in', field: 'boreIn', cell: optional, missing: '' },
  { name: 'lead_free', field: 'leadFree', cell: maybeFlag, missing: '' },
  { name: 'tags', field: 'tags', cell: words },
  { name: 'van', field: null, cell: bounded(whole, 1_000_000), missing: '0' },
]; // biome-ignore format: a table

export const PART_COLUMNS = COLUMNS.map((c) => c.name);
/** Those that a file must have. */
export const NEEDED_COLUMNS = COLUMNS.filter((c) => c.missing === undefined).map((c) => c.name);

/** The cells of a row, what an older file did not have filled in. */
export const upcastCells = (cells: Record<string, string>): Record<string, string> =>
  Object.fromEntries(COLUMNS.map((c) => [c.name, cells[c.name] ?? c.missing ?? '']));

export const partRow = z
  .object(Object.fromEntries(COLUMNS.map((c) => [c.name, c.cell])))
  .refine((row) => !(row.potable && row.lead_free === false), { path: ['lead_free'], message: 'a part for drinking water is lead-free' })
  .transform((row): { part: Part; van: number } => {
    const filled = COLUMNS.filter((c) => c.field !== null && row[c.name] !== undefined).map((c) => [c.field, row[c.name]]);
    const part = Object.fromEntries(filled) as Part;
    return { part: { ...part, tags: [...new Set([...part.tags, ...(row.wetted as string[])])] }, van: row.van as number };
  });

export const looseRow = z
  .object({ code: z.string().min(1), name: z.string().min(1), price_cents: whole, van: whole })
  .transform((r) => ({ loose: { code: r.code, name: r.name, priceCents: r.price_cents } satisfies Loose & { name: string }, van: r.van }));

/** Small goods that cards use, as their file has them. */
const goodRow = z
  .object({
    code: z.string().min(1),
    name: z.string().min(1),
    says: z.string().min(1),
    count: whole,
    use_cents: whole,
    price_cents: whole,
    van: whole,
  })
  .transform((r) => ({
    good: { code: r.code, name: r.name, says: r.says.split(' | '), count: r.count, useCents: r.use_cents } satisfies Good,
    loose: { code: r.code, name: r.name, priceCents: r.price_cents },
    van: r.van,
  }));
const goods = () => readCsv('goods.csv', dataFile('goods.csv'), goodRow);
export const readGoods = (): Good[] => goods().map((r) => r.good);

const kitRow = z
  .object({
    id: z.string().min(1),
    name: z.string().min(1),
    contents: words.refine((list) => list.length >= 2, 'holds two parts or more'),
    price_cents: whole,
  })
  .transform((r): Kit => ({ id: r.id, name: r.name, contents: r.contents, priceCents: r.price_cents }));

/** Parts that are sold as one, by the ids of what is in them. */
export function readKits(parts: readonly Part[]): Kit[] {
  const kits = readCsv('kits.csv', dataFile('kits.csv'), kitRow);
  const missing = kits.flatMap((k) => k.contents.filter((id) => !parts.some((p) => p.id === id)).map((id) => `${k.id}: ${id}`));
  if (missing.length > 0) throw new Error(`kits.csv names parts that parts.csv has not: ${missing.join('; ')}`);
  return kits;
}

/** The shipped parts as they stand in their file, cell by cell. */
export const shippedPartCells = (): Record<string, string>[] => readCsv('parts.csv', dataFile('parts.csv'), z.record(z.string(), z.string()));

/** The shipped parts and loose pieces, and how many of each a van carries to begin with. */
export function readStocked(): { parts: Part[]; loose: (Loose & { name: string })[]; van: Record<string, number> } {
  const parts = readCsv('parts.csv', dataFile('parts.csv'), partRow);
  const loose = [...readCsv('loose.csv', dataFile('loose.csv'), looseRow), ...goods()];
  const carried = [...parts.map((r) => [r.part.id, r.van] as const), ...loose.map((r) => [r.loose.code, r.van] as const)];
  return { parts: parts.map((r) => r.part), loose: loose.map((r) => r.loose), van: Object.fromEntries(carried.filter(([, n]) => n > 0)) };
}
