/** The certificate on paper. */
import { localTime } from '../../ui/words.ts';
import type { CertificatePage } from '../answers/index.ts';
import { newPdf, Paper } from './paper.ts';

export async function certificatePdf({ shop, visit, certificate }: CertificatePage): Promise<Uint8Array> {
  const { pdf, fonts } = await newPdf(`What was proven: ${visit.title}`);
  const paper = new Paper(pdf, fonts, `What was proven: ${visit.premises.name}, ${visit.onDate}`, 1);
  const zone = visit.premises.timeZone;
  paper.text([shop.name, shop.address?.replaceAll('\n', ', '), shop.phone].filter(Boolean).join(', '));
  paper.text([visit.title, visit.premises.address, `No. ${certificate.number}`].filter(Boolean).join(', '));
  if (certificate.runs.length === 0) paper.text('Nothing of this visit is signed off: there is nothing to certify yet.', { size: 11, bold: true });
  for (const run of certificate.runs) {
    paper.space(10);
    paper.room(90);
    paper.text(run.title, { size: 12, bold: true });
    paper.text(
      `${run.work.charAt(0).toUpperCase()}${run.work.slice(1)}, signed off ${localTime(run.signedMs, zone)}. Fitted: ${run.fitted.join('; ') || 'the two ends, joined again'}.`,
    );
    paper.space(4);
    paper.row([
      { text: 'Joint', share: 0.08, bold: true },
      { text: 'Between, seal, turns past hand-tight', share: 0.3, bold: true },
      { text: 'How it was looked at', share: 0.32, bold: true },
      { text: 'What that proves', share: 0.3, bold: true },
    ]);
    for (const r of run.rows) {
      paper.row([
        { text: r.joint, share: 0.08, bold: true },
        { text: r.between, share: 0.3 },
        { text: r.how, share: 0.32 },
        { text: r.proves, share: 0.3 },
      ]);
    }
    for (const text of sheetLines(run.sheet)) paper.text(text);
  }
  for (const text of certificate.without) paper.text(text);
  paper.space(10);
  paper.room(80);
  paper.text('What this says, and what it does not', { size: 10, bold: true });
  for (const text of certificate.bounds) paper.text(text);
  return pdf.save();
}

/** What stands beside the joints: the same lines on paper and on the page. */
export function sheetLines(sheet: CertificatePage['certificate']['runs'][number]['sheet']): string[] {
  return [
    sheet.reused.length > 0 ? `Used again: ${sheet.reused.join('; ')}.` : '',
    sheet.hidden.length > 0 ? `Hidden by wall or floor: ${sheet.hidden.join(', ')}.` : '',
    sheet.rinsed === null ? '' : sheet.rinsed ? 'The line was rinsed.' : 'The line was not rinsed: let it run before anybody drinks of it.',
    ...sheet.tried,
    ...sheet.departures.map((d) => `${d.what}: ${d.reason}.`.replace('..', '.')),
    sheet.next.length > 0 ? `Next: ${sheet.next.map((n) => `${n.on} ${n.what}`).join('; ')}.` : '',
  ].filter(Boolean);
}
