import { pictureAnswer } from '../../../../../http/answers/picture-answer.ts';

/** The picture, small. */
export const GET = pictureAnswer(true);
