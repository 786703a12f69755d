import { identifyThread } from '../../../../core/index.ts';
import { post } from '../../../http/door/index.ts';
import { identifyShape } from '../../../http/shapes/index.ts';

/** Which thread it is, by what was measured. */
export const POST = post(identifyShape, (reading) => identifyThread(reading));
