import { cardPdf } from '../../../http/answers/index.ts';
import { file } from '../../../http/door/index.ts';

export const GET = file({ type: 'application/pdf', name: 'gauge-card.pdf', shown: true }, cardPdf);
