/** Tags on a sheet of letter paper, ten to cut or of a perforated sheet: a code that opens the connection, and what a hand without a phone wants to read. */
import type { PDFPage } from 'pdf-lib';
import QRCode from 'qrcode';
import type { Tag } from '../../../record/index.ts';
import { BLACK, type Fonts, HIGH, newPdf, WIDE, wrapped } from './paper.ts';

export interface PrintedTag extends Tag {
  /** Where the code leads. */
  url: string;
  run: string;
  premises: string;
  /** Local day it was signed off, or made. */
  on: string;
  /** Name and telephone. */
  shop: string;
}

/** Points: 3 1/2 x 2 in, two columns of five. */
const TAG = { wide: 252, high: 144 };
const LEFT = (WIDE - 2 * TAG.wide) / 2;
const TOP = HIGH - (HIGH - 5 * TAG.high) / 2;
const PER_SHEET = 10;
/** With its quiet zone. */
const CODE = 104;
/** White that a reader wants around a code, modules. */
const QUIET = 4;

/** @throws RangeError where there is no tag to print */
export async function tagsPdf(tags: PrintedTag[]): Promise<Uint8Array> {
  const { pdf, fonts } = await newPdf('Tags');
  if (tags.length === 0) throw new RangeError('There is no tag to print.');
  for (const [i, tag] of tags.entries()) {
    const n = i % PER_SHEET;
    const page = n === 0 ? pdf.addPage([WIDE, HIGH]) : pdf.getPages().at(-1)!;
    draw(page, fonts, tag, LEFT + (n % 2) * TAG.wide, TOP - Math.floor(n / 2) * TAG.high);
  }
  return pdf.save();
}

/** x, y: its upper left corner. */
function draw(page: PDFPage, { plain, bold }: Fonts, tag: PrintedTag, x: number, y: number): void {
  page.drawRectangle({ x, y: y - TAG.high, width: TAG.wide, height: TAG.high, borderWidth: 0.3, borderColor: BLACK, borderDashArray: [2, 3] });
  // The hole it is hung by.
  page.drawCircle({ x: x + 14, y: y - TAG.high / 2, size: 5, borderWidth: 0.5, borderColor: BLACK });
  code(page, tag.url, x + 24, y - 12 - CODE);
  const textX = x + 30 + CODE;
  const wide = x + TAG.wide - 8 - textX;
  let at = y - 8;
  const say = (text: string, size: number, font = plain, most = 2) => {
    for (const line of wrapped(text, font, size, wide).slice(0, most)) {
      at -= size * 1.2;
      page.drawText(line, { x: textX, y: at, size, font, color: BLACK });
    }
  };
  say(`${tag.kind}  ${tag.joints.join(' ')}`, 12, bold, 1);
  say(tag.what, 7.5);
  at -= 2;
  say(tag.run, 8.5, bold);
  say(tag.premises, 7, plain, 1);
  at -= 2;
  say(`Done ${tag.on}`, 8.5);
  if (tag.next) say(`Next ${tag.next.on}: ${tag.next.what}`, 8, bold, 3);
  // Whom to call stands over the whole width: it is never cut short.
  const [shop] = wrapped(tag.shop, plain, 8, TAG.wide - 40);
  if (shop) page.drawText(shop, { x: x + 30, y: y - TAG.high + 9, size: 8, font: plain, color: BLACK });
}

/** Rows of dark modules as bars: no seam between two of a row. */
function code(page: PDFPage, url: string, x: number, y: number): void {
  const { modules } = QRCode.create(url, { errorCorrectionLevel: 'M' });
  const size = CODE / (modules.size + 2 * QUIET);
  for (let row = 0; row < modules.size; row++) {
    for (let from = 0; from < modules.size; from++) {
      if (!modules.get(row, from)) continue;
      let to = from;
      while (to + 1 < modules.size && modules.get(row, to + 1)) to++;
      const dark = { x: x + (QUIET + from) * size, y: y + CODE - (QUIET + row + 1) * size, width: (to - from + 1) * size, height: size };
      page.drawRectangle({ ...dark, color: BLACK });
      from = to;
    }
  }
}
