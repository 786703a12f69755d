/** A work card on paper: black on white, two columns, boxes to tick. */
import { PDFDocument, type PDFFont, type PDFPage, rgb, StandardFonts } from 'pdf-lib';
import { figureLines, takeAlong, type WorkStep } from '../../core/index.ts';
import type { RunCard } from './run-card.ts';

/** US letter, points. */
const WIDE = 612;
const HIGH = 792;
const MARGIN = 36;
const GAP = 18;
const COLUMN = (WIDE - 2 * MARGIN - GAP) / 2;
const BLACK = rgb(0, 0, 0);
const STAGES = { shut: 'Shut', make: 'Make', prove: 'Prove', log: 'Log' } as const;

interface Fonts {
  plain: PDFFont;
  bold: PDFFont;
}

/** A viewer without the printer's own fonts takes others, which run wider by so much. */
const WIDER = 1.12;

/** Words in lines no wider than the column; a word that is wider stands by itself. */
function wrapped(text: string, font: PDFFont, size: number, width: number): string[] {
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
function printable(text: string): string {
  return text
    .replace(/[‘’]/g, "'")
    .replace(/[“”]/g, '"')
    .replace(/[–—]/g, '-')
    .normalize('NFC')
    .replace(/[^\x20-\x7e\xa0-\xff]/g, (c) => c.normalize('NFKD').replace(/[^\x20-\x7e\xa0-\xff]/g, '') || '?');
}

/** Where the next line goes: down a column, then the next, then a fresh page. */
class Paper {
  page!: PDFPage;
  #column = 1;
  #y = 0;
  #top = HIGH - MARGIN;
  #pages = 0;

  constructor(
    readonly pdf: PDFDocument,
    readonly fonts: Fonts,
    readonly title: string,
  ) {
    this.#turn();
  }

  /** Keeps what belongs together in one column. */
  room(height: number): void {
    if (this.#y - height < MARGIN) this.#turn();
  }

  text(text: string, { size = 8.5, bold = false, indent = 0 }: { size?: number; bold?: boolean; indent?: number } = {}): void {
    const font = bold ? this.fonts.bold : this.fonts.plain;
    for (const line of wrapped(text, font, size, COLUMN - indent)) {
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

  get #x(): number {
    return MARGIN + this.#column * (COLUMN + GAP);
  }

  #turn(): void {
    this.#column = 1 - this.#column;
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

/** The card as PDF. */
export async function workCardPdf({ head, steps, done }: RunCard): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle(`Work card: ${head.run}`);
  const fonts = { plain: await pdf.embedFont(StandardFonts.Helvetica), bold: await pdf.embedFont(StandardFonts.HelveticaBold) };
  const paper = new Paper(pdf, fonts, `${head.run}: ${head.work}`);
  paper.text(head.premises);
  for (const joint of head.joints) paper.text(joint, { bold: true });
  const along = takeAlong([{ run: head.run, steps }]);
  const listed = (rows: typeof along.tools) => rows.map((r) => (r.sizes.length > 0 ? `${r.what} (${r.sizes.join('; ')})` : r.what)).join(', ');
  if (along.people.count > 1) paper.text(`${along.people.count} people: ${along.people.at.map((a) => a.step).join('; ')}`);
  if (along.tools.length > 0) paper.text(`Tools: ${listed(along.tools)}`);
  if (along.materials.length > 0) paper.text(`Materials: ${listed(along.materials)}`);
  let n = 0;
  for (const stage of ['shut', 'make', 'prove', 'log'] as const) {
    const own = steps.filter((s) => s.stage === stage);
    if (own.length === 0) continue;
    paper.space(6);
    paper.room(36);
    paper.text(STAGES[stage], { size: 12, bold: true });
    for (const step of own) stepOn(paper, step, ++n, done[step.id] ?? false);
  }
  paper.space(6);
  paper.text("Local code and the maker's instructions come first; where the code asks for a licensed person, use one.");
  return pdf.save();
}

function stepOn(paper: Paper, step: WorkStep, n: number, isDone: boolean): void {
  paper.space(3);
  paper.box(isDone);
  paper.text(`${n}. ${step.title}`, { size: 9.5, bold: true, indent: 12 });
  paper.text(step.detail, { indent: 12 });
  for (const line of figureLines(step)) paper.text(line, { indent: 12 });
  for (const caution of step.cautions) paper.text(`! ${caution}`, { indent: 12, bold: true });
  if (step.gate) paper.text(`Must be answered: ${step.gate}   yes / no`, { indent: 12 });
}
