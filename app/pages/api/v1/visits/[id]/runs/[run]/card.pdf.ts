import { runCardAsked } from '../../../../../../../http/answers/run-card.ts';
import { file } from '../../../../../../../http/door/endpoint.ts';
import { workCardPdf } from '../../../../../../../http/pdf/work-card.ts';

/** The work card of a run, one or two pages. */
export const GET = file({ type: 'application/pdf', name: ({ params }) => `card-${params.run}.pdf`, shown: true }, async (asked) =>
  workCardPdf(await runCardAsked(asked)),
);
