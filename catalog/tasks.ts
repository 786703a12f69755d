/** What is due again at a connection, and when; checked on reading. */
import { z } from 'zod';
import type { TaskRow } from '../core/index.ts';
import { TASK_IDS } from '../core/index.ts';
import { readCsv } from './csv.ts';
import { dataFile } from './file.ts';
import { onAppliances } from './look.ts';

const word = z.string().min(1);

const row = z.object({
  id: z.enum(TASK_IDS),
  todo: word,
  rule: z.string(),
  months: z.union([z.literal('').transform(() => null), z.string().regex(/^[1-9]\d*$/, 'wants months').transform(Number)]), // biome-ignore format: one row
  appliances: onAppliances,
  because: word,
  source: word,
});

export const readTasks = (): TaskRow[] => readCsv('duties.csv', dataFile('duties.csv'), row);
