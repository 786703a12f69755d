/** Tags as they are printed: the code on the paper is read back, as a phone reads it. */
import assert from 'node:assert/strict';
import { describe, it } from 'node:test';
import { createCanvas } from '@napi-rs/canvas';
import jsQRModule from 'jsqr';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { type PrintedTag, tagsPdf } from './tags.ts';

// A module of the older kind: its function may be one step down.
const jsQR = ('default' in jsQRModule ? jsQRModule.default : jsQRModule) as typeof jsQRModule;

const RUN = '0192f3a4-5b6c-7d8e-9f01-23456789abc';
const tag = (n: number, more: Partial<PrintedTag> = {}): PrintedTag => ({
  kind: n % 2 === 0 ? 'Stop' : 'Connector',
  what: 'braided faucet connector, 3/8 x 1/2 FIP, 16 in',
  joints: ['J1', 'J2'],
  next: { on: '2027-04-14', what: 'Exercise: quarter-turn stop' },
  url: `https://plumber.example/t/${RUN}${n}`,
  run: 'Basin faucet, cold, Guest room 2',
  premises: 'The observatory lodge',
  on: '2026-04-14',
  shop: 'Hilltop plumbing, 555 0100',
  ...more,
});

/** Points to dots: 150 to the inch, as an office printer and a phone's camera at arm's length. */
const SCALE = 150 / 72;

async function rendered(pdf: Uint8Array) {
  const task = getDocument({ data: new Uint8Array(pdf), useSystemFonts: false, disableFontFace: true, verbosity: 0 });
  const doc = await task.promise;
  const pages = [];
  for (let n = 1; n <= doc.numPages; n++) {
    const page = await doc.getPage(n);
    const viewport = page.getViewport({ scale: SCALE });
    const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height));
    const context = canvas.getContext('2d');
    context.fillStyle = '#ffffff';
    context.fillRect(0, 0, canvas.width, canvas.height);
    await page.render({ canvasContext: context as never, viewport }).promise;
    const { items } = await page.getTextContent();
    pages.push({ canvas, text: items.map((i) => ('str' in i ? i.str : '')).join(' ') });
  }
  await task.destroy();
  return pages;
}

/** The code of the nth tag of a sheet. */
function codeAt(canvas: Awaited<ReturnType<typeof rendered>>[number]['canvas'], n: number): string | undefined {
  const [wide, high] = [252 * SCALE, 144 * SCALE];
  const [left, top] = [(canvas.width - 2 * wide) / 2, (canvas.height - 5 * high) / 2];
  const x = Math.round(left + (n % 2) * wide);
  const y = Math.round(top + Math.floor(n / 2) * high);
  const { data, width, height } = canvas.getContext('2d').getImageData(x, y, Math.floor(wide), Math.floor(high));
  return jsQR(data as unknown as Uint8ClampedArray, width, height)?.data;
}

describe('tags on paper', () => {
  it('carry a code that reads back as the address of their connection, each its own', async () => {
    const tags = Array.from({ length: 10 }, (_, n) => tag(n));
    const [page, ...more] = await rendered(await tagsPdf(tags));
    assert.equal(more.length, 0);
    for (const [n, t] of tags.entries()) assert.equal(codeAt(page!.canvas, n), t.url, `tag ${n + 1}`);
  });
  it('begin a second sheet with the eleventh', async () => {
    const pages = await rendered(await tagsPdf(Array.from({ length: 12 }, (_, n) => tag(n % 10, { url: `https://plumber.example/t/${n}` }))));
    assert.equal(pages.length, 2);
    assert.equal(codeAt(pages[1]!.canvas, 1), 'https://plumber.example/t/11');
    assert.equal(codeAt(pages[1]!.canvas, 2), undefined, 'no third tag');
  });
  it('read still where the address is as long as it may be', async () => {
    const url = `https://${'water-and-waste-of-the-upper-valley'.padEnd(51, 'x')}/t/${RUN}1`;
    const [page] = await rendered(await tagsPdf([tag(0, { url })]));
    assert.equal(codeAt(page!.canvas, 0), url);
  });
  it('say in words what it is, where, which joints, when it was done and what is next', async () => {
    const [page] = await rendered(await tagsPdf([tag(0)]));
    for (const word of ['Stop', 'J1 J2', 'Basin faucet', 'observatory lodge', 'Done 2026-04-14', 'Next 2027-04-14', '555 0100']) {
      assert.ok(page!.text.includes(word), `"${word}" is not on the tag: ${page!.text}`);
    }
  });
  it('are none where there is nothing to hang one on', async () => {
    await assert.rejects(tagsPdf([]), RangeError);
  });
});
