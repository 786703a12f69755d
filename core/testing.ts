/**
 * Answers that are held: one line a case, in a file beside the test, so that a change of any of them is seen and read.
 *
 * They say what is so, not why: that is what the other tests are for. `HELD=write` writes them anew; read the difference before it is committed.
 */
import assert from 'node:assert/strict';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { basename } from 'node:path';
import { test } from 'node:test';
import { fileURLToPath } from 'node:url';
import fc from 'fast-check';

/** Of a long answer the beginning is told, and the rest held by a digest. */
const TOLD = 90;

/** Five digits: what the last bits of a sum are depends on the machine. */
function plain(_key: string, value: unknown): unknown {
  if (typeof value === 'number') return Number.isFinite(value) ? Number(value.toPrecision(5)) + 0 : String(value);
  if (value instanceof Map || value instanceof Set) return [...value];
  if (ArrayBuffer.isView(value)) return [...(value as Float64Array)];
  return value;
}

function line(name: string, answer: () => unknown): string {
  let text: string;
  try {
    text = JSON.stringify(answer(), plain) ?? 'nothing';
  } catch (error) {
    text = `${(error as Error).name}: ${(error as Error).message}`;
  }
  const short = text.length > TOLD ? `${text.slice(0, TOLD)} … ${createHash('sha256').update(text).digest('hex').slice(0, 10)}` : text;
  return `${name}\t${short}`.replaceAll('\n', ' ');
}

/**
 * A test of its own that the answers to these questions are those held.
 *
 * @param url   the test's own address: `import.meta.url`; the answers stand in a file of its name, `*.txt`, beside it
 * @param cases each with its name, which is its own
 */
export function held(url: string, cases: Iterable<readonly [name: string, answer: () => unknown]>): void {
  const path = fileURLToPath(url).replace(/\.test\.ts$/, '.txt');
  test(`answers as held in ${basename(path)}`, () => {
    const found = [...cases].map(([name, answer]) => ({ name, answer, text: line(name, answer) }));
    assert.equal(new Set(found.map((f) => f.name)).size, found.length, 'each case has a name of its own');
    if (process.env.HELD === 'write') writeFileSync(path, `${found.map((f) => f.text).join('\n')}\n`);
    const kept = existsSync(path) ? readFileSync(path, 'utf8').trimEnd().split('\n') : [];
    const others = found.filter((f, i) => f.text !== kept[i]);
    const first = others[0];
    if (first === undefined) return assert.equal(found.length, kept.length, 'no held case is asked no more');
    const was = kept.find((k) => k.startsWith(`${first.name}\t`)) ?? 'not held';
    assert.fail(`${others.length} of ${found.length} answer otherwise (HELD=write holds the new ones), first\n${first.text}\nheld\n${was}`);
  });
}

/** The same cases every time, by their numbers. */
export function* sampled<T>(
  name: string,
  arbitrary: fc.Arbitrary<T>,
  count: number,
  answer: (value: T) => unknown,
): Generator<[string, () => unknown]> {
  let n = 0;
  for (const value of fc.sample(arbitrary, { numRuns: count, seed: 27 })) yield [`${name} ${++n}`, () => answer(value)];
}
