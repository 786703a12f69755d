import { cardSvg } from '../../../http/answers/card-file.ts';
import { file } from '../../../http/door/endpoint.ts';

export const GET = file({ type: 'image/svg+xml; charset=utf-8', name: 'gauge-card.svg', shown: true }, cardSvg);
