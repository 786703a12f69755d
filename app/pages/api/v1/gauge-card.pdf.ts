import { cardPdf } from '../../../http/card-file.ts';
import { file } from '../../../http/endpoint.ts';

export const GET = file({ type: 'application/pdf', name: 'gauge-card.pdf', shown: true }, cardPdf);
