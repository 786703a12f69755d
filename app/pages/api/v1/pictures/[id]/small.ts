import { pictureAnswer } from '../../../../../http/answers/index.ts';

/** The picture, small. */
export const GET = pictureAnswer(true);
