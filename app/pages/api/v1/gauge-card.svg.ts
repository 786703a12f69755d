import { cardSvg } from '../../../http/card-file.ts';
import { file } from '../../../http/endpoint.ts';

export const GET = file({ type: 'image/svg+xml; charset=utf-8', name: 'gauge-card.svg', shown: true }, cardSvg);
