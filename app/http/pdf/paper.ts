/** Paper, black on white: lines that wrap, columns, fresh pages. */
import { PDFDocument, type PDFFont, type PDFPage, rgb, StandardFonts } from 'pdf-lib';

/** US letter, points. */
export const WIDE = 612;
export const HIGH = 792;
export const MARGIN = 36;
const GAP = 18;
export const BLACK = rgb(0, 0, 0);

export interface Fonts {
  plain: PDFFont;
  bold: PDFFont;
}

/** A viewer without the printer's own fonts takes others, which run wider by so much. */
const WIDER = 1.12;

/** Words in lines no wider than the column; a word that is wider stands by itself. */
export function wrapped(text: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of printable(text).split(/\s+/).filter(Boolean)) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (line !== '' && font.widthOfTextAtSize(longer, size) * WIDER > width) {
      lines.push(line);
      line = word;
    } else line = longer;
  }
  return line === '' ? lines : [...lines, line];
}

/** What the printer's own fonts have: letters of other scripts stand without their marks, or as a question mark. */
export function printable(text: string): string {
  return text
    .replace(/[‘’]/g, "'")
    .replace(/[“”]/g, '"')
    .replace(/[–—]/g, '-')
    .normalize('NFC')
    .replace(/[^\x20-\x7e\xa0-\xff]/g, (c) => c.normalize('NFKD').replace(/[^\x20-\x7e\xa0-\xff]/g, '') || '?');
}

/** Where the next line goes: down a column, then the next, then a fresh page. */
export class Paper {
  page!: PDFPage;
  #column: number;
  readonly #width: number;
  #y = 0;
  #top = HIGH - MARGIN;
  #pages = 0;

  constructor(
    readonly pdf: PDFDocument,
    readonly fonts: Fonts,
    readonly title: string,
    readonly columns: 1 | 2 = 2,
  ) {
    this.#width = (WIDE - 2 * MARGIN - GAP * (columns - 1)) / columns;
    this.#column = columns - 1;
    this.#turn();
  }

  /** Keeps what belongs together in one column. */
  room(height: number): void {
    if (this.#y - height < MARGIN) this.#turn();
  }

  text(text: string, { size = 8.5, bold = false, indent = 0 }: { size?: number; bold?: boolean; indent?: number } = {}): void {
    const font = bold ? this.fonts.bold : this.fonts.plain;
    for (const line of wrapped(text, font, size, this.#width - indent)) {
      this.room(size * 1.25);
      this.#y -= size * 1.25;
      this.page.drawText(line, { x: this.#x + indent, y: this.#y, size, font, color: BLACK });
    }
  }

  space(height: number): void {
    this.#y -= height;
  }

  /** A box to tick before the line that comes next. */
  box(isTicked: boolean): void {
    this.room(24);
    const y = this.#y - 10.5;
    this.page.drawRectangle({ x: this.#x, y, width: 8, height: 8, borderWidth: 0.8, borderColor: BLACK });
    if (!isTicked) return;
    this.page.drawLine({ start: { x: this.#x, y }, end: { x: this.#x + 8, y: y + 8 }, thickness: 1 });
    this.page.drawLine({ start: { x: this.#x, y: y + 8 }, end: { x: this.#x + 8, y }, thickness: 1 });
  }

  /** Cells side by side, each wrapped in its own share of the column; kept on one page. */
  row(cells: { text: string; share: number; bold?: boolean }[], size = 8.5): void {
    const gap = 6;
    const lines = cells.map(({ text, share, bold }) => wrapped(text, bold ? this.fonts.bold : this.fonts.plain, size, this.#width * share - gap));
    const most = Math.max(1, ...lines.map((l) => l.length));
    this.room(most * size * 1.25 + 4);
    let x = this.#x;
    cells.forEach(({ share, bold }, i) => {
      lines[i]!.forEach((line, n) => {
        this.page.drawText(line, { x, y: this.#y - (n + 1) * size * 1.25, size, font: bold ? this.fonts.bold : this.fonts.plain, color: BLACK });
      });
      x += this.#width * share;
    });
    this.#y -= most * size * 1.25 + 3;
    this.page.drawLine({ start: { x: this.#x, y: this.#y }, end: { x: this.#x + this.#width, y: this.#y }, thickness: 0.3, color: BLACK });
    this.#y -= 2;
  }

  get #x(): number {
    return MARGIN + this.#column * (this.#width + GAP);
  }

  #turn(): void {
    this.#column = (this.#column + 1) % this.columns;
    if (this.#column === 0) {
      this.#pages += 1;
      this.page = this.pdf.addPage([WIDE, HIGH]);
      const size = this.#pages === 1 ? 14 : 8.5;
      this.page.drawText(wrapped(this.title, this.fonts.bold, size, WIDE - 2 * MARGIN)[0] ?? '', {
        x: MARGIN,
        y: HIGH - MARGIN - size,
        size,
        font: this.fonts.bold,
      });
      this.#top = HIGH - MARGIN - size - 10;
    }
    this.#y = this.#top;
  }
}

/** A document and its two fonts. */
export async function newPdf(title: string): Promise<{ pdf: PDFDocument; fonts: Fonts }> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(title);
  return { pdf, fonts: { plain: await pdf.embedFont(StandardFonts.Helvetica), bold: await pdf.embedFont(StandardFonts.HelveticaBold) } };
}
