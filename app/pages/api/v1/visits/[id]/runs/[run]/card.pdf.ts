import { file } from '../../../../../../../http/endpoint.ts';
import { workCardPdf } from '../../../../../../../http/pdf/work-card.ts';
import { runCardAsked } from '../../../../../../../http/run-card.ts';

/** The work card of a run, one or two pages. */
export const GET = file({ type: 'application/pdf', name: ({ params }) => `card-${params.run}.pdf`, shown: true }, async (asked) =>
  workCardPdf(await runCardAsked(asked)),
);
