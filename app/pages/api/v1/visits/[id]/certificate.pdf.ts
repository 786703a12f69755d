import { certificateAsked } from '../../../../../http/answers/certificate.ts';
import { file } from '../../../../../http/door/endpoint.ts';
import { certificatePdf } from '../../../../../http/pdf/certificate.ts';

/** What was proven at a visit, on paper. */
export const GET = file({ type: 'application/pdf', name: ({ params }) => `certificate-${params.id}.pdf`, shown: true }, async (asked) =>
  certificatePdf(await certificateAsked(asked)),
);
