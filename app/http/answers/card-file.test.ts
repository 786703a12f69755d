import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { inflateSync } from 'node:zlib';
import { cardPdf, cardSvg } from './card-file.ts';

/** Straight strokes of a page's content stream, in points. */
async function strokes(): Promise<{ length: number }[]> {
  const bytes = Buffer.from(await cardPdf());
  const start = bytes.indexOf('stream\n') + 7;
  let content = '';
  for (let at = start; at > 6; at = bytes.indexOf('stream\n', at) + 7) {
    const end = bytes.indexOf('endstream', at);
    try {
      content += inflateSync(bytes.subarray(at, end)).toString('latin1');
    } catch {
      content += bytes.subarray(at, end).toString('latin1');
    }
    at = end + 9;
  }
  return [...content.matchAll(/([\d.]+) ([\d.]+) m\s+([\d.]+) ([\d.]+) l\s+S/g)].map(([, a, b, c, d]) => ({
    length: Math.hypot(Number(c) - Number(a), Number(d) - Number(b)),
  }));
}

describe('the gauge card on paper', () => {
  it('has its rulers exact to 0.2 mm by the coordinates in the PDF', async () => {
    const mm = (await strokes()).map((s) => (s.length / 72) * 25.4);
    assert.ok(
      mm.some((n) => Math.abs(n - 6 * 25.4) < 0.2),
      'six inches',
    );
    assert.ok(
      mm.some((n) => Math.abs(n - 150) < 0.2),
      '150 mm',
    );
  });
  it('is a letter sheet in inches as SVG, without script', () => {
    const svg = cardSvg();
    assert.match(svg, /width="8.5in" height="11in" viewBox="0 0 8.5 11"/);
    assert.match(svg, /r="0.3125"/);
    assert.doesNotMatch(svg, /<script/);
  });
});
