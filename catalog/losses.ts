/** What the shapes of parts cost a flow; checked on reading. */
import { z } from 'zod';
import type { LossRow } from '../core/index.ts';
import { CatalogueError, readCsv } from './csv.ts';
import { dataFile } from './file.ts';

const FILE = 'losses.csv';
const word = z.string().min(1);
const inches = z.union([z.literal('').transform(() => null), z.coerce.number().positive('wants inches')]);
const orNone = z.string().transform((text) => text || null);

const row = z
  .object({
    id: word,
    name: word,
    kind: orNone,
    tag: z.string().transform((text) => text.split(' ').filter(Boolean)),
    port: z.union([z.literal('').transform(() => null), z.literal('branch')]),
    k: z.coerce.number().min(0, 'is less than 0').max(1000, 'is more than any fitting'),
    on_bore_in: inches,
    at_bore_in: inches,
    bore_in: inches,
    length_in: inches,
    begins: z.enum(['yes', '']).transform((t) => t === 'yes'),
    better: orNone,
    source: word,
  })
  .transform(
    ({ tag, on_bore_in, at_bore_in, bore_in, length_in, ...rest }): LossRow => ({
      ...rest,
      tags: tag,
      onBoreIn: on_bore_in,
      atBoreIn: at_bore_in,
      boreIn: bore_in,
      lengthIn: length_in,
    }),
  );

export function readLosses(): LossRow[] {
  const rows = readCsv(FILE, dataFile(FILE), row);
  rows.forEach((r, i) => {
    if (r.better !== null && !rows.some((other) => other.id === r.better))
      throw new CatalogueError(FILE, i + 2, 'better', `names no row: "${r.better}"`);
  });
  return rows;
}
