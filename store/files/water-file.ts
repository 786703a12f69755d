/** The water of a premises as a file: places, pipes and valves as they stand; taken in whole or not at all. */
import * as z from 'zod/mini';
import { brokenLinks } from '../../core/index.ts';
import { asDrawn, MOST_AT_ONCE, name, networkOf, pathText, unstorable, type WaterThing, waterThing } from '../../record/index.ts';
import { inShop, type Sql } from '../database/index.ts';
import { appendBook, filedBookEntry } from '../entries/index.ts';
import { premisesWhole } from '../queries/index.ts';
import { ImportError } from './import-error.ts';

const ORDER: WaterThing['what'][] = ['place', 'pipe', 'valve'];

export const waterFile = z.strictObject({
  format: z.literal('brass-nut-water', 'is not a file of the water of a premises'),
  version: z.literal(1, 'is a version that this program does not know'),
  premises: name,
  things: z.array(waterThing).check(z.maxLength(2000, 'holds more than 2000 things')),
});
export type WaterFile = z.infer<typeof waterFile>;

/** The published JSON Schema of such a file. */
export const waterFileSchema = (): object => z.toJSONSchema(waterFile, { target: 'draft-2020-12', io: 'input' });

/** Places first, so that each link leads to what is drawn already. */
const inOrder = <T extends WaterThing>(things: readonly T[]): T[] => ORDER.flatMap((what) => things.filter((t) => t.what === what));

/** @returns null for no such premises */
export async function exportWater(sql: Sql, shopId: string, premisesId: string): Promise<string | null> {
  const book = await premisesWhole(sql, shopId, premisesId);
  if (!book) return null;
  const { name, water } = book.premises;
  const things = inOrder(water).map(asDrawn);
  return `${JSON.stringify({ format: 'brass-nut-water', version: 1, premises: name, things } satisfies WaterFile, null, 1)}\n`;
}

/** @throws ImportError naming the first thing that will not do */
export function parseWaterFile(text: string): WaterFile {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    throw new ImportError('the file', 'it does not read as JSON.');
  }
  const bad = unstorable(raw);
  if (bad) throw new ImportError(bad.at || 'the file', `it ${bad.why}.`);
  const read = z.safeParse(waterFile, raw);
  if (!read.success) {
    const [issue] = read.error.issues;
    throw new ImportError(pathText(issue?.path ?? []) || 'the file', `${issue?.message ?? 'it does not read'}.`);
  }
  const { things } = read.data;
  const twice = things.find((t, i) => things.findIndex((other) => other.id === t.id) !== i);
  if (twice) throw new ImportError(twice.id, 'the id is used twice.');
  const [fault] = brokenLinks(networkOf(things));
  if (fault) throw new ImportError(fault.at, fault.text);
  return read.data;
}

/** Draws what the file holds, over what is drawn already of the same ids. @returns null for no such premises */
export async function importWater(sql: Sql, shopId: string, premisesId: string, file: WaterFile, at: Date): Promise<{ things: number } | null> {
  return inShop(sql, shopId, async (tx) => {
    const [there] = await tx`select 1 from premises where shop_id = ${shopId} and premises_id = ${premisesId} and not gone`;
    if (!there) return null;
    const things = inOrder(file.things);
    const parts = Array.from({ length: Math.ceil(things.length / MOST_AT_ONCE) }, (_, i) => things.slice(i * MOST_AT_ONCE, (i + 1) * MOST_AT_ONCE));
    await appendBook(
      tx,
      shopId,
      parts.map((part) => filedBookEntry('premises', premisesId, 'water-drawn', { things: part }, at)),
    );
    return { things: things.length };
  });
}
