/** What is judged on sight: findings, ages, stops, symptoms, and what cannot be decided while it is unknown; checked on reading. */
import { z } from 'zod';
import type { LookData, OnAppliances } from '../core/index.ts';
import { LINE_KINDS, type LineKindId } from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const word = z.string().min(1);
const id = z.string().regex(/^[a-z-]+$/, 'is no id');
const words = z.string().transform((t) => t.split(' ').filter(Boolean));
const maybeYears = z.union([z.literal('').transform(() => null), z.string().regex(/^\d+$/, 'wants years').transform(Number)]);
const kindOfLine = z.enum(LINE_KINDS as readonly string[] as [LineKindId, ...LineKindId[]]);

const findingRow = z
  .object({
    id,
    on: z.enum(['line', 'stop', 'screen', 'washer', 'place']),
    kinds: words.refine((k) => k[0] === '*' || k.every((one) => (LINE_KINDS as readonly string[]).includes(one)), 'names no kind of line'),
    name: word,
    verdict: z.enum(['replace', 'watch', 'clean', 'tell']),
    when: z.enum(['now', 'visit', '']),
    because: word,
    needs: words.pipe(z.array(z.enum(['stop', 'arrestor']))),
    source: word,
  })
  .refine((r) => (r.when === '') === (r.verdict !== 'replace'), 'says when, and is not replaced; or is, and does not say')
  .transform((r) => ({ ...r, when: r.when || null, kinds: r.kinds[0] === '*' ? ('*' as const) : (r.kinds as LineKindId[]) }));

const ageRow = z
  .object({ kind: kindOfLine, name: word, watch_years: maybeYears, replace_years: maybeYears, source: word })
  .refine(
    (r) => (r.watch_years === null) === (r.replace_years === null) && (r.watch_years ?? 0) <= (r.replace_years ?? 0),
    'watches after it replaces',
  )
  .transform((r) => ({ kind: r.kind, name: r.name, watchYears: r.watch_years, replaceYears: r.replace_years, source: r.source }));

const stopRow = z.object({
  condition: z.enum(['works', 'weeps', 'passes', 'seized-open', 'seized-shut', 'broken', 'unknown']),
  verdict: z.enum(['keep', 'watch', 'replace', 'unknown']),
  because: word,
  source: word,
});

const symptomRow = z
  .object({ symptom: id, name: word, cause: word, points: words, look_at: word })
  .transform((r) => ({ symptom: r.symptom, name: r.name, cause: r.cause, points: r.points, lookAt: r.look_at }));

export const onAppliances = words.refine((w) => w.length > 0, 'names no appliance').transform((w): OnAppliances => (w[0] === '*' ? '*' : w));

const unknownRow = z.object({ fact: id, appliances: onAppliances, name: word, decides: word, blocks: z.enum(['no', 'keep', 'match', 'make']) });

const reuseRow = z.object({ what: id, name: word, asks: word, because: word }).transform((r) => ({ ...r, asks: r.asks.split(' | ') }));

const workRow = z
  .object({
    of: z.enum(['hole', 'shut', 'kind']),
    id,
    name: word,
    minutes: z.string().regex(/^\d+$/, 'wants minutes').transform(Number),
    skill: z.string(),
    tools: z.string().transform((t) => t.split(' | ').filter(Boolean)),
    source: word,
  })
  .transform(({ source: _, ...r }) => r);

const sheetRow = z.object({
  id,
  appliances: onAppliances,
  name: word,
  of: z.enum(['length', 'pressure', 'words']),
  gate: z.enum(['yes', 'no']).transform((t) => t === 'yes'),
  overrides: z.union([z.literal('').transform(() => null), z.enum(['minFlowPsi', 'maxStaticPsi'])]),
  source: word,
});

const read = <T>(file: string, row: z.ZodType<T>): T[] => readCsv(file, dataFile(file), row);

export const readLook = (): LookData => ({
  findings: read('look-findings.csv', findingRow),
  ages: read('look-ages.csv', ageRow),
  stops: read('look-stops.csv', stopRow),
  symptoms: read('look-symptoms.csv', symptomRow),
  unknowns: read('look-unknowns.csv', unknownRow),
  reuse: read('look-reuse.csv', reuseRow),
  sourceWork: read('source-work.csv', workRow),
  sheets: read('sheet-figures.csv', sheetRow),
});
