import { cardPdf } from '../../../http/answers/card-file.ts';
import { file } from '../../../http/door/endpoint.ts';

export const GET = file({ type: 'application/pdf', name: 'gauge-card.pdf', shown: true }, cardPdf);
