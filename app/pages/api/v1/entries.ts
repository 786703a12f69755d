import type { APIRoute } from 'astro';
import { z } from 'zod';
import { now } from '../../../../store/clock.ts';
import { recordEntries } from '../../../../store/entries.ts';
import { sentEntry, uuid } from '../../../../store/entry-shape.ts';
import { database, THE_SHOP } from '../../../http/database.ts';
import { answerOf } from '../../../http/faults.ts';
import { readBody } from '../../../http/guard.ts';
import { json } from '../../../http/problem.ts';

const batch = z.strictObject({
  entries: z
    .array(z.looseObject({ id: uuid }))
    .min(1)
    .max(100),
});

/** Takes a batch from an outbox. Each entry gets its own answer; one that does not read is refused alone. */
export const POST: APIRoute = async ({ request }) => {
  try {
    const { entries } = batch.parse(JSON.parse(await readBody(request)));
    const read = entries.map((raw) => ({ raw, parsed: sentEntry.safeParse(raw) }));
    const good = read.flatMap(({ parsed }) => (parsed.success ? [parsed.data] : []));
    const kept = good.length > 0 ? await recordEntries(database(), THE_SHOP, good, now()) : [];
    const bad = read.flatMap(({ raw, parsed }) => {
      if (parsed.success) return [];
      const issue = parsed.error.issues[0];
      return [
        {
          id: raw.id,
          status: 'refused' as const,
          rule: 'does-not-read',
          why: `${issue?.path.join('.') ?? 'entry'}: ${issue?.message ?? 'does not read'}.`,
        },
      ];
    });
    return json({ results: [...kept, ...bad] });
  } catch (error) {
    return answerOf(error);
  }
};
