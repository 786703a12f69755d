/** Where the water of an appliance mostly comes from, checked on reading. */
import { z } from 'zod';
import { isEndCode, type UsualSource } from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const end = z.string().refine(isEndCode, 'is no end');

const usualSource = z.object({
  appliance: z.string().min(1),
  say: z.string().min(1),
  from: end,
  rejoin: z.union([z.literal('').transform(() => null), end]),
}) satisfies z.ZodType<UsualSource>;

export const readUsualSources = (): UsualSource[] => readCsv('usual-sources.csv', dataFile('usual-sources.csv'), usualSource);
