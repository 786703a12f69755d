import type { APIRoute } from 'astro';
import { now } from '../../../../../store/database/index.ts';
import { CsvFileError } from '../../../../../store/files/index.ts';
import { CalledOffError, importParts } from '../../../../../store/own-parts/index.ts';
import { database } from '../../../../http/database.ts';
import { answerOf, MAX_FILE, readBytes } from '../../../../http/door/index.ts';

/**
 * Takes in a file of own parts, all or nothing.
 *
 * Answers a line of JSON at a time: how far it is, and at last what came of it. When the browser goes away, or its user calls it off, nothing
 * is kept.
 */
export const POST: APIRoute = async ({ request, locals }) => {
  try {
    const bytes = await readBytes(request, MAX_FILE);
    let gone = false;
    const encoder = new TextEncoder();
    const body = new ReadableStream({
      async start(controller) {
        const say = (line: unknown) => !gone && controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
        try {
          say({
            done: true,
            ...(await importParts(
              database(),
              locals.shop,
              bytes,
              now(),
              (progress) => say({ progress }),
              () => gone,
            )),
          });
        } catch (error) {
          if (error instanceof CsvFileError) say({ faults: error.faults });
          else if (!(error instanceof CalledOffError)) say({ problem: await answerOf(error).json() });
        }
        if (!gone) controller.close();
      },
      cancel() {
        gone = true;
      },
    });
    return new Response(body, { headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' } });
  } catch (error) {
    return answerOf(error);
  }
};
