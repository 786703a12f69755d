import { runCardAsked } from '../../../../../../../http/answers/index.ts';
import { file } from '../../../../../../../http/door/index.ts';
import { workCardPdf } from '../../../../../../../http/pdf/work-card.ts';
import { unitsAsked } from '../../../../../../../http/units.ts';

/** The work card of a run, one or two pages. */
export const GET = file({ type: 'application/pdf', name: ({ params }) => `card-${params.run}.pdf`, shown: true }, async (asked) =>
  workCardPdf(await runCardAsked(asked), await unitsAsked(asked)),
);
