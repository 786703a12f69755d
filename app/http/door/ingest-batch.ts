import type { APIRoute } from 'astro';
import * as z from 'zod/mini';
import type { Read } from '../../../record/index.ts';
import type { Answer } from '../../../store/entries/index.ts';
import { batch, type EntryAnswer, PROTOCOL } from '../../../sync/protocol.ts';
import { answerOf } from './faults.ts';
import { readJson } from './guard.ts';
import { json, problem } from './problem.ts';

/** A POST that takes a batch from a device. Each entry gets its own answer, in its place; one that does not read is refused alone. */
export function ingestBatch<E>(readOne: (raw: unknown) => Read<E>, record: (entries: E[], shopId: string) => Promise<Answer[]>): APIRoute {
  return async ({ request, locals }) => {
    try {
      const { protocol = PROTOCOL, entries } = z.parse(batch, await readJson(request));
      if (protocol > PROTOCOL) {
        return problem(
          503,
          'newer-page',
          'Later',
          'This page is newer than the server. What you entered is kept on the device and sent when the server is up to date.',
        );
      }
      const read = entries.map((raw) => ({ raw, read: readOne(raw) }));
      const answers = await record(
        read.flatMap(({ read: r }) => (r.ok ? [r.entry] : [])),
        locals.shop,
      );
      const taken = answers[Symbol.iterator]();
      const results = read.map(({ raw, read: r }): EntryAnswer => (r.ok ? taken.next().value! : unread(raw, r.at, r.why)));
      return json({ results });
    } catch (error) {
      return answerOf(error);
    }
  };
}

function unread(raw: unknown, at: string, why: string): EntryAnswer {
  const id = (raw as { id?: unknown } | null)?.id;
  return { id: typeof id === 'string' ? id.slice(0, 80) : null, status: 'refused', rule: 'does-not-read', at, why: `${at}: ${why}.` };
}
