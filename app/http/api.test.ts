import assert from 'node:assert/strict';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, it } from 'node:test';
import { pathToFileURL } from 'node:url';
import fc from 'fast-check';
import { type ZodType, z } from 'zod';
import { catalogue } from '../../catalog/index.ts';
import { allEndCodes, defaultRules, endLabel, identifyThread, type MatchQuery, matchChains, mate, readEnd, whyNot } from '../../core/index.ts';
import { answerOf } from './door/faults.ts';
import { openapi } from './openapi.ts';
import { endsAnswer, identifyAnswer, matchAnswer, mateAnswer, partsAnswer, whyNotAnswer } from './shapes/answer-shapes.ts';
import { identifyShape, matchShape, mateShape, whyNotShape } from './shapes/api-shapes.ts';
import { CALLS, type Call } from './shapes/calls.ts';

const { parts, loose } = catalogue();
const code = fc.oneof({ weight: 6, arbitrary: fc.constantFrom(...allEndCodes) }, { weight: 1, arbitrary: fc.string({ maxLength: 12 }) });
const number = fc.oneof(
  { weight: 3, arbitrary: fc.double({ min: 0.1, max: 60, noNaN: true }) },
  { weight: 1, arbitrary: fc.constantFrom(-1, 0, 40, 300, 1e308, Number.NaN) },
);
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
const need = fc.record({
  water: fc.constantFrom('cold', 'hot', 'steam'),
  minLengthIn: maybe(number),
  stop: maybe(fc.boolean()),
  arrestor: maybe(fc.boolean()),
  reachable: maybe(fc.boolean()),
  pressurePsi: maybe(number),
});
const query = { from: code, to: code, rejoin: maybe(code), need, k: maybe(fc.integer({ min: -1, max: 30 })) };

/** What a request is answered with, its body going over JSON as it would. */
async function statusOf(work: () => unknown): Promise<number> {
  try {
    await work();
    return 200;
  } catch (error) {
    return answerOf(error).status;
  }
}

describe('the matching API', () => {
  const overJson = (body: unknown) => JSON.parse(JSON.stringify(body ?? null)) as unknown;
  const filled = (q: object) => ({ ...q, parts, loose, rules: defaultRules }) as unknown as MatchQuery;
  const calls: [string, number, ZodType, fc.Arbitrary<unknown>, (body: unknown) => unknown][] = [
    ['mate', 4000, mateAnswer, fc.record({ a: code, b: code }), (body) => { const { a, b } = mateShape.parse(body); return mate(a, b); }],
    ['identify', 4000, identifyAnswer, fc.record({ gender: fc.constantFrom('m', 'f', 'x'), diameterIn: maybe(number), threadsPerIn: maybe(number), seenOn: maybe(fc.constantFrom('toilet', 'kettle')) }), (body) => identifyThread(identifyShape.parse(body))],
    ['match', 1500, matchAnswer, fc.record(query), (body) => matchChains(filled(matchShape.parse(body)))],
    ['why-not', 500, whyNotAnswer, fc.record({ ...query, parts: fc.array(fc.constantFrom(...parts.slice(0, 40).map((p) => p.id), 'no-such'), { maxLength: 4 }) }), (body) => { const { parts: ids, ...rest } = whyNotShape.parse(body); return { because: whyNot(filled(rest), ids) }; }],
    ['anything', 500, z.unknown(), fc.anything(), (body) => matchShape.parse(body)],
  ]; // biome-ignore format: a table
  for (const [name, runs, answer, body, work] of calls) {
    it(`answers ${runs} random requests to ${name} without a fault of its own`, async () => {
      let good = 0;
      await fc.assert(
        fc.asyncProperty(body, async (b) => {
          const status = await statusOf(() => answer.parse(overJson(work(overJson(b)))));
          if (status === 200) good++;
          assert.ok(status < 500, `${status} for ${JSON.stringify(b)}`);
        }),
        { numRuns: runs, seed: 3 },
      );
      if (name !== 'anything') assert.ok(good > runs / 20, `only ${good} were answered`);
    });
  }

  it('reads anything typed without throwing', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 300 }), (text) => void readEnd(text)),
      { numRuns: 2000 },
    );
  });

  it('answers lists as it describes them', () => {
    const ends = readEnd('1/2 fip').map((r) => ({ ...r, label: endLabel(r.end) }));
    endsAnswer.parse(overJson({ ends }));
    const { version, currency } = catalogue();
    partsAnswer.parse(overJson({ version, currency, parts, loose }));
  });

  it('is described by the shapes that read it', () => {
    const text = JSON.stringify(openapi());
    assert.match(text, /"openapi":"3.1.0"/);
    for (const field of ['diameterSigmaIn', 'rejoin', 'minLengthIn', 'threadSealant', 'leakRisk', 'gainBits', 'bindsAfterTurns', 'personId'])
      assert.ok(text.includes(field), field);
  });

  it('is described call by call: each route and no other, with the very shape that it reads', async () => {
    const folder = join(import.meta.dirname, '..', 'pages', 'api', 'v1');
    const files = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.ts'));
    assert.ok(files.length > 50);
    const routes = new Map<string, unknown>();
    for (const file of files) {
      const route = (await import(pathToFileURL(join(folder, file)).href)) as Record<string, { takes?: unknown }>;
      const path = `/${file}`
        .replace(/(\/index)?\.ts$/, '')
        .replaceAll('[', '{')
        .replaceAll(']', '}');
      for (const method of ['GET', 'POST', 'PUT', 'DELETE', 'ALL']) if (route[method]) routes.set(`${method} ${path}`, route[method].takes);
    }
    const described = new Map<string, Call>(
      Object.entries(CALLS).flatMap(([path, calls]) =>
        Object.entries(calls).map(([method, call]) => [`${method.toUpperCase()} ${path}`, call] as const),
      ),
    );
    assert.deepEqual([...described.keys()].sort(), [...routes.keys()].sort());
    for (const [route, takes] of routes) if (takes) assert.equal(described.get(route)?.takes, takes, route);
    assert.ok([...routes.values()].filter(Boolean).length >= 6);
  });
});
