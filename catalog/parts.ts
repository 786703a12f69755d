/** The shipped parts and loose pieces, checked on reading. Prices are invented and plausible. */
import { z } from 'zod';
import { isEndCode } from '../core/ends/code.ts';
import type { Loose, Part, PartEnd, Port } from '../core/match/part.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const whole = z.string().regex(/^\d+$/, 'wants a whole number').transform(Number);
const decimal = z
  .string()
  .regex(/^\d+(\.\d+)?$/, 'wants a number')
  .transform(Number);
const optional = z.union([z.literal('').transform(() => undefined), decimal]);
const yes = z.enum(['yes', 'no']).transform((t) => t === 'yes');
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

/** Columns of a file of parts, in order. */
export const PART_COLUMNS = [
  'id', 'name', 'kind', 'ends', 'flexible', 'cut_to_length', 'length_in', 'max_length_in', 'waters', 'max_psi', 'max_f', 'potable',
  'price_cents', 'cents_per_ft', 'minutes', 'material', 'tags', 'van',
] as const; // biome-ignore format: one list

export const partRow = z
  .object({
    id: z.string().min(1).max(80),
    name: z.string().min(1).max(200),
    kind: z.string().min(1),
    ends,
    flexible: yes,
    cut_to_length: yes,
    length_in: optional,
    max_length_in: optional,
    waters,
    max_psi: whole,
    max_f: whole,
    potable: yes,
    price_cents: whole,
    cents_per_ft: optional,
    minutes: decimal,
    material: z.string().max(60),
    tags: words,
    van: whole,
  })
  .transform((r): { part: Part; van: number } => ({
    van: r.van,
    part: {
      id: r.id,
      name: r.name,
      kind: r.kind,
      ends: r.ends,
      flexible: r.flexible,
      cutToLength: r.cut_to_length,
      ...(r.length_in === undefined ? {} : { lengthIn: r.length_in }),
      ...(r.max_length_in === undefined ? {} : { maxLengthIn: r.max_length_in }),
      waters: r.waters,
      maxPsi: r.max_psi,
      maxF: r.max_f,
      potable: r.potable,
      priceCents: r.price_cents,
      ...(r.cents_per_ft === undefined ? {} : { centsPerFt: r.cents_per_ft }),
      minutes: r.minutes,
      ...(r.material === '' ? {} : { material: r.material }),
      tags: r.tags,
    },
  }));

export const looseRow = z
  .object({ code: z.string().min(1), name: z.string().min(1), price_cents: whole, van: whole })
  .transform((r) => ({ loose: { code: r.code, name: r.name, priceCents: r.price_cents } satisfies Loose & { name: string }, van: r.van }));

/** The shipped parts as they stand in their file, cell by cell. */
export const shippedPartCells = (): Record<string, string>[] => readCsv('parts.csv', dataFile('parts.csv'), z.record(z.string(), z.string()));

/** The shipped parts and loose pieces, and how many of each a van carries to begin with. */
export function readStocked(): { parts: Part[]; loose: (Loose & { name: string })[]; van: Record<string, number> } {
  const parts = readCsv('parts.csv', dataFile('parts.csv'), partRow);
  const loose = readCsv('loose.csv', dataFile('loose.csv'), looseRow);
  const carried = [...parts.map((r) => [r.part.id, r.van] as const), ...loose.map((r) => [r.loose.code, r.van] as const)];
  return { parts: parts.map((r) => r.part), loose: loose.map((r) => r.loose), van: Object.fromEntries(carried.filter(([, n]) => n > 0)) };
}
