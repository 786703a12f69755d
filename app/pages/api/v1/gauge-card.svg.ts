import { cardSvg } from '../../../http/answers/index.ts';
import { file } from '../../../http/door/index.ts';

export const GET = file({ type: 'image/svg+xml; charset=utf-8', name: 'gauge-card.svg', shown: true }, cardSvg);
