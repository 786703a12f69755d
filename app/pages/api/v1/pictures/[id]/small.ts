import { pictureAnswer } from '../../../../../http/picture-answer.ts';

/** The picture, small. */
export const GET = pictureAnswer(true);
