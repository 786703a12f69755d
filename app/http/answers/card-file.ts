import { PDFDocument, rgb, StandardFonts } from 'pdf-lib';
import { CARD_SHEET, gaugeCard, type Mark } from '../../../core/index.ts';

const POINTS = 72;
const HAIR_IN = 0.008;
const BLACK = rgb(0, 0, 0);

/** The gauge card as SVG in inches. */
export function cardSvg(): string {
  const { widthIn, heightIn } = CARD_SHEET;
  const body = gaugeCard().map(svgOf).join('\n');
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${widthIn}in" height="${heightIn}in" viewBox="0 0 ${widthIn} ${heightIn}" font-family="sans-serif" stroke-width="${HAIR_IN}">
<title>Brass Nut gauge card</title>
${body}
</svg>
`;
}

const n = (value: number) => String(Number(value.toFixed(5)));

function svgOf(m: Mark): string {
  switch (m.kind) {
    case 'line':
      return `<line x1="${n(m.from[0])}" y1="${n(m.from[1])}" x2="${n(m.to[0])}" y2="${n(m.to[1])}" stroke="#000"/>`;
    case 'circle':
      return `<circle cx="${n(m.centre[0])}" cy="${n(m.centre[1])}" r="${n(m.radius)}" fill="none" stroke="#000"/>`;
    case 'polygon':
      return `<polygon points="${m.points.map(([x, y]) => `${n(x)},${n(y)}`).join(' ')}" fill="${m.filled ? '#000' : 'none'}" stroke="${m.filled ? 'none' : '#000'}"/>`;
    case 'text':
      return `<text x="${n(m.at[0])}" y="${n(m.at[1])}" font-size="${m.sizeIn}" text-anchor="${m.anchor}">${m.text.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</text>`;
  }
}

/** The gauge card as PDF, 72 points to the inch. */
export async function cardPdf(): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setTitle('Brass Nut gauge card');
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const page = pdf.addPage([CARD_SHEET.widthIn * POINTS, CARD_SHEET.heightIn * POINTS]);
  const x = (inches: number) => inches * POINTS;
  const y = (inches: number) => (CARD_SHEET.heightIn - inches) * POINTS;
  const thickness = HAIR_IN * POINTS;
  for (const m of gaugeCard()) {
    if (m.kind === 'line') page.drawLine({ start: { x: x(m.from[0]), y: y(m.from[1]) }, end: { x: x(m.to[0]), y: y(m.to[1]) }, thickness });
    else if (m.kind === 'circle')
      page.drawCircle({ x: x(m.centre[0]), y: y(m.centre[1]), size: x(m.radius), borderWidth: thickness, borderColor: BLACK });
    else if (m.kind === 'text') {
      const size = m.sizeIn * POINTS;
      const left = m.anchor === 'middle' ? font.widthOfTextAtSize(m.text, size) / 2 : 0;
      page.drawText(m.text, { x: x(m.at[0]) - left, y: y(m.at[1]), size, font });
    } else {
      // A path's own y runs downward from where it is put.
      const path = `M ${m.points.map(([px, py]) => `${n(px * POINTS)} ${n(py * POINTS)}`).join(' L ')} Z`;
      page.drawSvgPath(path, {
        x: 0,
        y: CARD_SHEET.heightIn * POINTS,
        ...(m.filled ? { color: BLACK } : { borderWidth: thickness, borderColor: BLACK }),
      });
    }
  }
  return pdf.save({ useObjectStreams: false });
}
