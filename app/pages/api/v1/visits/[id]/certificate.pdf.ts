import { certificateAsked } from '../../../../../http/answers/index.ts';
import { file } from '../../../../../http/door/index.ts';
import { certificatePdf } from '../../../../../http/pdf/certificate.ts';

/** What was proven at a visit, on paper. */
export const GET = file({ type: 'application/pdf', name: ({ params }) => `certificate-${params.id}.pdf`, shown: true }, async (asked) =>
  certificatePdf(await certificateAsked(asked)),
);
