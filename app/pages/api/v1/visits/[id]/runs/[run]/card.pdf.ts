import { file } from '../../../../../../../http/endpoint.ts';
import { runCardAsked } from '../../../../../../../http/run-card.ts';
import { workCardPdf } from '../../../../../../../http/work-card-pdf.ts';

/** The work card of a run, one or two pages. */
export const GET = file({ type: 'application/pdf', name: ({ params }) => `card-${params.run}.pdf`, shown: true }, async (asked) =>
  workCardPdf(await runCardAsked(asked)),
);
